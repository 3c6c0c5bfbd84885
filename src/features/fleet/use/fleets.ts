/** Estates: brought in as a whole or not at all, listed, opened, planned with, deleted and restored. Needs M1 to M3, M10. */
import { createHash } from 'node:crypto';
import { cut } from '@/engine/base';
import { type FleetPlan, type Machine, newPlan } from '@/features/fleet/calc';
import { readFleetPlan } from '@/features/fleet/format/plan-schema';
import { MachineLinesError, readMachineLines } from '@/features/fleet/format/read-machine-lines';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { newestExchange } from '@/features/price-books/use/exchange';
import type { Brought, FleetListing, StoredFleet } from './fleet-ports';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';
import { timely } from '@/platform/use/timely';

const CURRENCY = 'USD';
const MOST_NAME = 200;

export function listFleets(context: Context): Promise<FleetListing[]> {
  allow(context.actor, 'listFleets');
  return context.fleets.list(context.actor.workspace);
}

export async function openFleet(context: Context, id: string): Promise<StoredFleet> {
  allow(context.actor, 'openFleet');
  const found = await context.fleets.find(context.actor.workspace, id);
  if (!found) throw notFound('fleet');
  return found;
}

/** Some of its machines, from a place on. */
export async function fleetMachines(
  context: Context,
  id: string,
  after: number,
  limit: number,
): Promise<Machine[]> {
  allow(context.actor, 'fleetMachines');
  const found = await context.fleets.machines(context.actor.workspace, id, after, limit);
  if (!found) throw notFound('fleet');
  return found;
}

export interface BringWish {
  /** Chosen by the caller; of a fleet that is there: its machines are replaced. */
  readonly id: string;
  readonly title: string;
  readonly origin: string;
  readonly source: AsyncIterable<Uint8Array>;
}

/** All machines that are sent, or none of them. */
export async function bringMachines(context: Context, wish: BringWish): Promise<Brought> {
  allow(context.actor, 'bringMachines');
  const { workspace } = context.actor;
  const plan = await emptyPlan(context, oneLine(wish.title) || 'Estate', oneLine(wish.origin));
  try {
    const wanted = { id: wish.id, plan, origin: plan.origin, at: context.now() };
    const brought = await context.fleets.bring(workspace, wanted, async (put) => {
      for await (const machines of readMachineLines(timely(wish.source))) await put(machines);
    });
    if (!brought) throw notFound('fleet');
    return brought;
  } catch (error) {
    if (error instanceof MachineLinesError)
      throw invalid(`The machines were refused, and nothing was changed. ${error.message}`);
    throw error;
  }
}

/** What a file or a person called it, as a name may be. */
const oneLine = (text: string): string =>
  cut(text.replace(/[\u0000-\u001f\u007f-\u009f\u2028\u2029\p{Cs}]+/gu, ' ').trim(), MOST_NAME);

/** Priced by the newest revisions, in the currency of most designs. */
async function emptyPlan(context: Context, title: string, origin: string): Promise<FleetPlan> {
  const { workspace } = context.actor;
  const [books, rates] = await Promise.all([context.books.list(workspace), context.exchange.list(workspace)]);
  return newPlan({
    title,
    currency: CURRENCY,
    exchange: newestExchange(rates, CURRENCY),
    books: books.map(({ key, revisions }) => ({ book: key, revision: revisions[0]!.number })),
    origin,
  });
}

/** The revision that it is saved as. */
export async function savePlan(
  context: Context,
  id: string,
  { baseRevision, plan }: { readonly baseRevision: number; readonly plan: unknown },
): Promise<number> {
  allow(context.actor, 'savePlan');
  const read = readFleetPlan(plan);
  if (!read.ok) throw invalid(`This cannot be saved: ${read.message}`);
  const saved = await context.fleets.savePlan(
    context.actor.workspace,
    id,
    baseRevision,
    read.value,
    context.now(),
  );
  if (saved === null) throw notFound('fleet');
  if (saved === 'stale')
    throw new AppError(
      'conflict',
      'Somebody else changed this fleet meanwhile. Load it again to see what changed.',
    );
  return saved;
}

export async function deleteFleet(context: Context, id: string): Promise<void> {
  allow(context.actor, 'deleteFleet');
  if (!(await context.fleets.remove(context.actor.workspace, id, context.now()))) throw notFound('fleet');
}

export async function restoreFleet(context: Context, id: string): Promise<void> {
  allow(context.actor, 'restoreFleet');
  if (!(await context.fleets.restore(context.actor.workspace, id))) throw notFound('deleted fleet');
}

/** How these headings were mapped the last time; null: never. */
export function knownMapping(context: Context, headings: string): Promise<object | null> {
  allow(context.actor, 'knownMapping');
  return context.fleets.mapping(context.actor.workspace, markOf(headings));
}

export async function keepMapping(context: Context, headings: string, mapping: object): Promise<void> {
  allow(context.actor, 'keepMapping');
  await context.fleets.keepMapping(context.actor.workspace, markOf(headings), mapping, context.now());
}

/** Headings may be longer than what an index takes. */
const markOf = (headings: string): string => createHash('sha256').update(headings).digest('hex');
