/** The small fields that narrow the list of offers. */
'use client';
import { Field } from '@/platform/ui/field';

interface SelectProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly string[];
  readonly onChange: (value: string) => void;
}

export function Select({ label, value, options, onChange }: SelectProps) {
  return (
    <div className="w-[130px]">
      <Field label={label}>
        {(field) => (
          <select {...field} value={value} onChange={(event) => onChange(event.target.value)}>
            <option value="">any</option>
            {options.map((option) => (
              <option key={option}>{option}</option>
            ))}
          </select>
        )}
      </Field>
    </div>
  );
}

interface LeastProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}

export function Least({ label, value, onChange }: LeastProps) {
  return (
    <div className="w-[72px]">
      <Field label={label}>
        {(field) => (
          <input
            {...field}
            value={value}
            inputMode="decimal"
            maxLength={8}
            onChange={(event) => onChange(event.target.value)}
          />
        )}
      </Field>
    </div>
  );
}
