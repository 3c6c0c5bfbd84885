/** The small fields that narrow the list of offers. */
'use client';
import { INPUT } from '@/ui/field';

export function Select({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly string[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="w-[130px]">
      <span className="mb-0.5 block text-xs text-soft">{label}</span>
      <select value={value} onChange={(event) => onChange(event.target.value)} className={INPUT}>
        <option value="">any</option>
        {options.map((option) => (
          <option key={option}>{option}</option>
        ))}
      </select>
    </label>
  );
}

export function Least({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
}) {
  return (
    <label className="w-[72px]">
      <span className="mb-0.5 block text-xs text-soft">{label}</span>
      <input
        value={value}
        inputMode="decimal"
        maxLength={8}
        onChange={(event) => onChange(event.target.value)}
        className={INPUT}
      />
    </label>
  );
}
