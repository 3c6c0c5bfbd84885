/**
 * Every verb once as a person starts it: a process of its own, of the program that ships. It prints what the same words
 * give in the process of the tests, where all the other cases of the command line are tried.
 */
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { COMMANDS } from '@/cli/commands';
import { planJson, server } from '@tests/support/plans';
import { type Ended, runWick } from '@tests/support/run-wick';
import { ensureProgram } from '../../scripts/bundle-cli.mjs';
import { DEMO_FILES, demoFiles } from '@tests/support/demo-files';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = DEMO_FILES;
const at = (name: string): string => path.join(folder, name);
const DESIGN = 'docs/formats/design.example.json';
const BOOK = 'docs/formats/price-book.example.json';
const BOOKS = ['--books', at('books')];
let program = '';

/** What each verb is called with; the first word of all is the verb itself. */
const CALLS: Readonly<Record<string, readonly string[]>> = {
  price: [DESIGN, '--books', BOOK],
  check: [DESIGN, '--books', BOOK],
  diff: [DESIGN, DESIGN, '--books', BOOK],
  compare: [DESIGN, '--books', BOOK, '--axis', 'sizes', '--line', 'Web servers'],
  rates: ['--books', BOOK],
  pay: [DESIGN, '--books', BOOK],
  load: [DESIGN, '--books', BOOK, '--points', '5'],
  range: [DESIGN, '--books', BOOK, '--draws', '200', '--json'],
  fleet: [at('fleets/harbour-house.csv'), ...BOOKS, '--at', 'norvane/nv-severn'],
  'own-or-rent': ['docs/formats/study.example.json', '--draws', '200'],
  review: [at('plan.json'), ...BOOKS, '--format', 'junit'],
  report: [DESIGN, '--books', BOOK, '--as', 'md', '--out', at('report.md')],
  'books check': [BOOK],
  'books diff': [BOOK, BOOK],
  'books search': ['--kind', 'server', '--books', BOOK],
  'books import': [BOOK],
  'books from-bill': [at('bill.csv'), '--books', BOOK],
  'books from-list': [at('nowhere.csv'), '--map', at('nowhere.yaml')],
  'bills import': [at('bill.csv')],
  'bills show': [at('bill.csv')],
  'bills variance': [at('bill.csv'), '--design', DESIGN, '--books', BOOK],
  'bills project': [at('bill.csv'), '--json'],
  'bills draft': [at('bill.csv'), '--design', DESIGN, '--books', BOOK],
  'bills expect': [DESIGN, '--books', BOOK, '--from', '2026-11-01', '--to', '2026-12-01'],
  'demo-files': [at('demo')],
};

function start(args: readonly string[]): Promise<Ended> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [program, ...args], { env: { ...process.env, DATABASE_URL: '' } });
    const [out, err]: [Buffer[], Buffer[]] = [[], []];
    child.stdout.on('data', (part: Buffer) => out.push(part));
    child.stderr.on('data', (part: Buffer) => err.push(part));
    child.on('close', (status) =>
      resolve({
        status: status ?? -1,
        stdout: Buffer.concat(out).toString('utf8'),
        stderr: Buffer.concat(err).toString('utf8'),
      }),
    );
  });
}

beforeAll(async () => {
  program = path.resolve(await ensureProgram('wick'));
  await demoFiles();
  const plan = planJson([
    { address: 'norvane_server.web', before: server('bal-4-16'), after: server('bal-8-32') },
  ]);
  fs.writeFileSync(at('plan.json'), JSON.stringify(plan));
  const wanted = ['--from', '2026-11-01', '--to', '2026-12-01', '--out', at('bill.csv')];
  await runWick(['bills', 'expect', DESIGN, '--books', BOOK, ...wanted]);
});

describe('a verb that is started as a process', () => {
  it('is one of those that are tried here', () => {
    expect(Object.keys(CALLS).sort()).toEqual(COMMANDS.map(({ name }) => name).sort());
  });

  it.each(COMMANDS.map(({ name }) => name))(
    '%s prints what it prints in process, and ends alike',
    async (name) => {
      const args = [...name.split(' '), ...CALLS[name]!];
      const [started, inProcess] = await Promise.all([start(args), runWick(args)]);
      expect(started).toEqual(inProcess);
      expect(started.stdout + started.stderr).not.toBe('');
    },
  );
});
