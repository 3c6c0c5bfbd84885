/** A fleet as the first study of owning against renting, placement by placement. */
import { type FleetPlan, type Machine, type Placer, type ReadinessCode } from '@/features/fleet/calc';
import { fleetStudy, type Study } from '@/features/own-or-rent/calc';
import { driven, type LongWork } from '@/platform/workers/long-work';

export function studyOfFleet(
  placer: Placer,
  plan: FleetPlan,
  machines: readonly Machine[],
  readinessOf: (machine: Machine) => readonly ReadinessCode[],
  { start, work }: { readonly start: string; readonly work: LongWork },
): Promise<Study> {
  if (plan.placements.length === 0) throw new Error('This fleet has no placement yet. Make one first.');
  const steps = machines.length;
  return driven(fleetStudy(placer, plan, machines, readinessOf, start), work, (done) => [
    Math.min(done, steps),
    steps,
    'Placing every machine',
  ]);
}
