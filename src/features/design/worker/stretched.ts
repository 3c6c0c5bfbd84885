/** A design under other loads: curves, maps, sudden fame; and under loads drawn at random. */
import type { ReadyWish, Along } from '@/engine/design';
import {
  type Curve,
  curveOf,
  curveOver,
  type Fame,
  loadMap,
  type LoadMap,
  type MapSide,
  readyCurve,
  sudden,
  usualAxis,
  variedAlong,
} from '@/features/load/calc';
import { decimal } from '@/engine/base';
import {
  baseFor,
  type EffectsAnswer,
  effectsOf,
  type RangeAnswer,
  Simulation,
  type SwingsAnswer,
  swingsOf,
} from '@/features/range/calc';
import { READY_POINTS } from '@/features/saved-questions/calc';
import type { DesignPlan } from '@/engine/pricing';
import type { Compared } from './compared';
import type { CurveWish } from './protocol';

/** A side of a map is this many cells long: 3 600 prices a side. */
const CELLS = 60;

export class Stretched {
  private drawn: { readonly plan: DesignPlan; readonly simulation: Simulation } | null = null;

  constructor(
    private readonly compared: Compared,
    private readonly clock: () => number,
  ) {}

  async curve(own: DesignPlan, { along, range, sides: ids, what, points }: CurveWish): Promise<Curve> {
    const curve = curveOver(await this.compared.plansOf(own, ids), { along, range, what, points });
    if (!curve) throw gone();
    return curve;
  }

  ready(own: DesignPlan, wish: ReadyWish): Curve {
    return curveOf({ ...readyCurve(wish, own), points: READY_POINTS });
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

  /** Goes on with the draws of the same design, seed and number; answers with those that are there. */
  range(own: DesignPlan, drawing: Drawing): RangeAnswer {
    const simulation = this.simulation(own, drawing);
    const started = this.clock();
    simulation.advance(drawing.draws, () => this.clock() - started > DRAWS_FOR);
    return simulation.answer();
  }

  effects(own: DesignPlan, drawing: Drawing): EffectsAnswer {
    const simulation = this.simulation(own, drawing);
    return effectsOf(simulation, baseFor(simulation));
  }

  swings(own: DesignPlan, drawing: Drawing): SwingsAnswer {
    return swingsOf(this.simulation(own, drawing));
  }

  private simulation(plan: DesignPlan, { seed, draws }: Drawing): Simulation {
    const { drawn } = this;
    if (drawn?.plan === plan && drawn.simulation.seed === seed && drawn.simulation.draws === draws) {
      return drawn.simulation;
    }
    const simulation = new Simulation(plan, seed, draws);
    this.drawn = { plan, simulation };
    return simulation;
  }
}

/** How long one answer draws: milliseconds. */
const DRAWS_FOR = 300;

interface Drawing {
  readonly seed: string;
  readonly draws: number;
}

/** A driver that was removed, a line that was deleted, while the address still names it. */
function gone(): Error {
  return new Error('What this was drawn over is not in the design any more. Choose something else.');
}
