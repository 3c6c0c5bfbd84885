/** One quantity for three cases: likely is what counts; lean and heavy make its range and may be left empty. */
'use client';
import { err, issue, type Result } from '@/core/base';
import { sentenceFor, writeNumber } from '@/core/display';
import { CASES, type Case, type Cased } from '@/core/usage';
import { TextEntry } from '@/ui/text-entry';

interface CasedEntryProps {
  readonly label: string;
  readonly unit?: string;
  readonly value: Cased | null;
  /** Reads one typed value as plain decimal text. */
  readonly read: (text: string) => Result<string>;
  /** Checks and shows the whole; a sentence if refused. */
  readonly preview: (value: Cased | null) => string | null;
  readonly commit: (value: Cased) => void;
  readonly cancel: () => void;
}

const grouped = (text: string | undefined): string =>
  text === undefined ? '' : writeNumber(text, undefined, 18);

export function CasedEntry({ label, unit, value, read, preview, commit, cancel }: CasedEntryProps) {
  const withCase = (which: Case, text: string): Result<Cased> => {
    if (text.trim() === '' && which !== 'likely') {
      const { [which]: _, ...rest } = value ?? { likely: '0' };
      return { ok: true, value: rest as Cased };
    }
    if (!value && which !== 'likely')
      return err(issue('edit.invalid', [], { reason: 'enter the likely value first.' }));
    const number = read(text);
    return number.ok ? { ok: true, value: { ...value, [which]: number.value } as Cased } : number;
  };
  return (
    <fieldset className="min-w-0">
      <legend className="mb-0.5 flex w-full justify-between text-sm font-medium">
        {label}
        {unit && <span className="pl-2 text-xs font-normal text-soft">{unit}</span>}
      </legend>
      <div className="grid grid-cols-3 gap-1.5">
        {CASES.map((which) => (
          <TextEntry
            key={which}
            label={which}
            text={grouped(value?.[which])}
            placeholder={which === 'likely' ? 'enter' : grouped(value?.likely)}
            maxLength={60}
            preview={(text) => {
              const next = withCase(which, text);
              return next.ok ? preview(next.value) : (preview(null), sentenceFor(next.issue));
            }}
            commit={(text) => {
              const next = withCase(which, text);
              if (next.ok) commit(next.value);
            }}
            cancel={cancel}
          />
        ))}
      </div>
    </fieldset>
  );
}
