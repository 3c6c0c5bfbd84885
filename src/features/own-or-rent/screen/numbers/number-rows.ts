/** Assumptions as rows of the ledger: by page, by thing, each with what it may be typed as. */
import { assumptionName, studyUnit } from '@/features/own-or-rent/words';
import type { Assumption, Guess, Study } from '@/features/own-or-rent/calc';
import type { LedgerRow } from '@/platform/ui/ledger';
import { casedText, readCased } from '@/features/design/screen/cells/cases-text';
import { readNumber } from '@/features/design/screen/cells/number-text';
import { sentenceFor, writeNumber } from '@/platform/words';

export const PAGES = [
  ['work', 'The work'],
  ['owned', 'Owned'],
  ['rented', 'Rented'],
  ['move', 'The move'],
  ['both', 'Both sides'],
] as const;
export type Page = (typeof PAGES)[number][0];

export type NumberRow =
  /** A page, or a thing of the study by its path: `hardware/hosts`. */
  | { readonly is: 'page'; readonly page: Page; readonly words: string }
  | { readonly is: 'thing'; readonly path: string; readonly name: string }
  | { readonly is: 'number'; readonly assumption: Assumption; readonly path: string | null };

/** The thing that an assumption is of; null: it is a general one. */
export function pathOf(id: string): string | null {
  const parts = id.split('/');
  return parts[0] === 'general' ? null : parts.slice(0, -1).join('/');
}

export function numberRows(
  assumptions: readonly Assumption[],
  page: Page | 'all',
  words: string,
): LedgerRow<NumberRow>[] {
  const rows: LedgerRow<NumberRow>[] = [];
  for (const [key, title] of PAGES) {
    if (page !== 'all' && page !== key) continue;
    const wanted = assumptions.filter((each) => each.group === key && says(each, words));
    if (wanted.length === 0) continue;
    rows.push({ key: `page ${key}`, level: 'head', data: { is: 'page', page: key, words: title } });
    let path: string | null = null;
    for (const assumption of [...wanted].sort(
      (a, b) => Number(pathOf(a.id) !== null) - Number(pathOf(b.id) !== null),
    )) {
      const own = pathOf(assumption.id);
      if (own !== null && own !== path)
        rows.push({
          key: `thing ${own}`,
          level: 'flat',
          data: { is: 'thing', path: own, name: assumption.of },
        });
      path = own;
      const level = own === null ? 'flat' : 'line';
      rows.push({ key: assumption.id, level, data: { is: 'number', assumption, path: own } });
    }
  }
  return rows;
}

/** Whole words or beginnings of them, all of them, in any order. */
function says(assumption: Assumption, words: string): boolean {
  const text = assumptionName(assumption).toLowerCase();
  return words
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** Of what is counted or quoted there is no usual value. */
export const hasUsual = ({ id }: Assumption): boolean =>
  !/^parts\/|\/parts\/|^hardware\/[^/]+\/(count|price|carries)$/.test(id);

/** What was typed as a guess, or a sentence. */
export function readGuess(
  text: string,
  before: Guess,
  { field }: Assumption,
): { readonly guess: Guess } | { readonly refused: string } {
  const read = readCased(text.replaceAll('%', ' '), before, (part) => readNumber(part), field.whole);
  if (!read.ok) return { refused: sentenceFor(read.issue) };
  const { likely, lean, heavy } = read.value;
  const all = [lean ?? likely, likely, heavy ?? likely].map(Number);
  if (all.some((each) => each < Number(field.least))) return { refused: `Not below ${field.least}.` };
  if (all.some((each) => each > Number(field.most))) return { refused: `Not above ${field.most}.` };
  if (field.whole && all.some((each) => !Number.isInteger(each))) return { refused: 'A whole number.' };
  return {
    guess: { likely, ...(lean === undefined ? {} : { lean }), ...(heavy === undefined ? {} : { heavy }) },
  };
}

export const writeGuess = (guess: Guess): string => casedText(guess, (text) => writeNumber(text));

export const unitOf = ({ field }: Assumption, study: Pick<Study, 'currency'>): string => {
  const unit = studyUnit(field.unit, study.currency);
  return unit.startsWith('percent') ? `%${unit.slice('percent'.length)}` : unit;
};
