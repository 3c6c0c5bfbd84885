/** What every part of a component's settings reads and does. */
import { type Decimal, err, issue, ok, type Result } from '@/core/base';
import type { Component, ComponentField, Edit } from '@/core/design';
import { convertQuantity, readQuantity } from '@/core/units';
import type { PickerKind } from '../columns';

export interface SettingsProps {
  readonly component: Component;
  readonly offerName: string;
  readonly placeName: string;
  readonly monthHours: Decimal;
  /** Codes of why there is no amount: settings that are missing show themselves. */
  readonly lacks: readonly string[];
  readonly apply: (edits: readonly Edit[]) => void;
  readonly preview: (edits: readonly Edit[]) => void;
  readonly open: (what: PickerKind) => void;
}

export function setField<F extends ComponentField>(
  { id }: Component,
  field: F,
  value: Extract<Edit, { edit: 'set-component'; field: F }>['value'],
): Edit {
  return { edit: 'set-component', id, field, value } as Edit;
}

/** Reads an amount typed in any fitting unit as plain decimal text in `unit`. */
export function readAmount(unit: string): (text: string) => Result<string> {
  return (text) => {
    const quantity = readQuantity(text, unit);
    if (!quantity.ok) return quantity;
    const inUnit = convertQuantity(quantity.value, unit);
    return inUnit.ok ? ok(inUnit.value.amount.toDecimalPlaces(18).toString()) : inUnit;
  };
}

export function readWhole(text: string): Result<string> {
  const quantity = readQuantity(text, 'request');
  if (!quantity.ok) return quantity;
  if (!quantity.value.amount.isInteger())
    return err(issue('count.not-whole', [], { count: text.trim().slice(0, 40) }));
  if (quantity.value.amount.greaterThan(1_000_000)) {
    return err(issue('quantity.too-large', [], { amount: text.trim().slice(0, 40) }));
  }
  return ok(quantity.value.amount.toString());
}

/** Reads a bare number. */
export function readNumber(text: string): Result<string> {
  return readAmount('unit')(text);
}
