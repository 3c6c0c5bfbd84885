/** What must hold for one rate of an offer: its meter, its unit, a structure and a term that fit, a sound rest. */
import { assertNever, Decimal } from '@/engine/base';
import { kindOf, type MeterDefinition, meterOfKind } from '@/engine/books';
import { chargeFaults, STRUCTURES } from '@/engine/rates';
import { commitmentOf } from '@/engine/terms';
import { conversionFactor, unitOf } from '@/engine/units';
import type { Fault } from '@/platform/formats/faults';
import type { OfferRow, RateRow } from './price-book-schema';

export function rateFaults(rate: RateRow, offer: OfferRow, path: string): Fault[] {
  const kind = kindOf(offer.kind);
  const meter = meterOfKind(offer.kind, rate.meter);
  if (!meter) {
    const known = kind.meters.map((each) => each.meter).join(', ');
    const message = `${kind.label} has no meter “${rate.meter}”; it has ${known || 'none'}`;
    return [{ path: `${path}.meter`, message }];
  }
  return [
    ...unitFaults(rate, meter, path),
    ...chargeFaults(rate.charge, `${path}.charge`),
    ...structureFaults(rate, meter, path),
    ...termFaults(rate, meter, kind.committable, path),
    ...restFaults(rate, meter, offer, path),
  ];
}

/** The dimensions that a meter can be billed in. */
export function billedDimensions(meter: MeterDefinition): readonly string[] {
  const entered = unitOf(meter.enteredIn);
  const base = entered.ok ? entered.value.dimension : '';
  switch (meter.from) {
    case 'running':
      return ['time', 'vCPU-time', 'data-time', 'GPU-time', 'core-time', 'unit-time'];
    case 'held':
      return [`${base}-month`, `${base}-time`];
    case 'monthly':
      return [base];
    case 'runs':
      return ['time', 'data-time', 'vCPU-time'];
    case 'capacity':
      return ['unit-time', 'time'];
    case 'count':
      return ['period'];
    case 'spend':
      return ['money'];
    case 'per-hour':
      return ['money-time'];
    default:
      return assertNever(meter.from);
  }
}

function unitFaults(rate: RateRow, meter: MeterDefinition, path: string): Fault[] {
  const unit = unitOf(rate.unit);
  if (!unit.ok || billedDimensions(meter).includes(unit.value.dimension)) return [];
  const message = `“${rate.unit}” cannot bill ${meter.meter}, which is measured in ${meter.enteredIn}`;
  return [{ path: `${path}.unit`, message }];
}

function structureFaults(rate: RateRow, meter: MeterDefinition, path: string): Fault[] {
  const { structure } = rate.charge;
  const faults: Fault[] = [];
  const refuse = (message: string): void => void faults.push({ path: `${path}.charge.structure`, message });
  if ((structure === 'share-of-spend') !== (meter.from === 'spend') && structure !== 'flat') {
    refuse(
      `${meter.meter} ${meter.from === 'spend' ? 'is a share of spend or flat' : 'is no share of spend'}`,
    );
  }
  if (structure === 'greatest-of' && meter.from !== 'capacity') {
    refuse(`greatest-of bills capacity units, and ${meter.meter} is none`);
  }
  if (structure === 'greatest-of' && rate.unit !== 'unit-hour') {
    faults.push({ path: `${path}.unit`, message: 'capacity units are charged per unit-hour' });
  }
  if (structure === 'by-parts' && meter.from !== 'running') {
    refuse(`by-parts bills running time, and ${meter.meter} is none`);
  }
  if (structure === 'stepped' && meter.from !== 'held') {
    refuse(`stepped fees are by the size of what is held, and ${meter.meter} is not held`);
  }
  if (rate.pool !== 'component' && !STRUCTURES[structure].poolable) {
    faults.push({ path: `${path}.pool`, message: `${structure} cannot be counted over a ${rate.pool}` });
  }
  return faults;
}

