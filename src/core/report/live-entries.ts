/**
 * Which entries a sheet may let people change. The formulas come from the traces; whatever a trace froze (hours above a
 * commitment, units of a rank) would go on with the old value. So every entry is tried: the design is priced with other
 * counts and quantities, and a line whose formulas give anything else is fixed. Nothing that cannot be followed is live.
 */
import { type Decimal, decimal } from '../base';
import { mainMeter } from '../books';
import { allComponents, type Component, type Design } from '../design';
import type { DesignPlan, PricedDesign } from '../pricing';
import { type Figure, reevaluate } from '../trace';

type Probe = (value: Decimal, input: string) => Decimal;

/** Counts stay whole. */
const PROBES: readonly Probe[] = [
  (value, input) => (input === 'count' ? value.times(2).plus(1) : value.times('1.37')),
  (value, input) => (input === 'count' ? value.plus(3) : value.times('0.4')),
];

/** Ids of the components whose count and main quantity the formulas follow. */
export function liveComponents(plan: DesignPlan): Set<string> {
  const likely = plan.pricer.price(plan, { case: 'likely' });
  let live = new Set(likely.sections.flatMap((section) => section.lines.map((line) => line.id)));
  // What hangs on a fixed line must be tried again without it.
  for (let round = 0; round < 4; round += 1) {
    const wrong = new Set(PROBES.flatMap((probe) => wrongUnder(probe, live, plan, likely)));
    if (wrong.size === 0) return live;
    live = new Set([...live].filter((id) => !wrong.has(id)));
  }
  return new Set();
}

function wrongUnder(
  probe: Probe,
  live: ReadonlySet<string>,
  plan: DesignPlan,
  likely: PricedDesign,
): string[] {
  const { design, pricer } = plan;
  const tried = allComponents(design).filter((each) => live.has(each.id));
  const instead = new Map(tried.map((each) => [each.id, probed(each, probe)]));
  const after = pricer.price(plan, { case: 'likely', instead });
  const mains = mainEntries(design);
  const work = reevaluate(({ input, value }) => {
    if (!input || !live.has(input.component)) return null;
    const isEntry = input.entry === 'count' || input.entry === mains.get(input.component);
    return isEntry ? probe(value, input.entry) : null;
  });
  return likely.sections.flatMap((section, at) =>
    section.lines.flatMap((line, index) => {
      if (line.status !== 'priced') return [];
      const expected = after.sections[at]!.lines[index]!;
      return agrees(line.monthly, expected, work) ? [] : [line.id];
    }),
  );
}

function agrees(
  figure: Figure,
  expected: PricedDesign['sections'][number]['lines'][number],
  work: (figure: Figure) => Decimal,
): boolean {
  if (expected.status !== 'priced') return false;
  try {
    return work(figure).minus(expected.monthly.value).abs().lessThan('1e-9');
  } catch {
    // It left its band, and a sheet says so too.
    return false;
  }
}

/** By component: its main quantity as an entry, where it is entered as one amount. */
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

/** The two entries a sheet has: the count, and the main quantity. */
function probed(component: Component, probe: Probe): Component {
  const meter = mainMeter(component.kind)?.meter;
  const entry = meter === undefined ? undefined : component.usage[meter];
  const count = probe(decimal(component.count.likely), 'count').toString();
  return {
    ...component,
    count: { likely: count },
    usage:
      meter !== undefined && entry && !entry.sizes
        ? {
            ...component.usage,
            [meter]: {
              ...entry,
              amount: { likely: probe(decimal(entry.amount.likely), `usage/${meter}`).toString() },
            },
          }
        : component.usage,
  };
}
