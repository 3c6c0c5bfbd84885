/**
 * Marked words in everything that one workspace has. Another workspace asks every route there is, also those that will
 * be added, with every id of the first: no marked word comes back and nothing changes. And every form of every link is
 * read for what is meant for the house alone.
 */
import { spawnSync } from 'node:child_process';
import ExcelJs from 'exceljs';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { agreementOf, designOf, serverOf } from '@tests/support/designs';
import { asElsewhere, asHere, call, freshStart, LINK, type Route, wired } from '@tests/support/routes';
import { uploadOf } from '@tests/support/upload';
import { writeDesign } from '@/features/design/format/design';
import { REPORT_FORMS, type ReportForm } from '@/features/report/calc';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import * as editsRoute from '@/app/api/designs/[id]/edits/route';
import * as exportRoute from '@/app/api/designs/[id]/export/route';
import * as linksRoute from '@/app/api/designs/[id]/links/route';
import * as exchangeRoute from '@/app/api/exchange/route';
import * as libraryRoute from '@/app/api/library/route';
import * as sharedReportRoute from '@/app/api/shared/[token]/report/route';
import * as sharedTraceRoute from '@/app/api/shared/[token]/trace/route';

vi.mock('server-only', () => ({}));
vi.mock('@/app/wiring', async () => (await import('@tests/support/routes')).wiring);

const routes = import.meta.glob<Record<string, Route>>('../../src/app/api/**/route.ts');
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'];

const REASON = 'marked-reason';
const AGREEMENT = 'marked-agreement';
const BUDGET = '876543.21';

let design = '';
let ids: Record<string, string> = {};
beforeEach(async () => {
  await freshStart();
  const file = smallBookFile();
  const book = {
    ...file,
    book: { ...file.book, key: 'marked-book', title: 'marked-book-title' },
    revision: { ...file.revision, source: 'marked-source' },
  };
  await importBook(wired.context, uploadOf(book));
  const lines = [
    serverOf('marked-a', { name: 'marked-line', place: { book: 'marked-book', region: 'severn' } }),
    serverOf('marked-b', {
      name: 'marked-plain',
      place: { book: 'marked-book', region: 'severn' },
      choice: { by: 'sku', sku: 'A-8' },
    }),
  ];
  const made = designOf(lines, {
    title: 'marked-title',
    description: 'marked-description',
    books: [{ book: 'marked-book', revision: 3 }],
    agreements: [
      agreementOf({ id: 'marked-id', name: AGREEMENT, covers: { skus: ['A-4'] }, margin: '0.17' }),
    ],
    answers: [{ check: 'single-zone', subject: 'marked-a', reason: REASON }],
  });
  const assumptions = { ...made.assumptions, budget: BUDGET };
  design = await importDesign(wired.context, writeDesign({ ...made, assumptions }));
  const edits = [{ edit: 'set-component', id: 'marked-a', field: 'name', value: 'marked-line-2' }];
  const batch = crypto.randomUUID();
  await call(editsRoute, 'POST', { id: design }, { body: { baseRevision: 0, batch, edits } });
  await call(libraryRoute, 'POST', {}, { body: { what: 'starter', design } });
  await call(exchangeRoute, 'POST', {}, { body: 'date,from,to,rate\n2026-05-01,EUR,GBP,0.7171717\n' });
  const link = (await call(linksRoute, 'POST', { id: design }, { body: LINK })).json<{
    made: { id: string };
  }>().made.id;
  ids = { id: design, link, key: 'marked-book', revision: '3' };
});

/** What was there before, as its owner sees it. */
async function everything(): Promise<string> {
  asHere();
  const answers = [
    await call(exportRoute, 'GET', { id: design }, { query: '?form=json' }),
    await call(linksRoute, 'GET', { id: design }),
    await call(libraryRoute, 'GET', {}, { query: '?what=starter' }),
  ];
  return answers.map(({ status, text }) => `${status} ${text}`).join('\n');
}

const QUERIES = [
  '',
  '?form=json&what=starter&find=marked&since=0&from=2&to=3&sku=A-4&region=severn&line=marked-a&q=marked',
];
const BODIES = [
  undefined,
  { what: 'starter', design: 'ID' },
  { title: 'x' },
  LINK,
  { starter: 'ID', book: 'marked-book' },
];

