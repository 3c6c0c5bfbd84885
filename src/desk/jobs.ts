/**
 * What is too heavy for the thread that answers requests: pricing on the server, reports, and writing them down. Every
 * job takes plain data and gives plain data, so that it can be done in a thread of its own or right here.
 */
import type { FlatTable } from '@/platform/tables';
import type { ReportForm } from '@/features/report/calc';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { writeStudy } from '@/features/own-or-rent/format/study-schema';
import { type Actor } from '@/platform/use/actor';
import { AppError } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';
import { explainedLines, linkedTrace, openLink, openLinkByHash } from '@/features/report/use/links';
import { fileStem } from '@/features/design/use/designs';
import {
  type JobProgress,
  type FleetForm,
  type StudyForm,
  type TableForm,
  type WrittenFile,
} from '@/platform/use/job-ports';
import { openReview, sumUpReview, workedReview } from '@/features/review/use/reviews';
import { openStudyLink, openStudyLinkByHash } from '@/features/own-or-rent/use/study-links';
import { priceHere } from '@/features/design/use/price-design';
import { type ReadComparison, readComparison } from '@/features/compare/use/compare-design';
import { readPlacedFleet, type PlacedFleetFile } from '@/features/fleet/use/fleet-file';
import { type ReadReport, readReport } from '@/features/report/use/report';
import { readStudyReport, type StudyFile } from '@/features/own-or-rent/use/study-file';
import { viewBill } from '@/features/bills/use/bill-view';
import { teamLimits } from '@/features/review/use/team-files';
import type { Desk, JobName, Jobs } from './protocol';

/** Lines of a printed report: its pages are laid out one after the other, which takes a second for every hundred. */
interface MostPrinted {
  readonly team: number;
  readonly stranger: number;
}

const MOST_PRINTED: MostPrinted = { team: 3000, stranger: 1000 };

type Outside = Omit<Context, 'actor'>;

type Tell = (progress: JobProgress) => void;

export type Workers = {
  readonly [N in JobName]: (given: Jobs[N]['given'], tell?: Tell) => Promise<Jobs[N]['answer']>;
};

const nobody: Tell = () => undefined;

export function workersOn(outside: Outside, most: MostPrinted = MOST_PRINTED): Workers {
  const written = async (form: ReportForm, read: () => Promise<ReadReport>, lines: number, tell: Tell) => {
    tell({ done: 0, steps: 2, words: 'Pricing the design' });
    const found = await read();
    tell({ done: 1, steps: 2, words: `Writing the ${FORM_WORDS[form]}` });
    return writeDown(form, found, outside.now(), lines);
  };
  const studyWritten = async (form: StudyForm, read: () => Promise<StudyFile>, tell: Tell) => {
    tell({ done: 0, steps: 2, words: 'Working the study out' });
    const found = await read();
    tell({ done: 1, steps: 2, words: `Writing the ${FORM_WORDS[form]}` });
    return writeStudyFile(form, found, outside.now());
  };
  const inside = (actor: Actor): Context => ({ ...outside, actor });
  return {
    summary: ({ workspace, design }) => priceHere(outside.books, workspace, design),
    'review-summary': async ({ workspace, review }) => {
      const context = inside({ user: 'reviews', workspace, role: 'pipeline' });
      const stored = await context.reviews.find(workspace, review);
      return stored && sumUpReview(context, stored);
    },
    'review-file': async ({ actor, id, form }) => {
      const context = inside(actor);
      const stored = await openReview(context, id);
      const { writeReview } = await import('./review-file');
      return writeReview(form, stored, await teamLimits(context), await workedReview(context, stored));
    },
    'bill-file': async ({ actor, id, form, basis }) => {
      const { writeBill } = await import('./bill-file');
      return writeBill(form, await viewBill(inside(actor), id, basis), outside.now());
    },
    report: async ({ actor, id, options }) => {
      const { report, stored } = await readReport(inside(actor), id, options);
      return { report, title: stored.design.title, revision: stored.revision };
    },
    'report-file': ({ actor, id, options, form }, tell = nobody) =>
      written(form, () => readReport(inside(actor), id, options), most.team, tell),
    'comparison-file': async ({ actor, id, asked, form }, tell = nobody) => {
      tell({ done: 0, steps: 2, words: 'Pricing what is compared' });
      const read = await readComparison(inside(actor), id, asked);
      tell({ done: 1, steps: 2, words: 'Writing the table' });
      return writeTable(form, read, outside.now());
    },
    'fleet-file': async ({ actor, id, form }, tell = nobody) => {
      const read = await readPlacedFleet(inside(actor), id, tell, form === 'xlsx');
      return writeFleet(form, read, outside.now());
    },
    'study-file': ({ actor, id, form }, tell = nobody) =>
      studyWritten(form, () => readStudyReport(inside(actor), id), tell),
    linked: async ({ token }) => {
      const linked = await openLink(outside, token);
      return {
        report: linked.report,
        revision: linked.stored.revision,
        isPinned: linked.link.pinned !== null,
        explained: [...explainedLines(linked)],
      };
    },
    'linked-file': ({ tokenHash, form }, tell = nobody) =>
      written(form, () => openLinkByHash(outside, tokenHash), most.stranger, tell),
    'linked-study': async ({ token }) => {
      const { report, revision, isPinned } = await openStudyLink(outside, token);
      return { report, revision, isPinned };
    },
    'linked-study-file': ({ tokenHash, form }, tell = nobody) =>
      studyWritten(form, () => openStudyLinkByHash(outside, tokenHash), tell),
    'linked-trace': ({ token, line }) => linkedTrace(outside, token, line),
  };
}

