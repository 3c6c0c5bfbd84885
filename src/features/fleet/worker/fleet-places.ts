/** What the machines of the open fleet become: under a placement, in the matrix, one of them, on hosts, as a design. */
import { LICENCE_METER } from '@/engine/books';
import type { Design } from '@/engine/design';
import { type TableReport } from '@/platform/tables';
import { fleetReport, hostsTold, ruleText, toldMatrix } from '@/features/fleet/words';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import {
  cellOf,
  fleetLooksAt,
  type FleetCell,
  type FleetPlan,
  type GroupMachines,
  groupMachines,
  type Machine,
  machineAmounts,
  type Matrix,
  matrixOf,
  mayStandAlone,
  onceEach,
  oneByOne,
  Placer,
  type ReadinessCode,
  UNION,
} from '@/features/fleet/calc';
import type { Study } from '@/features/own-or-rent/calc';
import { averageOf, machineUnder, partsOf, type PlacedAll } from './fleet-one';
import type {
  AverageAnswer,
  FleetAnswers,
  HostsAnswer,
  MachineAnswer,
  MatrixAnswer,
  PartsAnswer,
} from './fleet-protocol';
import { studyOfFleet } from './fleet-study-of';
import { driven, type LongWork } from '@/platform/workers/long-work';
import type { LoadedBooks } from '@/features/design/worker/loaded-books';

type ReadinessOf = (machine: Machine) => readonly ReadinessCode[];

interface Worked {
  /** As text. */
  readonly plan: string;
  readonly matrix: Matrix;
  readonly groups: readonly GroupMachines[];
}

export class FleetPlaces {
  private placerOf: { readonly plan: FleetPlan; readonly placer: Placer } | null = null;
  private readonly placed = new Map<string, { readonly placer: Placer; readonly all: PlacedAll }>();
  private last: Worked | null = null;

  constructor(
    private readonly machines: readonly Machine[],
    private readonly books: LoadedBooks,
  ) {}

  /** With everything loaded that its placements may take; the same while only groups and names change. */
  async placer(plan: FleetPlan): Promise<Placer> {
    const wanted = fleetLooksAt(plan);
    const places = wanted.flatMap(({ place }) => place ?? []);
    const pins = plan.books.filter(({ book }) => places.some((place) => place.book === book));
    const design = { ...emptyDesign(plan), books: pins };
    await this.books.booksFor(design, wanted);
    const books = pins.flatMap(({ book, revision }) => this.books.get(book, revision) ?? []);
    const known = this.placerOf;
    if (
      known &&
      isSamePricing(known.plan, plan) &&
      books.every((book, at) => known.placer.world.books[at] === book) &&
      books.length === known.placer.world.books.length
    )
      return known.placer;
    const { currency, exchange, systems, licences = {} } = plan;
    const placer = new Placer({ currency, exchange, books, systems, licences });
    this.placerOf = { plan, placer };
    return placer;
  }

  /** All machines under a placement, each with its own part. */
  async all(plan: FleetPlan, id: string, work: LongWork): Promise<PlacedAll | null> {
    const placement = plan.placements.find((each) => each.id === id);
    if (!placement) return null;
    const placer = await this.placer(plan);
    const key = JSON.stringify({ ...placement, name: '' });
    const known = this.placed.get(key);
    if (known?.placer === placer) return known.all;
    const part = { id: 'all', name: plan.title, machines: this.machines };
    const steps = this.machines.length * placement.places.length;
    const cell = await driven(cellOf(placer, [part], placement), work, (done) => [
      done,
      steps,
      'Placing machines',
    ]);
    const of = new Map(
      machineAmounts(cell, plan.currency).map(({ laid, printed }) => [
        laid.machine.id,
        { offer: laid.offer?.name ?? null, printed, unfit: laid.unfit },
      ]),
    );
    const all = { currency: plan.currency, cell, of };
    if (this.placed.size > 6) this.placed.clear();
    this.placed.set(key, { placer, all });
    return all;
  }

  /** Licences that are sold with servers at any of the places. */
  async products(plan: FleetPlan): Promise<string[]> {
    if (plan.placements.length === 0) return [];
    const { world } = await this.placer(plan);
    const found = new Set<string>();
    for (const { book, region } of plan.placements.flatMap(({ places }) => places)) {
      const own = world.books.find(({ key }) => key === book);
      for (const { sku } of own?.soldIn(region, 'server') ?? [])
        for (const { meter } of own!.ratesOf(sku, region)) {
          const product = LICENCE_METER.exec(meter)?.[1];
          if (product) found.add(product);
        }
    }
    return [...found].sort();
  }

  async matrix(plan: FleetPlan, readinessOf: ReadinessOf, work: LongWork): Promise<MatrixAnswer> {
    const { matrix, groups } = await this.worked(plan, readinessOf, work);
    return toldMatrix(matrix, groups, plan, this.machines.length);
  }

  async report(plan: FleetPlan, readinessOf: ReadinessOf, work: LongWork): Promise<TableReport> {
    const { matrix, groups } = await this.worked(plan, readinessOf, work);
    const { world } = await this.placer(plan);
    const bookOf = (key: string) => world.books.find((book) => book.key === key);
    const names = {
      book: (key: string) => bookOf(key)?.title ?? key,
      region: (key: string, code: string) => bookOf(key)?.region(code)?.name ?? code,
    };
    const { machines } = this;
    return fleetReport({ plan, machines, groups, matrix, readinessOf, books: world.books, names });
  }

  async study(plan: FleetPlan, readinessOf: ReadinessOf, start: string, work: LongWork): Promise<Study> {
    return studyOfFleet(await this.placer(plan), plan, this.machines, readinessOf, { start, work });
  }