function termFaults(rate: RateRow, meter: MeterDefinition, committable: boolean, path: string): Fault[] {
  const faults: Fault[] = [];
  const commitment = commitmentOf(rate.term);
  if (rate.term !== 'on-demand' && !committable) {
    faults.push({ path: `${path}.term`, message: 'this kind is sold on demand only' });
  }
  if (!commitment) {
    if (rate.upfront !== null) {
      faults.push({ path: `${path}.upfront`, message: `${rate.term} has no upfront payment` });
    }
    return faults;
  }
  const needsUpfront = commitment.payment !== 'none' && !rate.term.startsWith('spend-');
  if (needsUpfront && rate.upfront === null) {
    faults.push({ path: `${path}.upfront`, message: `term ${rate.term} needs an upfront payment` });
  }
  if (!needsUpfront && rate.upfront !== null) {
    faults.push({ path: `${path}.upfront`, message: `term ${rate.term} has no upfront payment` });
  }
  const bare = (field: keyof RateRow, message: string): void => {
    if (rate[field] != null) faults.push({ path: `${path}.${field}`, message });
  };
  bare('allowance', 'a committed rate has no allowance');
  bare('sustained', 'committed and sustained-use prices do not add up');
  bare('monthlyCap', 'a committed rate is paid every hour; it has no cap');
  bare('increment', 'a committed rate is paid every hour; nothing is rounded up');
  if (rate.pool !== 'component') {
    faults.push({ path: `${path}.pool`, message: 'a committed rate is counted by component' });
  }
  if (rate.term.startsWith('spend-')) faults.push(...spendFaults(rate, meter, path));
  return faults;
}

/** The price at which a spend commitment buys: of one unit, and nothing more. */
function spendFaults(rate: RateRow, meter: MeterDefinition, path: string): Fault[] {
  const faults: Fault[] = [];
  if (meter.from !== 'running') {
    const message = `a spend commitment buys running time, and ${meter.meter} is none`;
    faults.push({ path: `${path}.term`, message });
  }
  if (rate.charge.structure !== 'per-unit' && rate.charge.structure !== 'by-parts') {
    const message = 'a spend commitment buys at a price per unit or by parts';
    faults.push({ path: `${path}.charge.structure`, message });
  }
  const sized = unitOf(rate.unit);
  const timed = sized.ok && sized.value.dimension === 'time';
  const { minimums } = rate;
  if (minimums && (minimums.count ?? minimums.total ?? (timed ? minimums.each : null)) !== null) {
    const message = 'a spend commitment buys what runs; it has no minimum of its own';
    faults.push({ path: `${path}.minimums`, message });
  }
  return faults;
}

/** What a rate says beside its price must mean something where it stands: what cannot be honoured is refused. */
function restFaults(rate: RateRow, meter: MeterDefinition, offer: OfferRow, path: string): Fault[] {
  const faults: Fault[] = [];
  const fault = (field: string, message: string): void =>
    void faults.push({ path: `${path}.${field}`, message });
  if (rate.sustained) {
    const ends = rate.sustained.map((each) => new Decimal(each.upTo));
    ends.forEach((end, index) => {
      if (!end.greaterThan(ends[index - 1] ?? 0)) fault(`sustained[${index}].upTo`, 'bands must rise');
    });
    if (!ends.at(-1)!.equals(1)) fault(`sustained[${ends.length - 1}].upTo`, 'the last band must end at 1');
    if (meter.from !== 'running') fault('sustained', 'only running time has sustained use');
  }
  if (rate.range) {
    if (rate.term !== 'interruptible') fault('range', 'only an interruptible price has a range');
    if (new Decimal(rate.range.low).greaterThan(rate.range.high)) fault('range.low', 'exceeds the high end');
    if (rate.charge.structure !== 'per-unit') fault('range', 'only a price per unit has a range');
  }
  if (rate.monthlyCap != null) {
    if (meter.from !== 'running') fault('monthlyCap', 'only running time has a monthly cap');
    if (rate.charge.structure !== 'per-unit') fault('monthlyCap', 'only a price per unit has a monthly cap');
    if (!conversionFactor('hour', rate.unit).ok)
      fault('monthlyCap', 'only a price for time has a monthly cap');
  }
  if (rate.overage != null && offer.kind !== 'prepaid-credit') {
    fault('overage', 'only prepaid credit has a price beyond it');
  }
  if (rate.basis !== undefined && meter.from !== 'held') {
    fault('basis', `only what is held has a size set aside, and ${meter.meter} is not held`);
  }
  const money = offer.kind === 'spend-commitment' || offer.kind === 'prepaid-credit';
  if (rate.early && (!commitmentOf(rate.term) || rate.term.startsWith('spend-'))) {
    fault('early', 'only a commitment can be left early');
  } else if (rate.early?.rule === 're-rate' && money) {
    fault('early.rule', 'money that buys other use has no on-demand price of its own; use fee or rest-due');
  }
  return [
    ...faults,
    ...allowanceFaults(rate, meter, offer, path),
    ...incrementFaults(rate, meter, path),
    ...minimumFaults(rate, meter, path),
  ];
}

