/** A labelled input or select with room for its unit and its fault. */
import { type ReactNode, useId } from 'react';

interface FieldProps {
  readonly label: string;
  readonly fault?: string | null;
  readonly hint?: string;
  readonly children: (props: {
    id: string;
    'aria-invalid'?: true;
    'aria-describedby'?: string;
    className: string;
  }) => ReactNode;
}

export const INPUT =
  'h-7 w-full min-w-0 rounded border border-edge bg-surface px-2 text-sm text-ink aria-invalid:border-ember';

export function Field({ label, fault = null, hint, children }: FieldProps) {
  const id = useId();
  const note = fault ?? hint;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-0.5 block text-xs text-soft">
        {label}
      </label>
      {children({
        id,
        className: INPUT,
        ...(fault ? { 'aria-invalid': true as const } : {}),
        ...(note ? { 'aria-describedby': `${id}-note` } : {}),
      })}
      {note && (
        <p
          id={`${id}-note`}
          role={fault ? 'alert' : undefined}
          className={`mt-0.5 text-xs ${fault ? 'text-ember-ink' : 'text-soft'}`}
        >
          {note}
        </p>
      )}
    </div>
  );
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly hint?: string;
  readonly value: T;
  /** Each with its words, in order. */
  readonly options: readonly (readonly [T, string])[];
  readonly onChange: (value: T) => void;
}

/** One of a few, in a labelled list. */
export function Choice<T extends string>({ label, hint, value, options, onChange }: ChoiceProps<T>) {
  return (
    <Field label={label} hint={hint}>
      {(field) => (
        <select {...field} value={value} onChange={(event) => onChange(event.target.value as T)}>
          {options.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