  /** Groups under placements; the last ones are kept. */
  private async worked(plan: FleetPlan, readinessOf: ReadinessOf, work: LongWork): Promise<Worked> {
    const key = JSON.stringify(plan);
    if (this.last?.plan === key) return this.last;
    const placer = await this.placer(plan);
    const groups = groupMachines(plan, this.machines, readinessOf);
    const matrix = await driven(matrixOf(placer, groups, plan.placements), work, ({ done, steps }) => [
      done,
      steps,
      'Groups under placements',
    ]);
    this.last = { plan: key, matrix, groups };
    return this.last;
  }

  async machine(plan: FleetPlan, id: string, ready: readonly ReadinessCode[]): Promise<MachineAnswer | null> {
    const machine = this.machines.find((each) => each.id === id);
    if (!machine) return null;
    const placer = await this.placer(plan);
    return {
      machine,
      ready,
      systemGuess: machine.system,
      placements: plan.placements.map((placement) => machineUnder(placer, machine, placement)),
    };
  }

  async parts(plan: FleetPlan, id: string, placement: string, work: LongWork): Promise<PartsAnswer | null> {
    const all = await this.all(plan, placement, work);
    return all && partsOf(all, id, this.books);
  }

  async hosts(
    plan: FleetPlan,
    readinessOf: ReadinessOf,
    group: string,
    id: string,
    work: LongWork,
  ): Promise<HostsAnswer | null> {
    const cell = await this.cell(plan, readinessOf, group, id, work);
    const used = cell?.layout.hosts;
    if (!cell || !used) return null;
    const names = new Map(
      [...cell.layout.machines.values()].map(({ machine }) => [machine.id, machine.name]),
    );
    return {
      offer: used.offer.name,
      room: used.room,
      told: hostsTold(used, cell.machines),
      hosts: used.hosts.map(({ vcpu, memory, ids }) => ({
        vcpu,
        memory,
        names: ids.map((each) => names.get(each) ?? each),
      })),
    };
  }

  async design(
    plan: FleetPlan,
    readinessOf: ReadinessOf,
    {
      group,
      placement: id,
      oneByOne: isWanted = false,
    }: { readonly group: string; readonly placement: string; readonly oneByOne?: boolean },
    work: LongWork,
  ): Promise<FleetAnswers['design']> {
    const cell = await this.cell(plan, readinessOf, group, id, work);
    if (!cell) throw new Error('There is no such group or placement any more.');
    const apart = isWanted && mayStandAlone(cell) ? { ...cell.design, sections: oneByOne(cell) } : null;
    const placer = await this.placer(plan);
    // A price that goes down with the number is another one machine by machine.
    const isOneByOne = apart !== null && placer.price(apart).monthly.value.equals(cell.monthly);
    const made = isOneByOne ? apart : cell.design;
    const placement = plan.placements.find((each) => each.id === id)!;
    const origin = `${plan.title}, under ${placement.name}`.slice(0, 200);
    const sections = made.sections.map((section) => ({
      ...section,
      components: section.components.map((component) => ({ ...component, origin })),
    }));
    const design = {
      ...cell.design,
      title:
        `${plan.title}: ${cell.design.sections.map(({ name }) => name).join(', ')}, ${placement.name}`.slice(
          0,
          200,
        ),
      description: `Made from a fleet of ${this.machines.length} machines: ${ruleText(placement.rule)}. ${cell.unfit.length} machines have no place in it.`,
      sections,
    };
    return {
      design,
      printed: halfAwayFromZero(cell.monthly, minorDigits(plan.currency)).toString(),
      machines: cell.machines,
      isOneByOne,
    };
  }

  async average(plan: FleetPlan, machines: readonly Machine[]): Promise<AverageAnswer> {
    return averageOf(await this.placer(plan), plan, machines);
  }

  /** Of the matrix that was worked out last, or anew: the same either way. */
  private async cell(
    plan: FleetPlan,
    readinessOf: ReadinessOf,
    group: string,
    id: string,
    work: LongWork,
  ): Promise<FleetCell | null> {
    if (this.last?.plan === JSON.stringify(plan)) {
      const { matrix } = this.last;
      const found = [...matrix.cells, ...matrix.union].find(
        (each) => each.group === group && each.cell.placement === id,
      );
      if (found) return found.cell;
    }
    const placement = plan.placements.find((each) => each.id === id);
    const groups = groupMachines(plan, this.machines, readinessOf);
    const machines =
      group === UNION
        ? onceEach(groups).flatMap((each) => each.machines)
        : groups.find((each) => each.group.id === group)?.machines;
    if (!placement || !machines) return null;
    const name = group === UNION ? 'All groups' : groups.find((each) => each.group.id === group)!.group.name;
    const placer = await this.placer(plan);
    return driven(
      cellOf(placer, [{ id: group === UNION ? 'all' : group, name, machines }], placement),
      work,
      (done) => [done, machines.length, 'Placing machines'],
    );
  }
}

/** What prices hang on; groups, names and limits change nothing of it. */
function isSamePricing(a: FleetPlan, b: FleetPlan): boolean {
  return (
    a.currency === b.currency &&
    JSON.stringify([a.exchange, a.systems, a.licences, a.books]) ===
      JSON.stringify([b.exchange, b.systems, b.licences, b.books])
  );
}

function emptyDesign({ title, currency, exchange }: FleetPlan): Design {
  return {
    title,
    description: '',
    currency,
    assumptions: { month: { hours: 'book' }, countAllowances: true, exchange },
    books: [],
    sections: [],
  };
}
