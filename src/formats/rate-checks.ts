/** What must hold for one rate of an offer: its meter, its unit, a structure and a term that fit, a sound rest. */
import { assertNever, Decimal } from '@/core/base';
import { kindOf, type MeterDefinition, meterOfKind } from '@/core/books';
import { chargeFaults, POOLABLE } from '@/core/rates';
import { commitmentOf } from '@/core/terms';
import { conversionFactor, unitOf } from '@/core/units';
import type { Fault } from './faults';
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
    ...termFaults(rate, kind.committable, path),
    ...restFaults(rate, path),
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
  if (structure === 'by-parts' && meter.from !== 'running') {
    refuse(`by-parts bills running time, and ${meter.meter} is none`);
  }
  if (structure === 'stepped' && meter.from !== 'held') {
    refuse(`stepped fees are by the size of what is held, and ${meter.meter} is not held`);
  }
  if (rate.pool !== 'component' && !POOLABLE.has(structure)) {
    faults.push({ path: `${path}.pool`, message: `${structure} cannot be counted over a ${rate.pool}` });
  }
  return faults;
}

function termFaults(rate: RateRow, committable: boolean, path: string): Fault[] {
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
  if (rate.allowance !== null) {
    faults.push({ path: `${path}.allowance`, message: 'a committed rate has no allowance' });
  }
  return faults;
}

function restFaults(rate: RateRow, path: string): Fault[] {
  const faults: Fault[] = [];
  const fault = (field: string, message: string): void =>
    void faults.push({ path: `${path}.${field}`, message });
  if (rate.allowanceMonths != null && rate.allowance === null) {
    fault('allowanceMonths', 'there is no allowance that could end');
  }
  if (rate.increment) {
    if (new Decimal(rate.increment.step).isZero()) fault('increment.step', 'must be above zero');
  }
  if (rate.sustained) {
    const ends = rate.sustained.map((each) => new Decimal(each.upTo));
    ends.forEach((end, index) => {
      if (!end.greaterThan(ends[index - 1] ?? 0)) fault(`sustained[${index}].upTo`, 'bands must rise');
    });
    if (!ends.at(-1)!.equals(1)) fault(`sustained[${ends.length - 1}].upTo`, 'the last band must end at 1');
  }
  if (rate.range) {
    if (rate.term !== 'interruptible') fault('range', 'only an interruptible price has a range');
    if (new Decimal(rate.range.low).greaterThan(rate.range.high)) fault('range.low', 'exceeds the high end');
    if (rate.charge.structure !== 'per-unit') fault('range', 'only a price per unit has a range');
  }
  if (rate.monthlyCap != null && rate.charge.structure !== 'per-unit') {
    fault('monthlyCap', 'only a price per unit has a monthly cap');
  }
  if (rate.monthlyCap != null && !conversionFactor('hour', rate.unit).ok) {
    fault('monthlyCap', 'only a price for time has a monthly cap');
  }
  if (rate.early && !commitmentOf(rate.term)) fault('early', 'only a commitment can be left early');
  return faults;
}