/** Does everything right here: for tests, and where nobody else would have to wait. */
export function inlineDesk(outside: Outside): Desk {
  const workers = workersOn(outside);
  return {
    ask: (name, given, asking) =>
      (workers[name] as (given: unknown, tell?: Tell) => Promise<never>)(given, asking?.tell),
  };
}

const FORM_WORDS: Readonly<Record<ReportForm, string>> = {
  xlsx: 'sheets',
  pdf: 'PDF',
  md: 'Markdown',
  json: 'JSON',
};

async function writeDown(form: ReportForm, read: ReadReport, at: Date, most: number): Promise<WrittenFile> {
  const { report } = read;
  const lines = report.sections.reduce((sum, section) => sum + section.lines.length, 0);
  if (form === 'pdf' && lines > most) {
    const message = `A PDF has at most ${most} lines here, and this report has ${lines}. Take the XLSX or the Markdown, or print the page.`;
    throw new AppError('too-large', message);
  }
  // The writers and their libraries are loaded by who writes, not by who only reads.
  const { handOver } = await import('@/features/report/file/hand-over');
  const { type, bytes } = await handOver(form, read, at);
  return { type, bytes, name: `${fileStem(report.title)}-${report.variant}.${form}` };
}

const TABLE_TYPES: Readonly<Record<TableForm, string>> = {
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  csv: 'text/csv; charset=utf-8',
  md: 'text/markdown; charset=utf-8',
  json: 'application/json',
};

async function writeTable(form: TableForm, { table, data }: ReadComparison, at: Date): Promise<WrittenFile> {
  const bytes = new Uint8Array(await tableBytes(form, table, data, at));
  return { type: TABLE_TYPES[form], bytes, name: `${fileStem(table.title)}.${form}` };
}

async function writeFleet(form: FleetForm, read: PlacedFleetFile, at: Date): Promise<WrittenFile> {
  const [{ fleetMarkdown }, { fleetPdf }, { fleetSheet }] = await Promise.all([
    import('@/features/fleet/file/fleet-markdown'),
    import('@/features/fleet/file/fleet-pdf'),
    import('@/features/fleet/file/sheet-fleet'),
  ]);
  const name = (as: string): string => `${fileStem(read.table.title)}.${as}`;
  switch (form) {
    case 'xlsx':
      return { type: TABLE_TYPES.xlsx, bytes: new Uint8Array(await fleetSheet(read, at)), name: name(form) };
    case 'pdf':
      return {
        type: 'application/pdf',
        bytes: new Uint8Array(await fleetPdf(read.report, at)),
        name: name(form),
      };
    case 'md':
      return {
        type: TABLE_TYPES.md,
        bytes: new TextEncoder().encode(fleetMarkdown(read.report)),
        name: name(form),
      };
    default:
      return writeTable(form, read, at);
  }
}

async function writeStudyFile(form: StudyForm, read: StudyFile, at: Date): Promise<WrittenFile> {
  const [{ studyMarkdown }, { studyPdf }, { studySheet }] = await Promise.all([
    import('@/features/own-or-rent/file/study-markdown'),
    import('@/features/own-or-rent/file/study-pdf'),
    import('@/features/own-or-rent/file/sheet-study'),
  ]);
  const text = (written: string): Uint8Array<ArrayBuffer> =>
    new Uint8Array(new TextEncoder().encode(written));
  const name = `${fileStem(read.report.title)}.${form}`;
  switch (form) {
    case 'xlsx':
      return { type: TABLE_TYPES.xlsx, bytes: new Uint8Array(await studySheet(read, at)), name };
    case 'pdf':
      return { type: 'application/pdf', bytes: new Uint8Array(await studyPdf(read.report, at)), name };
    case 'md':
      return { type: TABLE_TYPES.md, bytes: text(studyMarkdown(read.report)), name };
    case 'json':
      return {
        type: TABLE_TYPES.json,
        bytes: text(`${JSON.stringify(writeStudy(read.study), null, 2)}\n`),
        name,
      };
  }
}

async function tableBytes(form: TableForm, table: FlatTable, data: unknown, at: Date): Promise<Uint8Array> {
  const text = (written: string): Uint8Array => new TextEncoder().encode(written);
  switch (form) {
    case 'csv':
      return text(flatTableCsv(table));
    case 'json':
      return text(`${JSON.stringify(data, null, 2)}\n`);
    case 'md':
      return text((await import('@/platform/files/flat-table-markdown')).flatTableMarkdown(table));
    case 'xlsx':
      return (await import('@/platform/files/sheet-flat-table')).flatTableSheet(table, at);
  }
}
