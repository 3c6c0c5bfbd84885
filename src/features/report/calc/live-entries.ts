/** Which entries a sheet may let people change: the count and the main quantity of a line, where its formulas follow both; drivers. */
import { mainMeter } from '@/engine/books';
import { DRIVERS } from '@/engine/drivers';
import { allComponents, type Design } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import { compileProgram } from '@/engine/program';

/**
 * Ids of the components whose count and main quantity the formulas follow.
 *
 * @example
 * liveComponents(plan).has('a'); // => true
 */
export function liveComponents(plan: DesignPlan): Set<string> {
  const mains = mainEntries(plan.design);
  const { program } = compileProgram(
    plan,
    ({ component, entry }) => entry === 'count' || entry === mains.get(component),
  );
  const followed = new Set(program.inputs.map(({ component, entry }) => `${component}\n${entry}`));
  const live = new Set<string>();
  for (const { id } of allComponents(plan.design)) {
    const main = mains.get(id);
    const entries = main === undefined ? ['count'] : ['count', main];
    if (entries.every((entry) => followed.has(`${id}\n${entry}`))) live.add(id);
  }
  return live;
}

/**
 * Names of the drivers that every formula behind them follows.
 *
 * @example
 * liveDrivers(plan).size; // => 0
 */
export function liveDrivers(plan: DesignPlan): Set<string> {
  if ((plan.design.assumptions.drivers ?? []).length === 0) return new Set();
  const { program } = compileProgram(plan, ({ component }) => component === DRIVERS);
  return new Set(program.inputs.flatMap(({ component, entry }) => (component === DRIVERS ? [entry] : [])));
}

/**
 * By component: its main quantity as an entry, where it is entered as one amount.
 *
 * @example
 * mainEntries({ ...design, sections: [{ id: 's', name: 'S', components: [withUsualUse(anyOfKind('block-volume', null, 'v'))] }] }).get('v'); // => 'usage/capacity'
 */
export function mainEntries(design: Design): Map<string, string> {
  const all = design.sections.flatMap((section) => section.components);
  return new Map(
    all.flatMap(({ id, kind, usage }) => {
      const meter = mainMeter(kind)?.meter;
      const entry = meter === undefined ? undefined : usage[meter];
      return entry && !entry.sizes ? [[id, `usage/${meter}`] as const] : [];
    }),
  );
}