function allowanceFaults(rate: RateRow, meter: MeterDefinition, offer: OfferRow, path: string): Fault[] {
  if (rate.allowance === null) {
    if (rate.allowanceMonths == null) return [];
    return [{ path: `${path}.allowanceMonths`, message: 'there is no allowance that could end' }];
  }
  const none = ['stepped', 'share-of-spend'].includes(rate.charge.structure)
    ? `${rate.charge.structure} has no quantity that an allowance could reduce`
    : meter.from === 'per-hour' || offer.kind === 'prepaid-credit'
      ? 'money that is committed has no allowance'
      : null;
  return none ? [{ path: `${path}.allowance`, message: none }] : [];
}

function incrementFaults({ increment }: RateRow, meter: MeterDefinition, path: string): Fault[] {
  if (!increment) return [];
  const faults: Fault[] = [];
  if (new Decimal(increment.step).isZero()) {
    faults.push({ path: `${path}.increment.step`, message: 'must be above zero' });
  }
  const wanted = incrementDimension(meter);
  const unit = unitOf(increment.unit);
  if (wanted === null) {
    const message = `increments round events and runs, and ${meter.meter} is neither`;
    faults.push({ path: `${path}.increment`, message });
  } else if (unit.ok && unit.value.dimension !== wanted) {
    const what = wanted === 'time' ? 'a time' : 'a size';
    const message = `one ${wanted === 'time' ? 'run' : 'event'} of ${meter.meter} has ${what}, not ${increment.unit}`;
    faults.push({ path: `${path}.increment.unit`, message });
  }
  return faults;
}

/** What one event of a meter is measured in; null: it has no events. */
function incrementDimension({ from, enteredIn }: MeterDefinition): string | null {
  if (from === 'running' || from === 'runs') return 'time';
  const entered = unitOf(enteredIn);
  return from === 'monthly' && entered.ok && entered.value.dimension === 'count' ? 'data' : null;
}

function minimumFaults(rate: RateRow, meter: MeterDefinition, path: string): Fault[] {
  const { minimums } = rate;
  if (!minimums) return [];
  const faults: Fault[] = [];
  const refuse = (field: keyof typeof minimums, message: string): void => {
    if (minimums[field] !== null) faults.push({ path: `${path}.minimums.${field}`, message });
  };
  const money = meter.from === 'spend' || meter.from === 'per-hour';
  if (money || meter.from === 'count') refuse('each', `${meter.meter} has no quantity of each`);
  if (money) refuse('count', `${meter.meter} is not counted in units`);
  if (money) refuse('total', `${meter.meter} is an amount of money; it has no least quantity`);
  const { structure } = rate.charge;
  if (structure === 'stepped' || structure === 'flat') {
    refuse('total', `${structure} fees are for each; a least quantity of the month means nothing`);
  }
  if (meter.from !== 'held') refuse('keptDays', `only what is held is kept, and ${meter.meter} is not held`);
  const unit = unitOf(rate.unit);
  if (commitmentOf(rate.term) && meter.from === 'running' && unit.ok && unit.value.dimension === 'time') {
    refuse('each', 'committed units are paid every hour; a least number of hours means nothing');
  }
  return faults;
}
