/** How an own line's charge becomes money: its structure, and the numbers of it. */
'use client';
import type { Result } from '@/engine/base';
import type { CustomCharge } from '@/engine/design';
import type { ChargeStructure, ChargeText } from '@/engine/rates';
import { Field } from '@/platform/ui/field';
import {
  asStructure,
  OWN_STRUCTURES,
  readBlock,
  readSteps,
  readTiers,
  stepsText,
  tiersText,
} from '../cells/charge-text';
import { ReadEntry } from './read-entry';
import { readNumber } from '../cells/number-text';

interface ChargeEntriesProps {
  readonly row: CustomCharge;
  /** Null takes the preview back. */
  readonly preview: (charge: ChargeText | null) => void;
  readonly commit: (charge: ChargeText) => void;
}

export function ChargeEntries({ row, preview, commit }: ChargeEntriesProps) {
  const { charge } = row;
  const text = (label: string, value: string, read: (typed: string) => Result<ChargeText>, hint?: string) => (
    <ReadEntry label={label} text={value} hint={hint} read={read} onTyped={preview} onRead={commit} />
  );
  const number = (
    label: string,
    value: string,
    make: (number: string) => ChargeText,
    read: (typed: string) => Result<string> = readNumber,
  ) =>
    text(label, value, (typed) => {
      const next = read(typed);
      return next.ok ? { ok: true, value: make(next.value) } : next;
    });
  const known = OWN_STRUCTURES.some(([structure]) => structure === charge.structure);
  return (
    <>
      <Field label="Charged as">
        {(field) => (
          <select
            {...field}
            value={charge.structure}
            onChange={(event) => commit(asStructure(charge, event.target.value as ChargeStructure))}
          >
            {OWN_STRUCTURES.map(([structure, words]) => (
              <option key={structure} value={structure}>
                {words}
              </option>
            ))}
            {!known && <option value={charge.structure}>{charge.structure}, as its file says</option>}
          </select>
        )}
      </Field>
      {charge.structure === 'per-unit' &&
        number('Price of one', charge.price, (price) => ({ ...charge, price }))}
      {charge.structure === 'per-block' && (
        <div className="grid grid-cols-2 gap-1.5">
          {number('Price of a block', charge.price, (price) => ({ ...charge, price }))}
          {number(`Block, ${row.unit}`, charge.block, (block) => ({ ...charge, block }), readBlock)}
        </div>
      )}
      {(charge.structure === 'graduated' || charge.structure === 'volume') &&
        text(
          `Tiers, ends in ${row.unit}`,
          tiersText(charge),
          (typed) => readTiers(typed, charge.structure),
          'such as 0.09 up to 10240, 0.07 beyond',
        )}
      {charge.structure === 'stepped' &&
        text(
          `Steps, sizes in ${row.unit}`,
          stepsText(charge),
          readSteps,
          'such as 5 up to 50, 10 up to 500, then 10 per 500',
        )}
      {charge.structure === 'flat' && (
        <>
          {number('Amount for each unit', charge.amount, (amount) => ({ ...charge, amount }))}
          <label className="flex items-center gap-2 text-sm">
            <input
              type="checkbox"
              checked={charge.once}
              onChange={(event) => commit({ ...charge, once: event.target.checked })}
              className="accent-brand"
            />
            paid once, in the first month
          </label>
        </>
      )}
    </>
  );
}
