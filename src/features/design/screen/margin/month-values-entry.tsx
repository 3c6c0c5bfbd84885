/** Values for some months in one line of text: campaigns, and amounts that change later. */
'use client';
import { type MonthValue, monthValuesText, readMonthValues } from '../cells/month-values';
import { ReadEntry } from './read-entry';

interface MonthValuesEntryProps {
  readonly label: string;
  readonly hint: string;
  readonly rows: readonly MonthValue[];
  /** Null: none. */
  readonly commit: (rows: readonly MonthValue[] | null) => void;
}

export function MonthValuesEntry({ label, hint, rows, commit }: MonthValuesEntryProps) {
  return (
    <ReadEntry
      label={label}
      hint={hint}
      text={monthValuesText(rows)}
      read={readMonthValues}
      onRead={(next) => commit(next.length > 0 ? next : null)}
    />
  );
}
