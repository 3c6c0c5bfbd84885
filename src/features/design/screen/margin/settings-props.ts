/** What every part of a component's settings reads and does. */
import type { Decimal } from '@/engine/base';
import type { Component, ComponentField, Edit } from '@/engine/design';
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
