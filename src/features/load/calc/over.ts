/** The curve of a design and of what stands beside it, over whatever may stand on its axis. */
import type { Along, LookedAt } from '@/engine/design';
import type { AmountOf } from '@/engine/pricing';
import { usualAxis, variedAlong } from './along';
import { curveOf } from './curve';
import type { Axis1, Curve, CurveSide } from './model';

export interface CurveOver {
  readonly along: Along;
  /** Null: as it is usually looked at. */
  readonly range: LookedAt | null;
  readonly what: AmountOf;
  readonly points: number;
}

/** The first is the design itself. */
export type SidePlan = Pick<CurveSide, 'id' | 'name' | 'plan'>;

/**
 * Null: what it is drawn over is not in the design. A side that lacks the line that varies does not move.
 *
 * @example
 * curveOver([{ id: null, name: 'Design', plan }], { along: { of: 'driver', name: 'gone' }, range: null, what: { of: 'design' }, points: 9 }); // => null
 */
export function curveOver(
  plans: readonly SidePlan[],
  { along, range, what, points }: CurveOver,
): Curve | null {
  const own = plans[0]?.plan.design;
  const usual = own && usualAxis(along, own);
  if (!usual) return null;
  const axis: Axis1 = { ...usual, ...range };
  const sides = plans.flatMap((each): CurveSide[] => {
    const varied = variedAlong(along, each.plan.design, axis) ?? variedAlong(along, own, axis);
    return varied ? [{ ...each, varied }] : [];
  });
  return curveOf({ axis, sides, what, points });
}
