/** `wick fleet … --plan`: the groups of a plan under its placements, side by side. */
import { matrixTable, toldMatrix } from '@/features/fleet/words';
import {
  fleetLooksAt,
  groupMachines,
  isComplete,
  matrixOf,
  Placer,
  readinessUnder,
} from '@/features/fleet/calc';
import type { PriceBook } from '@/engine/books';
import { readFleetPlan } from '@/features/fleet/format/plan-schema';
import type { ReadInventory } from '@/features/fleet/format/read-inventory';
import { invalid } from '@/platform/use/app-error';
import { newestBook, readText } from './files';
import type { Call } from './options';
import { readingLines } from './reading-lines';
import { writeTable } from './table-output';

const INCOMPLETE = 3;

/** 0 if every row was read and everything has an amount; 3 if not. */
export async function matrixCommand(call: Call, file: string, read: ReadInventory): Promise<number> {
  const plan = planOf(file);
  const keys = [...new Set(fleetLooksAt(plan).map(({ place }) => place!.book))];
  const found = await Promise.all(keys.map((key) => newestBook(call.all('books'), key)));
  const missing = keys.filter((_, at) => !found[at]);
  if (missing.length > 0)
    throw invalid(
      `The plan places machines by ${missing.join(', ')}, and there is no such book among --books.`,
    );
  const books = found.filter((book): book is PriceBook => book !== undefined && book !== null);
  const { currency, exchange, systems, licences = {} } = plan;
  const placer = new Placer({ currency, exchange, books, systems, licences });
  const groups = groupMachines(plan, read.fleet.machines, readinessUnder(plan, placer));
  const work = matrixOf(placer, groups, plan.placements);
  let step = work.next();
  while (!step.done) step = work.next();
  const { cells, union } = step.value;
  const all = [...cells, ...union];
  const told = toldMatrix(step.value, groups, plan, read.fleet.machines.length);
  const pinned = { ...plan, books: books.map(({ key, revision }) => ({ book: key, revision })) };
  const bookOf = (key: string): PriceBook | undefined => books.find((book) => book.key === key);
  const table = matrixTable(told, pinned, {
    book: (key) => bookOf(key)?.title ?? key,
    region: (key, code) => bookOf(key)?.region(code)?.name ?? code,
  });
  const lines = readingLines(read);
  const notes = [...table.notes, { title: 'How the inventory was read', lines }];
  await writeTable(call, { ...table, notes }, { ...told, rejected: read.rejected, notes: read.notes });
  return read.rejected.length > 0 || !all.every(({ cell }) => isComplete(cell)) ? INCOMPLETE : 0;
}

function planOf(file: string) {
  let data: unknown;
  try {
    data = JSON.parse(readText(file));
  } catch (error) {
    if (error instanceof SyntaxError) throw invalid(`“${file}” is no JSON.`);
    throw error;
  }
  const read = readFleetPlan(data);
  if (!read.ok) throw invalid(`“${file}” is no plan of a fleet: ${read.message}`);
  if (read.value.placements.length === 0) throw invalid(`“${file}” has no placement.`);
  return read.value;
}
