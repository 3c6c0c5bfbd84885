/** Values for some months in one line of text: campaigns, and amounts that change later. */
'use client';
import { sentenceFor } from '@/core/display';
import { TextEntry } from '@/ui/text-entry';
import { type MonthValue, monthValuesText, readMonthValues } from '../cells/month-values';

interface MonthValuesEntryProps {
  readonly label: string;
  readonly hint: string;
  readonly rows: readonly MonthValue[];
  /** Null: none. */
  readonly commit: (rows: readonly MonthValue[] | null) => void;
}

export function MonthValuesEntry({ label, hint, rows, commit }: MonthValuesEntryProps) {
  return (
    <TextEntry
      label={label}
      hint={hint}
      text={monthValuesText(rows)}
      preview={(typed) => {
        const read = readMonthValues(typed);
        return read.ok ? null : sentenceFor(read.issue);
      }}
      commit={(typed) => {
        const read = readMonthValues(typed);
        if (read.ok) commit(read.value.length > 0 ? read.value : null);
      }}
      cancel={() => undefined}
    />
  );
}
