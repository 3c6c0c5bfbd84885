/** The charges of an own line: what it is called, how much of it each unit uses, what one costs. */
'use client';
import { err, issue, ok, type Result } from '@/core/base';
import type { CustomCharge } from '@/core/design';
import { sentenceFor } from '@/core/display';
import { sure } from '@/core/usage';
import { Button } from '@/ui/button';
import { TextEntry } from '@/ui/text-entry';
import { CasedEntry } from './cased-entry';
import { readNumber, setField, type SettingsProps } from './settings-props';
import { UnitSelect } from './usage-entries';

const FIRST: CustomCharge = {
  label: 'New charge',
  unit: 'month',
  amount: sure('1'),
  charge: { structure: 'per-unit', price: '0' },
};
const UNITS = ['month', 'hour', 'user', 'item', 'core', 'GB', 'TB', 'request', 'million requests', 'unit'];

/** A text may not be empty. */
function readLabel(text: string): Result<string> {
  const label = text.trim();
  if (label !== '' && label.length <= 200) return ok(label);
  return err(issue('edit.invalid', [], { reason: 'a charge needs a name of up to 200 letters.' }));
}

export function CustomEntries({ component, apply, preview }: SettingsProps) {
  const charges = component.custom ?? [];
  const replaced = (at: number, part: Partial<CustomCharge>): CustomCharge[] =>
    charges.map((each, index) => (index === at ? { ...each, ...part } : each));
  const set = (next: readonly CustomCharge[]): void => apply([setField(component, 'custom', next)]);
  const text = (
    label: string,
    value: string,
    read: (text: string) => Result<string>,
    make: (value: string) => CustomCharge[],
  ) => (
    <TextEntry
      label={label}
      text={value}
      maxLength={200}
      preview={(typed) => {
        const next = read(typed);
        preview(next.ok ? [setField(component, 'custom', make(next.value))] : []);
        return next.ok ? null : sentenceFor(next.issue);
      }}
      commit={(typed) => {
        const next = read(typed);
        if (next.ok) set(make(next.value));
      }}
      cancel={() => preview([])}
    />
  );
  return (
    <div className="space-y-3">
      {charges.map((charge, at) => (
        <div key={at} className="space-y-1.5 border-b border-line pb-2">
          {text('Charge', charge.label, readLabel, (label) => replaced(at, { label }))}
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
          <UnitSelect
            label="Unit"
            unit={charge.unit}
            units={UNITS}
            disabled={false}
            onChange={(unit) => set(replaced(at, { unit }))}
          />
          {charge.charge.structure === 'per-unit' ? (
            text('Price of one', charge.charge.price, readNumber, (price) =>
              replaced(at, { charge: { structure: 'per-unit', price } }),
            )
          ) : (
            <p className="text-xs text-soft">Charged as {charge.charge.structure}, as its file says.</p>
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
