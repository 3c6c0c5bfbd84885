/** In-memory twin of the store of bills. */
import { addAll, decimal } from '@/engine/base';
import type { BillHead, BillSaid, BillThing, SeenDay } from '@/features/bills/calc';
import type { BillSink, Conformance, SunkRow } from '@/features/bills/format/focus';
import { AppError } from '@/platform/use/app-error';
import type { BillChange, BillListing, BillStore, ImportedBill } from '@/stores/ports';

interface Kept {
  readonly workspace: string;
  listing: BillListing;
  conformance: Conformance;
  things: readonly BillThing[];
  rows: readonly SunkRow[];
  seen: readonly SeenDay[];
  notes: Readonly<Record<string, string>>;
}

interface Sunk {
  readonly head: BillHead;
  readonly said: BillSaid[];
  readonly rows: SunkRow[];
}

export function memoryBillStore(): BillStore {
  let kept: Kept[] = [];
  const designs = new Map<string, string>();
  const find = (workspace: string, id: string): Kept | undefined =>
    kept.find((each) => each.workspace === workspace && each.listing.id === id);
  return {
    list: async (workspace) =>
      kept
        .filter((each) => each.workspace === workspace)
        .map(({ listing }) => listing)
        .sort((a, b) => (a.from === b.from ? (keyOf(a) < keyOf(b) ? -1 : 1) : a.from < b.from ? 1 : -1)),
    find: async (workspace, id) => {
      const found = find(workspace, id);
      return found ? { ...found.listing, conformance: found.conformance, notes: found.notes } : null;
    },
    things: async (workspace, id) => [...(find(workspace, id)?.things ?? [])],
    days: async (workspace, id, groups, measure) => {
      const rows = find(workspace, id)?.rows ?? [];
      return groups.flatMap(({ things }, group) => {
        const shares = new Map(things.map(({ at, share }) => [at, share]));
        const own = rows.filter(({ thing }) => shares.has(thing));
        return [...new Set(own.map(({ day }) => day))].sort().map((day) => {
          const amounts = own.flatMap((row) => {
            const amount = row.day === day ? row[measure] : null;
            return amount === null ? [] : [decimal(amount).times(shares.get(row.thing)!)];
          });
          return { group, day, amount: amounts.length === 0 ? null : addAll(amounts).toFixed() };
        });
      });
    },
    wholeDays: async (workspace, ids) =>
      [...ids].sort().flatMap((bill) => {
        const { rows = [], things = [] } = find(workspace, bill) ?? {};
        return [...new Set(rows.map(({ day }) => day))].sort().flatMap((day) =>
          [false, true].flatMap((isFee) => {
            const own = rows.filter((row) => row.day === day && isFeeOf(things[row.thing]!) === isFee);
            const amounts = { billed: sumOf(own, 'billed'), effective: sumOf(own, 'effective') };
            return own.length === 0 ? [] : [{ bill, day, isFee, ...amounts }];
          }),
        );
      }),
    services: async (workspace, ids) =>
      [...ids].sort().flatMap((bill) => {
        const things = find(workspace, bill)?.things ?? [];
        return [...new Set(things.map(({ service }) => service))].sort().map((service) => {
          const own = things.filter((each) => each.service === service);
          const sum = (of: 'billed' | 'effective'): string =>
            addAll(own.map((each) => decimal(each[of]))).toFixed();
          return { bill, service, billed: sum('billed'), effective: sum('effective') };
        });
      }),
    note: async (workspace, id, line, text) => {
      const found = find(workspace, id);
      if (!found || found.listing.closing) return false;
      const { [line]: _, ...others } = found.notes;
      found.notes = text ? { ...others, [line]: text } : others;
      return true;
    },
    seen: async (workspace, id) => [...(find(workspace, id)?.seen ?? [])],
    rows: async (workspace, id, { things, after, limit }) =>
      (find(workspace, id)?.rows ?? [])
        .filter(({ thing, line }) => things.includes(thing) && line > after)
        .sort((a, b) => a.line - b.line)
        .slice(0, limit)
        .map(({ bill: _, ...row }) => row),
    take: async (workspace, { name, at, newId }, work) => {
      const sunk: Sunk[] = [];
      const sink: BillSink = {
        bill: async (number, head) => {
          const before = kept.filter((each) => each.workspace === workspace);
          requireFree(before, head);
          sunk[number] = { head, said: [], rows: [] };
        },
        thing: (bill, number, said) => void (sunk[bill]!.said[number] = said),
        rows: async (rows) => rows.forEach((row) => sunk[row.bill]!.rows.push(row)),
      };
      const { conformance } = await work(sink);
      return sunk.map(({ head, said, rows }): ImportedBill => {
        const before = kept.find((each) => each.workspace === workspace && isSame(each.listing, head));
        const things = said.map((each, number) => thingOf(each, number, rows));
        const use = rows.filter(({ thing, day }) => said[thing]!.category === 'Usage' && day < head.to);
        const changed = before ? changeOf(before, rows) : null;
        const listing: BillListing = {
          ...head,
          id: before?.listing.id ?? newId(),
          revision: (before?.listing.revision ?? 0) + 1,
          rows: rows.length,
          things: things.length,
          newest:
            use
              .map(({ day }) => day)
              .sort()
              .at(-1) ?? null,
          billed: sumOf(rows, 'billed'),
          effective: sumOf(rows, 'effective'),
          fileName: name,
          importedAt: at.toISOString(),
          changed,
          closing: null,
        };
        const revision = listing.revision;
        const seen = [...new Set(use.map(({ day }) => day))].sort().map((day) => ({
          ...{
            revision,
            day,
            cost: sumOf(
              use.filter((row) => row.day === day),
              'effective',
            ),
          },
        }));
        kept = [
          ...kept.filter((each) => each !== before),
          {
            ...{ workspace, listing, conformance, things, rows, notes: before?.notes ?? {} },
            seen: [...(before?.seen ?? []), ...seen],
          },
        ];
        return {
          ...head,
          id: listing.id,
          revision: listing.revision,
          rows: rows.length,
          billed: listing.billed,
          changed,
        };
      });
    },
    remove: async (workspace, id) => {
      const found = find(workspace, id);
      kept = kept.filter((each) => each !== found);
      return found !== undefined;
    },
    close: async (workspace, id, closing) => {
      const found = find(workspace, id);
      if (found) found.listing = { ...found.listing, closing };
      return found !== undefined;
    },
    designOf: async (workspace, { provider, account }) =>
      designs.get(`${workspace}\n${provider}\n${account}`) ?? null,
    linkDesign: async (workspace, { provider, account }, design) => {
      const key = `${workspace}\n${provider}\n${account}`;
      if (design === null) designs.delete(key);
      else designs.set(key, design);
    },
  };
}

