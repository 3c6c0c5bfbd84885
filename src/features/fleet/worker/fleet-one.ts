/** One machine: under every placement, in its parts, and the average of them as a quick stand-in. */
import { type Decimal, decimal } from '@/engine/base';
import { anyOfKind, type Place } from '@/engine/design';
import { needText, ruleText } from '@/features/fleet/words';
import {
  type FleetCell,
  type FleetMatcher,
  type FleetPlacement,
  type FleetPlan,
  licencesNeeded,
  type Machine,
  needOf,
  overBy,
  type Placer,
  sizedNeed,
  type UnfitWhy,
} from '@/features/fleet/calc';
import { type BookSet, createPricer } from '@/engine/pricing';
import { lacksOf } from '@/engine/sizing';
import type { Term } from '@/engine/terms';
import { toPlain } from '@/engine/trace';
import type { AverageAnswer, MachineAnswer, PartsAnswer } from './fleet-protocol';

const TERMS: readonly Term[] = ['on-demand', '12-none', '36-none'];

export function machineUnder(
  placer: Placer,
  machine: Machine,
  placement: FleetPlacement,
): MachineAnswer['placements'][number] {
  const [place] = placement.places;
  const need = sizedNeed(machine, placement.rule);
  const installed = sizedNeed(machine, { by: 'installed' });
  const matcher =
    place && placer.matcher(place, placement.form.by === 'shared' ? 'server' : 'dedicated-host');
  const needed = licencesNeeded(machine, placement, placer.world);
  const own = placer.licencesOf(needed.products);
  const wanted = needOf(need, placement.allowed);
  const onHosts = placement.form.by === 'hosts';
  const match = (!onHosts && matcher?.match(wanted, placement.term, own)) || null;
  const terms = onHosts
    ? []
    : TERMS.map((term) => ({
        term,
        byRule: matcher?.match(wanted, term, own)?.text ?? null,
        installed: matcher?.match(needOf(installed, placement.allowed), term, own)?.text ?? null,
      }));
  return {
    placement: placement.id,
    name: placement.name,
    place: place ?? null,
    onHosts,
    need: needText(need),
    rule: ruleText(placement.rule),
    becomes: match?.offer.name ?? null,
    runnerUp: match && place ? runnerUp(placer, place, placement, wanted, match.offer.sku) : null,
    over: match && {
      vcpu: overBy(match.offer.vcpu, need.vcpu).toString(),
      memory: overBy(match.offer.memory, need.memory).toString(),
    },
    unfit: match || onHosts ? null : unfitWhy(),
    terms,
    currency: matcher?.currency ?? '',
  };

  function unfitWhy(): UnfitWhy {
    if (needed.isNotSold) return 'system';
    if (own.length > 0 && matcher?.match(wanted, placement.term)) return 'licence';
    return placement.term !== 'on-demand' && matcher?.match(wanted, 'on-demand', own) ? 'term' : 'no-size';
  }
}

/** The next that costs least, of another size. */
function runnerUp(
  placer: Placer,
  place: Place,
  placement: FleetPlacement,
  wanted: Parameters<FleetMatcher['match']>[0],
  but: string,
) {
  const kind = placement.form.by === 'shared' ? 'server' : 'dedicated-host';
  const line = { ...anyOfKind(kind, place, 'unit'), term: placement.term };
  const next = placer.cheapest(line, (offer) => offer.sku !== but && lacksOf(wanted, offer).length === 0);
  const monthly = next && placer.priceOf({ ...line, choice: { by: 'sku', sku: next.sku } });
  return next && monthly ? { name: next.name, monthly: monthly.toString() } : null;
}

export interface PlacedAll {
  readonly currency: string;
  readonly cell: FleetCell;
  readonly of: ReadonlyMap<
    string,
    { readonly offer: string | null; readonly printed: Decimal | null; readonly unfit: UnfitWhy | null }
  >;
}

/** What a machine's amount is made of: its share of each line, and how the line adds up. */
export function partsOf(all: PlacedAll, id: string, books: BookSet): PartsAnswer | null {
  const { cell, currency } = all;
  const laid = cell.layout.machines.get(id);
  if (!laid) return null;
  const weights = new Map<string, number>();
  for (const { portions } of cell.layout.machines.values())
    for (const { line, weight } of portions) weights.set(line, (weights.get(line) ?? 0) + weight);
  const names = new Map(
    cell.design.sections.flatMap(({ components }) => components.map((each) => [each.id, each.name] as const)),
  );
  const pricer = createPricer(books);
  const plan = pricer.plan(cell.design);
  return {
    currency,
    printed: all.of.get(id)?.printed?.toString() ?? null,
    parts: laid.portions.map(({ line, weight }) => {
      const amount = cell.lines.get(line);
      const share = weight / (weights.get(line) || 1);
      const trace = pricer.explain(plan, { case: 'likely' }, { of: 'component', id: line });
      return {
        line,
        name: names.get(line) ?? line,
        lineMonthly: amount?.toString() ?? '',
        share,
        monthly: amount ? amount.times(decimal(share.toPrecision(15))).toString() : '',
        trace: trace && toPlain(trace),
      };
    }),
  };
}

/** One machine of the mean size at each place: quick, and less exact than machine by machine. */
export function averageOf(placer: Placer, plan: FleetPlan, machines: readonly Machine[]): AverageAnswer {
  const mean = (read: (machine: Machine) => number): string => {
    const sum = machines.reduce((all, each) => all + read(each), 0);
    return decimal((sum / Math.max(1, machines.length)).toPrecision(12))
      .toDecimalPlaces(2, 0)
      .toString();
  };
  const [vcpu, memory] = [mean((each) => each.vcpu.value), mean((each) => each.memory.value)];
  const all = plan.placements.flatMap(({ places }) => places);
  const places = new Map(all.map((place) => [JSON.stringify(place), place]));
  return {
    vcpu,
    memory,
    rows: [...places.values()].map((place) => {
      const matcher = placer.matcher(place, 'server');
      const match = machines.length > 0 ? matcher?.match({ vcpu, memory }, 'on-demand') : null;
      return {
        place,
        becomes: match?.offer.name ?? null,
        monthly: match?.text ?? null,
        currency: matcher?.currency ?? plan.currency,
      };
    }),
  };
}
