/** A stored fleet as it leaves the house: its groups under its placements, and machine by machine what each becomes. */
import { type FlatTable, type TableReport } from '@/platform/tables';
import {
  type FleetPlaceNames,
  fleetReport,
  matrixTable,
  needText,
  toldMatrix,
  unfitText,
} from '@/features/fleet/words';
import type { Design } from '@/engine/design';
import {
  cellOf,
  type FleetPlacement,
  type FleetPlan,
  fleetLooksAt,
  groupMachines,
  type LaidMachine,
  type Machine,
  machineAmounts,
  matrixOf,
  type MatrixStep,
  Placer,
  readinessUnder,
} from '@/features/fleet/calc';
import { fleetMachines, openFleet } from './fleets';
import type { JobProgress } from '@/platform/use/job-ports';
import { GrowingBooks } from '@/features/price-books/use/load-books';
import { invalid } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

const PAGE = 10_000;

/** A machine under a placement. */
export interface SheetPlaced {
  readonly needs: string;
  readonly becomes: string;
  /** As printed; null: it does not fit. */
  readonly byRule: string | null;
  readonly installed: string | null;
  readonly why: string;
}

export interface PlacedFleetFile {
  readonly plan: FleetPlan;
  readonly table: FlatTable;
  readonly report: TableReport;
  /** The same as data. */
  readonly data: unknown;
  readonly machines: readonly Machine[];
  readonly placements: readonly {
    readonly name: string;
    readonly where: string;
    /** Of the book: its revision and day. */
    readonly prices: string;
    readonly of: ReadonlyMap<string, SheetPlaced>;
  }[];
}

/** The same core and so the same amounts as on screen. Machine by machine only where `eachMachine` asks for it. */
export async function readPlacedFleet(
  context: Context,
  id: string,
  tell: (progress: JobProgress) => void,
  eachMachine = true,
): Promise<PlacedFleetFile> {
  allow(context.actor, 'readPlacedFleet');
  const { plan, machines: count } = await openFleet(context, id);
  if (plan.placements.length === 0) throw invalid('This fleet has no placement yet. Make one first.');
  const steps = 3 + (eachMachine ? plan.placements.length : 0);
  tell({ done: 0, steps, words: 'Reading the machines' });
  const machines: Machine[] = [];
  for (let after = 0; after < count; after += PAGE)
    machines.push(...(await fleetMachines(context, id, after, PAGE)));
  const { placer, books } = await placerFor(context, plan);
  const names = {
    book: (key: string) => placer.bookOf(key)?.title ?? key,
    region: (key: string, code: string) => placer.bookOf(key)?.region(code)?.name ?? code,
  };
  const told = toldOf(placer, { ...plan, books }, machines, names, (share) =>
    tell({ done: 1, steps, words: `Placing the groups, ${share} %` }),
  );
  const placements = (eachMachine ? plan.placements : []).map((placement, at) => {
    tell({ done: 2 + at, steps, words: `Placing every machine: ${placement.name}` });
    return placedSheet(placer, plan, machines, placement, names);
  });
  tell({ done: steps - 1, steps, words: 'Writing it down' });
  return { plan, ...told, machines, placements };
}

/** By itself, so that the layouts of all cells are let go of before every machine is placed. */
function toldOf(
  placer: Placer,
  plan: FleetPlan,
  machines: readonly Machine[],
  names: FleetPlaceNames,
  tell: (share: number) => void,
): Pick<PlacedFleetFile, 'table' | 'report' | 'data'> {
  const readinessOf = readinessUnder(plan, placer);
  const groups = groupMachines(plan, machines, readinessOf);
  const matrix = followed(matrixOf(placer, groups, plan.placements), tell);
  const data = toldMatrix(matrix, groups, plan, machines.length);
  const { books } = placer.world;
  return {
    data,
    table: matrixTable(data, plan, names),
    report: fleetReport({ plan, machines, groups, matrix, readinessOf, books, names }),
  };
}

/** To the end, told in tenths of a hundred. */
function followed<T>(work: Generator<MatrixStep, T>, tell: (share: number) => void): T {
  let told = -1;
  let step = work.next();
  while (!step.done) {
    const share = Math.floor((step.value.done / step.value.steps) * 10) * 10;
    if (share > told) tell((told = share));
    step = work.next();
  }
  return step.value;
}

function placedSheet(
  placer: Placer,
  plan: FleetPlan,
  machines: readonly Machine[],
  placement: FleetPlacement,
  names: FleetPlaceNames,
): PlacedFleetFile['placements'][number] {
  const part = { id: 'all', name: plan.title, machines };
  const cell = run(cellOf(placer, [part], placement));
  const there = { ...placement, places: [cell.place] };
  const as =
    placement.rule.by === 'installed'
      ? cell
      : run(cellOf(placer, [part], { ...there, rule: { by: 'installed' } }));
  const installed = new Map(
    machineAmounts(as, plan.currency).map(({ laid, printed }) => [
      laid.machine.id,
      printed?.toString() ?? null,
    ]),
  );
  const book = placer.bookOf(cell.place.book)!;
  return {
    name: placement.name,
    where: `${names.book(cell.place.book)}, ${names.region(cell.place.book, cell.place.region)}`,
    prices: `${book.title}, revision ${book.revision} of ${book.effective}`,
    of: new Map(
      machineAmounts(cell, plan.currency).map(({ laid, printed }) => [
        laid.machine.id,
        sheetPlaced(laid, printed?.toString() ?? null, installed.get(laid.machine.id) ?? null),
      ]),
    ),
  };
}

function sheetPlaced(laid: LaidMachine, byRule: string | null, installed: string | null): SheetPlaced {
  return {
    needs: needText(laid.need),
    becomes: laid.offer?.name ?? '',
    byRule,
    installed,
    why: laid.unfit ? unfitText(laid.unfit) : '',
  };
}

/** The books that its placements go by. */
export async function placerFor(
  context: Context,
  plan: FleetPlan,
): Promise<{ readonly placer: Placer; readonly books: FleetPlan['books'] }> {
  const wanted = fleetLooksAt(plan);
  const used = new Set(wanted.map(({ place }) => place!.book));
  const pins = plan.books.filter(({ book }) => used.has(book));
  const { title, currency, exchange, systems, licences = {} } = plan;
  const design: Design = {
    title,
    description: '',
    currency,
    assumptions: { month: { hours: 'book' }, countAllowances: true, exchange },
    books: pins,
    sections: [],
  };
  const books = new GrowingBooks(context.books, context.actor.workspace);
  await books.booksFor(design, wanted);
  const found = pins.flatMap(({ book, revision }) => books.get(book, revision) ?? []);
  return { placer: new Placer({ currency, exchange, books: found, systems, licences }), books: pins };
}

function run<T>(work: Generator<unknown, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