const keyOf = ({ provider, account, currency }: BillHead): string => `${provider}\n${account}\n${currency}`;
const isSame = (a: BillHead, b: BillHead): boolean =>
  keyOf(a) === keyOf(b) && a.from === b.from && a.to === b.to;

const isFeeOf = ({ category, isCorrection }: BillThing): boolean => category !== 'Usage' || isCorrection;

const sumOf = (rows: readonly SunkRow[], of: 'list' | 'contracted' | 'billed' | 'effective'): string =>
  addAll(rows.map((row) => decimal(row[of]))).toFixed();

function requireFree(kept: readonly Kept[], head: BillHead): void {
  const near = kept.filter(
    ({ listing }) => keyOf(listing) === keyOf(head) && listing.from < head.to && head.from < listing.to,
  );
  if (near.some(({ listing }) => isSame(listing, head) && listing.closing))
    throw new AppError('conflict', 'The bill is closed. Open its period again before it is brought in anew.');
  if (near.some(({ listing }) => !isSame(listing, head)))
    throw new AppError('conflict', 'The bill overlaps a period that is here already.');
}

function thingOf(said: BillSaid, at: number, rows: readonly SunkRow[]): BillThing {
  const own = rows.filter(({ thing }) => thing === at);
  const quantities = own.flatMap(({ quantity }) => (quantity === null ? [] : [decimal(quantity)]));
  return {
    ...said,
    ...{ at, rows: own.length, list: sumOf(own, 'list'), contracted: sumOf(own, 'contracted') },
    ...{ billed: sumOf(own, 'billed'), effective: sumOf(own, 'effective') },
    quantity: quantities.length > 0 ? addAll(quantities).toFixed() : null,
  };
}

function changeOf({ listing, rows: before }: Kept, after: readonly SunkRow[]): BillChange {
  const days = [...new Set([...before, ...after].map(({ day }) => day))].map((day) => ({
    day,
    before: sumOf(
      before.filter((row) => row.day === day),
      'billed',
    ),
    after: sumOf(
      after.filter((row) => row.day === day),
      'billed',
    ),
  }));
  const by = ({ before: from, after: to }: (typeof days)[number]) => decimal(to).minus(from).abs();
  return {
    rows: after.length - listing.rows,
    billed: decimal(sumOf(after, 'billed')).minus(listing.billed).toFixed(),
    days: days
      .filter((day) => !by(day).isZero())
      .sort((a, b) => by(b).comparedTo(by(a)) || (a.day < b.day ? -1 : 1))
      .slice(0, 10),
  };
}
