/** Answers the page's questions about one fleet. Kept free of worker globals so that it is tested like any module. */
import { assertNever } from '@/engine/base';
import {
  type FleetPlan,
  installedPicture,
  type Machine,
  readinessUnder,
  surePicture,
} from '@/features/fleet/calc';
import { writeFleetCsv } from '@/features/fleet/format/write-fleet-csv';
import { FleetLists, type Looked } from './fleet-lists';
import type { PlacedAll } from './fleet-one';
import { FleetPlaces } from './fleet-places';
import type { FleetAnswers, FleetQuestion, MachineQuery } from './fleet-protocol';
import { type FetchFleet, FleetReading } from './fleet-reading';
import { type LongWork, pause } from '@/platform/workers/long-work';
import { LoadedBooks } from '@/features/design/worker/loaded-books';

const PAGE = 10_000;

interface Opened {
  readonly machines: readonly Machine[];
  readonly lists: FleetLists;
  readonly places: FleetPlaces;
}

export class FleetRoom {
  private opened: Opened | null = null;
  private looked: (Looked & { readonly key: string }) | null = null;
  private readonly reading: FleetReading;
  private readonly books: LoadedBooks;

  constructor(private readonly fetchJson: FetchFleet) {
    this.reading = new FleetReading(fetchJson);
    this.books = new LoadedBooks((path) => fetchJson(path));
  }

  async answer(question: FleetQuestion, work: LongWork): Promise<FleetAnswers[FleetQuestion['ask']]> {
    switch (question.ask) {
      case 'open':
        return this.open(question.id, question.machines, work);
      case 'look':
        return this.reading.look(question.files, question.mapping);
      case 'read':
        return this.reading.read(question.title, question.files, question.mapping, this.there, work);
      case 'typed':
        return this.reading.typed(question.machines, this.there);
      case 'send':
        return this.reading.send(question.id, question.title, question.origin, work);
      case 'rejected':
        return this.reading.rejectedCsv();
      case 'rows': {
        const { found, looked, placed } = await this.find(question.plan, question.query, work);
        const { lists } = this.now;
        return {
          total: found.length,
          rows: lists.rows(found, question.from, question.count, looked, placed),
        };
      }
      case 'tally': {
        const { found, placed } = await this.find(question.plan, question.query, work);
        return this.now.lists.tally(found, placed);
      }
      case 'values':
        return {
          ...this.now.lists.values(await this.lookedAt(question.plan)),
          products: await this.now.places.products(question.plan),
        };
      case 'money': {
        const { found, placed } = await this.find(question.plan, question.query, work);
        if (!placed) throw new Error('To see where the money is takes a placement.');
        return this.now.lists.money(found, placed);
      }
      case 'installed':
        return installedPicture((await this.find(question.plan, question.query, work)).found);
      case 'sure':
        return surePicture((await this.find(question.plan, question.query, work)).found);
      case 'machine': {
        const looked = await this.lookedAt(question.plan);
        const machine = this.now.machines.find(({ id }) => id === question.machine);
        return this.now.places.machine(
          question.plan,
          question.machine,
          machine ? looked.readinessOf(machine) : [],
        );
      }
      case 'parts':
        return this.now.places.parts(question.plan, question.machine, question.placement, work);
      case 'matrix': {
        const { readinessOf: ready } = await this.lookedAt(question.plan);
        return this.now.places.matrix(question.plan, ready, work);
      }
      case 'report': {
        const { readinessOf: ready } = await this.lookedAt(question.plan);
        return this.now.places.report(question.plan, ready, work);
      }
      case 'study': {
        const { readinessOf: ready } = await this.lookedAt(question.plan);
        return this.now.places.study(question.plan, ready, question.start, work);
      }
      case 'hosts': {
        const { readinessOf: ready } = await this.lookedAt(question.plan);
        return this.now.places.hosts(question.plan, ready, question.group, question.placement, work);
      }
      case 'design': {
        const { readinessOf: ready } = await this.lookedAt(question.plan);
        return this.now.places.design(question.plan, ready, question, work);
      }
      case 'average':
        return this.now.places.average(
          question.plan,
          (await this.find(question.plan, question.query, work)).found,
        );
      case 'csv': {
        const { found, placed } = await this.find(question.plan, question.query, work);
        return writeFleetCsv(
          found,
          placed
            ? {
                currency: placed.currency,
                of: ({ id }) => {
                  const each = placed.of.get(id);
                  return each ? { becomes: each.offer ?? '', monthly: each.printed?.toString() ?? '' } : null;
                },
              }
            : undefined,
        );
      }
      default:
        return assertNever(question);
    }
  }

  private get now(): Opened {
    if (!this.opened) throw new Error('No fleet is open.');
    return this.opened;
  }

  private get there(): readonly Machine[] | null {
    return this.opened?.machines ?? null;
  }

  private async open(id: string, count: number, work: LongWork): Promise<FleetAnswers['open']> {
    const machines: Machine[] = [];
    const page = (after: number): Promise<Machine[] | null> =>
      this.fetchJson(`/api/fleets/${id}/machines?after=${after}&limit=${PAGE}`) as Promise<Machine[] | null>;
    // The next is on its way while this one is taken in.
    let next = page(0);
    for (let after = 0; after < count; after += PAGE) {
      const some = await next;
      if (after + PAGE < count) next = page(after + PAGE);
      if (!some) throw new Error('This fleet is not there any more.');
      machines.push(...some);
      work.told(machines.length, count, 'Loading the machines');
      await pause(work);
    }
    this.opened = {
      machines,
      lists: new FleetLists(machines),
      places: new FleetPlaces(machines, this.books),
    };
    this.looked = null;
    return { machines: machines.length };
  }

  /** What is in the way of each machine, worked out once for what it hangs on. */
  private async lookedAt(plan: FleetPlan): Promise<Looked> {
    const places = plan.placements.map((each) => each.places);
    const key = JSON.stringify([plan.systems, plan.licences, plan.limits, places, plan.books]);
    if (this.looked?.key === key) {
      if (this.looked.plan !== plan) this.looked = { ...this.looked, plan };
      return this.looked;
    }
    const placer = plan.placements.length > 0 ? await this.now.places.placer(plan) : null;
    this.looked = { key, plan, readinessOf: readinessUnder(plan, placer) };
    return this.looked;
  }

  private async find(
    plan: FleetPlan,
    query: MachineQuery,
    work: LongWork,
  ): Promise<{
    readonly found: readonly Machine[];
    readonly looked: Looked;
    readonly placed: PlacedAll | null;
  }> {
    const { lists, places } = this.now;
    const looked = await this.lookedAt(plan);
    const placed = query.placement === null ? null : await places.all(plan, query.placement, work);
    return { found: lists.matching(query, looked, placed), looked, placed };
  }
}
