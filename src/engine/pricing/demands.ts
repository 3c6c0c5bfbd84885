/**
 * What a component asks of the rates of one offer: a demand for each meter that bills it, on demand and, under a
 * commitment, in committed units. Nothing here turns a missing rate or a missing quantity into zero.
 */
import { type Decimal, err, issue, type Issue, ok, type Result, ZERO } from '../base';
import {
  type BookHead,
  kindOf,
  licenceMeter,
  type MeterDefinition,
  meterOfKind,
  type Offer,
  type Rate,
} from '../books';
import type { Component } from '../design';
import type { RateCard } from '../rating';
import { commitmentOf } from '../terms';
import { type Figure, given } from '../trace';
import { type Case, type RunningTime, runningTime } from '../usage';
import type { PriceContext } from './context';
import type { Demand } from './meter-context';
import { meterUse } from './meter-use';
import { committedPart, type CommittedPart } from './committed-part';

export interface Demands {
  /** All use on demand; empty where the offer is only sold committed. */
  readonly onDemand: readonly Demand[];
  /** Meters under the component's commitment, with what runs above it. */
  readonly committed: readonly CommittedPart[];
  readonly notices: readonly Issue[];
  readonly time: RunningTime;
}

export interface PricedSubject {
  readonly component: Component;
  readonly book: BookHead;
  readonly offer: Offer;
  readonly region: string;
  /** The offer's rates in the region: nothing after look-up asks a book. */
  readonly card: RateCard;
  readonly count: Figure;
  readonly hoursInMonth: Decimal;
}

export function demandsOf(subject: PricedSubject, context: PriceContext): Result<Demands> {
  const { component, hoursInMonth, count } = subject;
  const time = runningTime(
    component.running,
    hoursInMonth,
    context.case,
    component.load ?? null,
    component.id,
  );
  if (!time.ok) return time;
  const meters = metersOf(subject);
  if (!meters.ok) return meters;
  const onDemand: Demand[] = [];
  const committed: CommittedPart[] = [];
  const notices: Issue[] = [];
  for (const meter of meters.value) {
    const parts = demandOfMeter(subject, meter, context, time.value, notices);
    if (!parts.ok) return parts;
    if (parts.value.onDemand) onDemand.push(parts.value.onDemand);
    if (parts.value.committed) committed.push(parts.value.committed);
  }
  if (commitmentOf(component.term) && committed.length === 0) return err(notSold(subject));
  if (onDemand.length === 0 && committed.length === 0) return err(notSold(subject));
  if (component.term === 'interruptible' && !onDemand.some(({ rate }) => rate.term === 'interruptible')) {
    return err(notSold(subject));
  }
  if (component.running.pattern === 'autoscale' && time.value.profile.short)
    notices.push(issue('autoscale.short', ['running'], { count: count.value.toString() }));
  return ok({ onDemand, committed, notices, time: time.value });
}

interface OfMeter {
  readonly onDemand: Demand | null;
  readonly committed: CommittedPart | null;
}

function demandOfMeter(
  subject: PricedSubject,
  meter: MeterDefinition,
  context: PriceContext,
  time: RunningTime,
  notices: Issue[],
): Result<OfMeter> {
  const { component, card, offer, count, hoursInMonth } = subject;
  const rateUnder = (term: Rate['term']): Rate | undefined => card.rate(meter.meter, term);
  const listed =
    component.term === 'interruptible'
      ? (rateUnder('interruptible') ?? rateUnder('on-demand'))
      : rateUnder('on-demand');
  const rate = listed && inCase(listed, context.case);
  const committedRate = commitmentOf(component.term) ? rateUnder(component.term) : undefined;
  if (!rate && !committedRate) {
    if (!meter.required && !component.usage[meter.meter]) return ok({ onDemand: null, committed: null });
    // A commitment that this meter is not sold under is told by the caller, once for all meters.
    if (commitmentOf(component.term)) return err(notSold(subject));
    return err(issue('rate.missing', [], { offer: offer.name, meter: meter.label }));
  }
  const base = { component, offer, meter, count, time, hoursInMonth, case: context.case };
  let onDemand: Demand | null = null;
  if (rate) {
    const use = meterUse({ ...base, rate });
    if (!use.ok) return use;
    // Where something is included, none entered means no more than that.
    if (!use.value && rate.allowance === null) {
      notices.push(issue('usage.counted-as-none', ['usage', meter.meter], { meter: meter.label }));
    }
    const none = given(`${meter.label}: not entered`, ZERO, rate.unit, 'counted as none');
    onDemand = {
      meter: meter.meter,
      label: meter.label,
      rate,
      use: use.value ?? { quantity: none, sizes: [], notices: [] },
    };
    notices.push(...(use.value?.notices ?? []));
  }
  if (!committedRate) return ok({ onDemand, committed: null });
  const committed = committedPart({ ...base, rate: committedRate }, onDemand, meter.label);
  if (!committed.ok) return committed;
  notices.push(...committed.value.notices);
  return ok({ onDemand, committed: committed.value });
}

/** An interruptible price moves: its low in the lean case, its high in the heavy one. */
function inCase(rate: Rate, which: Case): Rate {
  if (!rate.range || which === 'likely') return rate;
  const price = which === 'lean' ? rate.range.low : rate.range.high;
  return { ...rate, charge: { structure: 'per-unit', price } };
}

/** The kind's meters and those of the licences that run on the component. */
function metersOf({ component, card, offer }: PricedSubject): Result<MeterDefinition[]> {
  const meters = [...kindOf(component.kind).meters];
  for (const { product, how } of component.licences ?? []) {
    if (how === 'brought') {
      if (!offer.capabilities?.includes('bring-licence')) {
        return err(issue('licence.not-movable', ['licences'], { product, offer: offer.name }));
      }
      continue;
    }
    const meter = meterOfKind(component.kind, licenceMeter(product));
    if (!meter || !card.rate(meter.meter, 'on-demand')) {
      return err(issue('licence.not-offered', ['licences'], { product, offer: offer.name }));
    }
    meters.push(meter);
  }
  return ok(meters);
}

function notSold({ component, card, offer }: PricedSubject): Issue {
  return issue('term.not-offered', ['term'], {
    offer: offer.name,
    term: component.term,
    terms: card.terms.join(' '),
  });
}
