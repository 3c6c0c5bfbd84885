/** `wick compare` as one runs it, on the demo's files. */
import fs from 'node:fs';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { createAlternator } from '@/features/compare/calc/alternatives';
import type { AxisAnswer } from '@/features/compare/calc/axes';
import type { Comparison } from '@/features/compare/calc/comparison';
import { indexBook } from '@/engine/books';
import { bookSet, type BookSet } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import type { Design } from '@/engine/design';
import { type PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { readDesign } from '@/features/design/format/design';
import { toBookData } from '@/features/price-books/format/price-book';
import { runWick } from '@tests/support/run-wick';
import { DEMO_FILES, demoFiles } from '@tests/support/demo-files';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const folder = DEMO_FILES;
const books = path.join(folder, 'books');
const designs = path.join(folder, 'designs');
let booking = '';
let design: Design;
let all: BookSet;

function wick(...args: string[]) {
  return runWick([...args]);
}
const compare = (...args: string[]) => wick('compare', booking, '--books', books, ...args);

beforeAll(async () => {
  await demoFiles();
  booking = path.join(
    designs,
    fs.readdirSync(designs).find((name) => name.includes('booking'))!,
  );
  const read = readDesign(fs.readFileSync(booking, 'utf8'));
  if (!read.ok) throw new Error('the demo design is faulty');
  design = read.value;
  const files = fs.readdirSync(books).map((name) => fs.readFileSync(path.join(books, name), 'utf8'));
  all = bookSet(files.map((text) => indexBook(toBookData(JSON.parse(text) as PriceBookFile))));
});

describe('wick compare', () => {
  it('says of each alternative what a design of its own costs', async () => {
    const { stdout, status } = await compare('--json');
    // One line of the design has no amount.
    expect(status).toBe(3);
    const { columns } = JSON.parse(stdout) as Comparison;
    expect(columns.map(({ name }) => name)).toEqual([
      'The design',
      ...design.alternatives!.map(({ name }) => name),
    ]);
    for (const [at, alternative] of design.alternatives!.entries()) {
      const made = createAlternator(all).apply(design, alternative);
      expect(columns[at + 1]!.printed).toBe(summarise(made.design, all).printed);
    }
  });

  it('has rows that add up in CSV, and the same amounts as text and Markdown', async () => {
    const rows = (await compare('--format', 'csv')).stdout.trim().split('\r\n').map(cells);
    const [head] = rows;
    const text = (await compare('--alternatives', 'osmere')).stdout;
    const markdown = (await compare('--format', 'markdown')).stdout.replaceAll('\u00a0', ' ');
    for (const name of ['The design', ...design.alternatives!.map((each) => each.name)]) {
      const at = head!.indexOf(name);
      const amounts = rows.filter(([level]) => level === 'line').map((row) => Number(row[at]) || 0);
      const total = rows.find((row) => row[1] === 'A month')![at]!;
      expect(amounts.reduce((sum, each) => sum + each, 0)).toBeCloseTo(Number(total), 6);
      const written = total.replace(/\B(?=(\d{3})+\.)/g, ' ');
      expect(text.includes(written)).toBe(name === 'The design' || name === 'All at Osmere');
      expect(markdown).toContain(`**${written}**`);
    }
  });

  it('says what differs, what does not follow, and what was held equal', async () => {
    const { stdout } = await compare('--alternatives', 'All at Osmere');
    expect(stdout).toContain('Everything to Osmere, each line in the nearest region');
    expect(stdout).toContain('Load generator: Osmere, Plata has nothing of the kind server that would do');
    expect(stdout).toContain('Held equal on every side');
  });

  it('puts the same beside the design in its report', async () => {
    const out = path.join(folder, 'report.md');
    const report = (beside: string) =>
      wick('report', booking, '--books', books, '--as', 'md', '--out', out, '--beside', beside);
    expect((await report('alternatives,regions')).status).toBe(3);
    const written = fs.readFileSync(out, 'utf8').replaceAll('\u00a0', ' ');
    const [head, , ...rows] = (await compare('--format', 'markdown')).stdout
      .replaceAll('\u00a0', ' ')
      .split('\n')
      .filter((line) => line.startsWith('|'));
    for (const row of [head!, ...rows]) expect(written).toContain(row);
    expect(written).toContain(': every region for the design');
    expect(await report('colours')).toMatchObject({ status: 2 });
    expect((await report('colours')).stderr).toContain(
      '--beside some of alternatives, regions, providers, paying',
    );
  });

  it('prices a whole axis and ranks it', async () => {
    const { stdout } = await compare('--axis', 'regions', '--line', 'API servers', '--json');
    const { rows, axis } = JSON.parse(stdout) as AxisAnswer;
    expect(axis).toBe('regions');
    expect(rows).toHaveLength(31);
    const amounts = rows.filter((row) => row.missing.length === 0).map(({ monthly }) => Number(monthly));
    expect(amounts.length).toBeGreaterThan(20);
    expect(amounts).toEqual([...amounts].sort((a, b) => a - b));
    expect((await compare('--axis', 'sizes', '--line', 'API servers')).stdout).toContain('(chosen)');
    expect((await compare('--axis', 'paying', '--section', 'Data')).stdout).toContain(
      '36 months, all upfront',
    );
    expect((await compare('--axis', 'forms', '--line', 'Tickets and invoices')).stdout).toContain(
      'grade archive',
    );
    expect((await compare('--axis', 'providers')).stdout).toContain('Haldreach');
  });

  it.each([
    [['--axis', 'colours'], 2, /takes one of regions, providers, sizes, paying, forms/],
    [['--axis', 'sizes'], 2, /say which with --line/],
    [['--axis', 'regions', '--line', 'nobody'], 2, /no line “nobody”/],
    [['--axis', 'regions', '--section', 'nobody'], 2, /no section “nobody”/],
    [['--axis', 'regions', '--by', 'kind'], 2, /--by does not go with --axis/],
    [['--line', 'API servers'], 2, /--line goes with --axis/],
    [['--by', 'colour'], 2, /takes one of section, category, kind/],
    [['--alternatives', 'nobody'], 2, /there are: “All at Osmere”/],
  ] as const)('%j is refused in one sentence', async (args, code, message) => {
    const result = await compare(...args);
    expect(result.stderr).toMatch(message);
    expect(result.status).toBe(code);
  });
});

/** Cells of a CSV row; names of the demo have no quotation marks. */
function cells(row: string): string[] {
  return [...row.matchAll(/("([^"]*)"|[^,]*)(,|$)/g)].map(([, whole = '', quoted]) => quoted ?? whole);
}
