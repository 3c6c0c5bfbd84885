/** Numbers of a placement, checked while they are typed; and a part of its settings. */
'use client';
import { TextEntry } from '@/platform/ui/text-entry';

export const exact = (value: number): number => Number(value.toPrecision(12));

export function numberIn(text: string, least: number, most: number, whole = false): number | null {
  const value = /^\d+([.,]\d+)?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : NaN;
  return value >= least && value <= most && (!whole || Number.isInteger(value)) ? value : null;
}

export function Amount({
  label,
  value,
  least,
  most,
  whole = false,
  hint,
  onValue,
}: {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly hint?: string;
  readonly onValue: (value: number) => void;
}) {
  return (
    <TextEntry
      label={label}
      hint={hint}
      text={String(exact(value))}
      preview={(text) =>
        numberIn(text, least, most, whole) === null
          ? `A ${whole ? 'whole ' : ''}number from ${least} to ${most}.`
          : null
      }
      commit={(text) => onValue(numberIn(text, least, most, whole)!)}
      cancel={() => undefined}
    />
  );
}

export function Part({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  return (
    <section aria-label={title}>
      <h3 className="mb-2 border-b border-line pb-1 text-sm font-semibold">{title}</h3>
      <div className="grid grid-cols-3 gap-x-3 gap-y-2.5 max-[700px]:grid-cols-1">{children}</div>
    </section>
  );
}