describe('another workspace, with every id of this one', () => {
  it('reads none of it and changes none of it, whatever it asks', async () => {
    const before = await everything();
    let asked = 0;
    for (const [file, load] of Object.entries(routes)) {
      if (file.includes('[token]')) continue;
      const route = await load();
      for (const method of METHODS.filter((each) => each in route)) {
        for (const revision of ['0', '1', '3']) {
          for (const query of QUERIES) {
            for (const body of method === 'GET' ? [undefined] : BODIES) {
              asElsewhere();
              const params = {
                ...ids,
                revision,
                id: file.includes('books/import') ? crypto.randomUUID() : ids.id!,
              };
              const given = body && JSON.parse(JSON.stringify(body).replaceAll('ID', design));
              const answer = await call(route, method, params, { query, body: given });
              asked += 1;
              const what = `${method} ${file}${query} ${JSON.stringify(body)}: ${answer.status}`;
              expect(answer.text, what).not.toMatch(/marked-|0\.7171717|876543/);
              expect(answer.status, what).toBeLessThan(500);
              if (/\[(id|key|link)\]/.test(file)) expect(answer.status, what).toBeGreaterThanOrEqual(400);
            }
          }
        }
      }
    }
    expect(asked).toBeGreaterThan(300);
    expect(await everything()).toBe(before);
  });
});

describe('another site, and a foreign name', () => {
  it('are refused by every route and method, before anything is read', async () => {
    const before = await everything();
    let asked = 0;
    for (const [file, load] of Object.entries(routes)) {
      const route = await load();
      for (const method of METHODS.filter((each) => each in route)) {
        const params = { ...ids, token: 'x'.repeat(32) };
        const query = '?form=json&what=starter&find=marked&since=0';
        const ask = async (headers: Record<string, string>) => {
          const answer = await call(route, method, params, { query, headers });
          expect(answer.text, `${method} ${file}`).not.toContain('marked-');
          asked += 1;
          return answer.status;
        };
        expect(await ask({ 'sec-fetch-site': 'cross-site' }), `${method} ${file}`).toBe(403);
        expect(await ask({ host: 'evil.example' }), `${method} ${file}`).toBe(421);
        if (method !== 'GET') {
          const origin = { origin: 'http://evil.example', 'sec-fetch-site': 'same-site' };
          expect(await ask(origin), `${method} ${file}`).toBe(403);
        }
      }
    }
    expect(asked).toBeGreaterThan(70);
    expect(await everything()).toBe(before);
  });
});

async function textOf(form: ReportForm, bytes: ArrayBuffer): Promise<string> {
  if (form === 'pdf') {
    const read = spawnSync('pdftotext', ['-', '-'], { input: Buffer.from(bytes), encoding: 'utf8' });
    if (read.status !== 0) throw new Error(`pdftotext: ${read.stderr}`);
    return read.stdout;
  }
  if (form !== 'xlsx') return new TextDecoder().decode(bytes);
  const book = new ExcelJs.Workbook();
  await book.xlsx.load(bytes);
  return book.worksheets.map((sheet) => `${sheet.name} ${JSON.stringify(sheet.getSheetValues())}`).join('\n');
}

async function read(options: object, form: ReportForm): Promise<string> {
  const body = { ...LINK, options: { ...LINK.options, ...options } };
  const made = (await call(linksRoute, 'POST', { id: design }, { body })).json<{ made: { path: string } }>()
    .made;
  const token = made.path.split('/').at(-1)!;
  asElsewhere();
  const request = new Request(`http://here/x?form=${form}`, { headers: { host: 'localhost' } });
  const answer = await (sharedReportRoute as { GET: Route }).GET(request, {
    params: Promise.resolve({ token }),
  });
  expect(answer.status).toBe(200);
  const traces = await Promise.all(
    ['marked-a', 'marked-b'].map((line) =>
      call(sharedTraceRoute, 'GET', { token }, { query: `?line=${line}` }),
    ),
  );
  asHere();
  const traced = traces.map(({ text }) => text).join('\n');
  return `${await textOf(form, await answer.arrayBuffer())}\n${traced}`.replace(/[\u00a0\u202f ]/g, '');
}

describe.each(REPORT_FORMS)('a link as %s', (form) => {
  it('of a full report holds the lines, and nothing that was negotiated', async () => {
    const text = await read({}, form);
    expect(text).toContain('marked-line-2');
    for (const secret of [AGREEMENT, 'marked-id']) expect(text).not.toContain(secret);
  });

  it('of a full report with agreements holds them', async () => {
    expect(await read({ withAgreements: true }, form)).toContain(AGREEMENT);
  });

  it('of a quotation holds the lines, and no agreement, margin, reason or budget', async () => {
    const text = await read({ variant: 'quotation', withAgreements: true }, form);
    expect(text).toContain('marked-line-2');
    for (const secret of [AGREEMENT, 'marked-id', REASON, BUDGET, '876543', '0.17', '17%']) {
      expect(text).not.toContain(secret);
    }
  });
});
