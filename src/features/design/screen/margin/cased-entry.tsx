/** One quantity for three cases: likely is what counts; lean and heavy make its range and may be left empty. */
'use client';
import { err, issue, type Result } from '@/engine/base';
import { sentenceFor, writeNumber } from '@/platform/words';
import { CASES, type Case, type Cased, isOutOfOrder, withLikely } from '@/engine/usage';
import { TextEntry } from '@/platform/ui/text-entry';
import { partsOf, readCased } from '../cells/cases-text';

interface CasedEntryProps {
  readonly label: string;
  readonly unit?: string;
  readonly value: Cased | null;
  /** More is heavier: lean is not above likely, likely not above heavy. */
  readonly rising?: boolean;
  /** What a value is written as; grouped digits if not said. */
  readonly write?: (value: string) => string;
  /** Reads one typed value as plain decimal text. */
  readonly read: (text: string) => Result<string>;
  /** Checks and shows the whole; a sentence if refused. */
  readonly preview: (value: Cased | null) => string | null;
  readonly commit: (value: Cased) => void;
  readonly cancel: () => void;
}

const grouped = (text: string): string => writeNumber(text, undefined, 18);

export function CasedEntry(props: CasedEntryProps) {
  const { label, unit, value, rising, write = grouped, read, preview, commit, cancel } = props;
  const written = (text: string | undefined): string => (text === undefined ? '' : write(text));
  const withCase = (which: Case, text: string): Result<Cased> => {
    if (text.trim() === '' && which !== 'likely') {
      const { [which]: _, formula: __, ...rest } = value ?? { likely: '0' };
      return { ok: true, value: rest as Cased };
    }
    if (!value && which !== 'likely')
      return err(issue('edit.invalid', [], { reason: 'enter the likely value first.' }));
    // Three at once may be typed where one is asked for: "3 / 4 / 6".
    if (which === 'likely' && (partsOf(text)?.length ?? 0) !== 1) return readCased(text, value, read);
    const number = read(text);
    if (!number.ok) return number;
    if (rising && which === 'likely' && value) return { ok: true, value: withLikely(value, number.value) };
    // What is typed follows no formula any more.
    const { formula: _, ...plain } = value ?? { likely: '0' };
    const next = { ...plain, [which]: number.value } as Cased;
    return rising && isOutOfOrder(next) ? err(issue('range.order')) : { ok: true, value: next };
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
            text={written(value?.[which])}
            placeholder={which === 'likely' ? 'enter' : written(value?.likely)}
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
