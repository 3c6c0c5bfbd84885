/** A design under other loads: curves, maps, sudden fame. */
import {
  type Along,
  type Axis1,
  type Curve,
  curveOf,
  type CurveSide,
  type Fame,
  loadMap,
  type LoadMap,
  type MapSide,
  sudden,
  usualAxis,
  variedAlong,
} from '@/core/curves';
import { decimal } from '@/core/base';
import type { DesignPlan } from '@/core/pricing';
import type { Compared } from './compared';
import type { CurveWish } from './protocol';

/** A side of a map is this many cells long: 3 600 prices a side. */
const CELLS = 60;

export class Stretched {
  constructor(private readonly compared: Compared) {}

  async curve(own: DesignPlan, { along, range, sides: ids, what, points }: CurveWish): Promise<Curve> {
    const usual = usualAxis(along, own.design);
    if (!usual) throw gone();
    const axis: Axis1 = { ...usual, ...range };
    const plans = await this.compared.plansOf(own, ids);
    const sides = plans.flatMap(({ id, name, plan }): CurveSide[] => {
      // An alternative may lack the line: it does not move then.
      const varied = variedAlong(along, plan.design, axis) ?? variedAlong(along, own.design, axis);
      return varied ? [{ id, name, plan, varied }] : [];
    });
    if (sides.length === 0) throw gone();
    return curveOf({ axis, sides, what, points });
  }

  async map(
    own: DesignPlan,
    { across, up, sides: ids }: { across: Along; up: Along; sides: readonly string[] },
  ): Promise<LoadMap> {
    const [x, y] = [usualAxis(across, own.design), usualAxis(up, own.design)];
    if (!x || !y) throw gone();
    const plans = await this.compared.plansOf(own, ids);
    const sides = plans.flatMap(({ id, name, plan }): MapSide[] => {
      const [first, second] = [variedAlong(across, plan.design, x), variedAlong(up, plan.design, y)];
      return first && second ? [{ id, name, plan, varied: [first, second] }] : [];
    });
    if (sides.length === 0) throw gone();
    return loadMap(sides, x, y, CELLS);
  }

  fame(
    own: DesignPlan,
    { along, times, lasts }: { along: Along; times: string; lasts: 'day' | 'month' },
  ): Fame {
    const axis = usualAxis(along, own.design);
    const varied = axis && variedAlong(along, own.design, axis);
    if (!varied) throw gone();
    return sudden(own, varied, decimal(times), lasts);
  }
}

/** A driver that was removed, a line that was deleted, while the address still names it. */
function gone(): Error {
  return new Error('What this was drawn over is not in the design any more. Choose something else.');
}
