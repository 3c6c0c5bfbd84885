/** `wick fleet`: what the machines of an inventory would become at a place, as installed and by a rule. */
import fs from 'node:fs';
import { parseDecimal } from '@/engine/base';
import { fleetTable } from '@/features/fleet/words';
import { FleetMatcher, placeFleet, type SizingRule } from '@/features/fleet/calc';
import type { Term } from '@/engine/terms';
import { FIELDS, type Field } from '@/features/fleet/format/columns';
import { fileOfBytes, InventoryError } from '@/features/fleet/format/inventory-file';
import { type Mapping, type ReadInventory, readInventory } from '@/features/fleet/format/read-inventory';
import { AppError, invalid } from '@/platform/use/app-error';
import { newestBook } from './files';
import { matrixCommand } from './matrix-command';
import { readingLines } from './reading-lines';
import type { Call } from './options';
import { writeTable } from './table-output';
import { terminal } from './terminal';

const TERMS: readonly Term[] = ['on-demand', '12-none', '36-none'];
const INCOMPLETE = 3;

/** 0 if every row was read and every machine has a size; 3 if not. */
export async function fleetCommand(call: Call): Promise<number> {
  const plan = call.one('plan');
  if ((plan === undefined) === (call.one('at') === undefined))
    throw invalid('wick fleet takes --at BOOK/REGION, or --plan with groups and placements.');
  const rule = ruleOf(call);
  const read = await inventoryOf(call.given, { chosen: chosenOf(call.all('column')) });
  if (plan !== undefined) return matrixCommand(call, plan, read);
  const [key = '', region = ''] = (call.one('at') ?? '').split('/');
  const book = await newestBook(call.all('books'), key);
  if (!book)
    throw invalid(
      '--at takes BOOK/REGION, for example norvane/severn-1; there is no such book among --books.',
    );
  if (!book.region(region)) {
    throw invalid(
      `“${book.title}” has no region “${region}”; there are: ${book.regions.map(({ code }) => code).join(', ')}.`,
    );
  }
  const placement = {
    name: `${book.title}, ${book.region(region)!.name}`,
    rule,
    allowed: {},
    terms: TERMS,
    withoutOff: call.has('without-off'),
  };
  const placed = placeFleet(read.fleet, placement, new FleetMatcher(book, region));
  const { rejected, notes, tables } = read;
  const columns = tables.flatMap((table) => table.columns);
  const lines = readingLines(read);
  await writeTable(call, fleetTable(placed, lines), { ...placed, rejected, columns, notes });
  const without = placed.totals.some((total) => total.without > 0);
  return rejected.length > 0 || without ? INCOMPLETE : 0;
}

async function inventoryOf(files: readonly string[], mapping: Mapping): Promise<ReadInventory> {
  try {
    return await readInventory(
      files[0]!,
      files.map((file) => fileOfBytes(file, bytesOf(file))),
      mapping,
    );
  } catch (error) {
    if (error instanceof InventoryError) throw invalid(error.message);
    throw error;
  }
}

function bytesOf(file: string): Uint8Array {
  try {
    return file === '-' ? terminal().input() : fs.readFileSync(file);
  } catch {
    throw new AppError('not-found', `“${file}” cannot be read. Check that it is there.`);
  }
}

function ruleOf(call: Call): SizingRule {
  const share = (option: 'headroom' | 'target', otherwise: number): number => {
    const text = call.one(option);
    if (text === undefined) return otherwise;
    const read = parseDecimal(text.replace(/%$/, ''));
    const value = read.ok ? read.value.toNumber() / 100 : -1;
    const least = option === 'target' ? 0.01 : 0;
    if (value >= least && value <= (option === 'target' ? 1 : 5)) return value;
    throw invalid(`--${option} takes per cent, for example ${option === 'target' ? '60' : '20'}.`);
  };
  const by = call.one('rule') ?? 'installed';
  if (call.one('headroom') !== undefined && by !== 'peak' && by !== 'usual') {
    throw invalid('--headroom goes with --rule peak or --rule usual.');
  }
  if (call.one('target') !== undefined && by !== 'target') throw invalid('--target goes with --rule target.');
  switch (by) {
    case 'installed':
      return { by: 'installed' };
    case 'peak':
      return { by: 'peak', headroom: share('headroom', 0.2) };
    case 'usual':
      return { by: 'usual', headroom: share('headroom', 0.2) };
    case 'target':
      return { by: 'target', cpu: share('target', 0.6), memory: share('target', 0.6) };
    default:
      throw invalid('--rule takes installed, peak, usual or target.');
  }
}

function chosenOf(texts: readonly string[]): Map<string, Field | null> {
  return new Map(
    texts.map((text): [string, Field | null] => {
      const at = text.lastIndexOf('=');
      const field = FIELDS.find((each) => each === text.slice(at + 1));
      if (at < 1 || (!field && text.slice(at + 1) !== 'none')) {
        throw invalid(`--column takes HEADING=FIELD, where FIELD is one of ${FIELDS.join(', ')} or none.`);
      }
      return [text.slice(0, at).trim(), field ?? null];
    }),
  );
}
