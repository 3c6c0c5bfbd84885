/** A first study of a stored fleet: its groups under its placements, with a guess for everything that nobody said. */
import { readinessUnder, type Machine } from '@/features/fleet/calc';
import { fleetStudy, type Study } from '@/features/own-or-rent/calc';
import { invalid } from '@/platform/use/app-error';
import { placerFor } from '@/features/fleet/use/fleet-file';
import { fleetMachines, openFleet } from '@/features/fleet/use/fleets';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

const PAGE = 10_000;

/** Not stored: `storeStudy` does that. */
export async function proposeStudy(context: Context, fleet: string, start: string): Promise<Study> {
  allow(context.actor, 'proposeStudy');
  const { plan, machines: count } = await openFleet(context, fleet);
  if (plan.placements.length === 0) throw invalid('This fleet has no placement yet. Make one first.');
  const machines: Machine[] = [];
  for (let after = 0; after < count; after += PAGE)
    machines.push(...(await fleetMachines(context, fleet, after, PAGE)));
  const { placer } = await placerFor(context, plan);
  const work = fleetStudy(placer, plan, machines, readinessUnder(plan, placer), start);
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
