/** The charges of an own line: what it is called, how much of it each unit uses, what one costs. */
'use client';
import { err, issue, ok, type Result } from '@/engine/base';
import type { CustomCharge } from '@/engine/design';
import { inAllCases } from '@/engine/usage';
import { Button } from '@/platform/ui/button';
import { CasedEntry } from './cased-entry';
import { ChargeEntries } from './charge-entries';
import { ReadEntry } from './read-entry';
import { setField, type SettingsProps } from './settings-props';
import { readNumber } from '../cells/number-text';
import { UnitSelect } from './usage-entries';

const FIRST: CustomCharge = {
  label: 'New charge',
  unit: 'month',
  amount: inAllCases('1'),
  charge: { structure: 'per-unit', price: '0' },
};
const UNITS = ['month', 'hour', 'user', 'item', 'core', 'GB', 'TB', 'request', 'million requests', 'unit'];

/** A text may not be empty. */
function readLabel(text: string): Result<string> {
  const label = text.trim();
  if (label !== '' && label.length <= 200) return ok(label);
  return err(issue('edit.invalid', [], { reason: 'a charge needs a name of up to 200 letters.' }));
}

/** Nothing, or a number. */
function readAllowance(text: string): Result<string> {
  return text.trim() === '' ? ok('') : readNumber(text);
}

export function CustomEntries({ component, apply, preview }: SettingsProps) {
  const charges = component.custom ?? [];
  const replaced = (at: number, part: Partial<CustomCharge>): CustomCharge[] =>
    charges.map((each, index) => (index === at ? { ...each, ...part } : each));
  const allowed = (at: number, allowance: string): CustomCharge[] =>
    charges.map((each, index) => {
      if (index !== at) return each;
      const { allowance: _, ...rest } = each;
      return allowance === '' ? rest : { ...rest, allowance };
    });
  const set = (next: readonly CustomCharge[]): void => apply([setField(component, 'custom', next)]);
  const text = (
    label: string,
    value: string,
    read: (text: string) => Result<string>,
    make: (value: string) => CustomCharge[],
  ) => (
    <ReadEntry
      label={label}
      text={value}
      maxLength={200}
      read={read}
      onTyped={(next) => preview(next === null ? [] : [setField(component, 'custom', make(next))])}
      onRead={(next) => set(make(next))}
    />
  );
  return (
    <div className="space-y-3">
      {charges.map((charge, at) => (
        <div key={at} className="space-y-1.5 border-b border-line pb-2">
          {text('Charge', charge.label, readLabel, (label) => replaced(at, { label }))}
          {charge.charge.structure !== 'flat' && (
            <CasedEntry
              label="Amount"
              unit="of each, a month"
              value={charge.amount}
              read={readNumber}
              preview={(next) => {
                preview(next ? [setField(component, 'custom', replaced(at, { amount: next }))] : []);
                return null;
              }}
              commit={(amount) => set(replaced(at, { amount }))}
              cancel={() => preview([])}
            />
          )}
          <UnitSelect
            label="Unit"
            unit={charge.unit}
            units={UNITS}
            disabled={false}
            onChange={(unit) => set(replaced(at, { unit }))}
          />
          <ChargeEntries
            row={charge}
            preview={(next) =>
              preview(next ? [setField(component, 'custom', replaced(at, { charge: next }))] : [])
            }
            commit={(next) => set(replaced(at, { charge: next }))}
          />
          {charge.charge.structure !== 'flat' &&
            text('Included each month, free of charge', charge.allowance ?? '', readAllowance, (allowance) =>
              allowed(at, allowance),
            )}
          <Button tone="bare" onClick={() => set(charges.filter((_, index) => index !== at))}>
            Remove the charge
          </Button>
        </div>
      ))}
      <Button onClick={() => set([...charges, FIRST])}>Add a charge</Button>
    </div>
  );
}
