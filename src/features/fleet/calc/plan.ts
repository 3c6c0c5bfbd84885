/** What is planned with an estate, beside its machines: what its systems are, groups, placements, and the books they are priced by. */
import type { BookPin, ExchangeRate } from '@/engine/design';
import type { FleetGroup } from './filter';
import type { FleetPlacement } from './placement';
import { READINESS_LIMITS, type ReadinessLimits } from './readiness';
import type { Systems } from './systems';

export interface FleetPlan {
  readonly title: string;
  readonly currency: string;
  readonly exchange: readonly ExchangeRate[];
  readonly books: readonly BookPin[];
  /** Where its machines come from: the names of files, or that they were typed. */
  readonly origin: string;
  readonly systems: Systems;
  /** What the texts of licences mean, as of systems; absent: none is mapped. */
  readonly licences?: Systems;
  readonly limits: ReadinessLimits;
  readonly groups: readonly FleetGroup[];
  readonly placements: readonly FleetPlacement[];
}

/**
 * @example
 * newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: 'typed' }).groups; // => []
 */
export function newPlan(
  head: Pick<FleetPlan, 'title' | 'currency' | 'exchange' | 'books' | 'origin'>,
): FleetPlan {
  return { ...head, systems: {}, limits: READINESS_LIMITS, groups: [], placements: [] };
}
