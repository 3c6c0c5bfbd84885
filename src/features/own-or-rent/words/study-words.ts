/** Own or rent in words: kinds of cost, what is wrong with a study, months and values of assumptions. */
import { assertNever, decimal } from '@/engine/base';
import type { Assumption, Guess, Study, StudyTrouble, TableKind } from '@/features/own-or-rent/calc';
import { HOUSE, writeNumber } from '@/platform/words';

const KIND_WORDS: Readonly<Record<TableKind, string>> = {
  site: 'Site and power',
  hardware: 'Hardware',
  network: 'Network',
  compute: 'Compute',
  storage: 'Storage',
  transfer: 'Transfer',
  licences: 'Licences',
  people: 'People',
  move: 'The move',
  tax: 'Tax not paid',
  worth: 'Still worth at the end',
};

/**
 * @example
 * studyKindWords('site'); // => 'Site and power'
 */
export function studyKindWords(kind: TableKind): string {
  return KIND_WORDS[kind];
}

/**
 * Which months a year of the study has: its calendar year where it begins in January.
 *
 * @example
 * studyYear('2027-01', 1); // => '2028'
 */
export function studyYear(start: string, year: number): string {
  if (start.endsWith('-01')) return String(Number(start.slice(0, 4)) + year);
  return `Year ${year + 1}`;
}

/**
 * The unit with the currency in it; empty where there is none.
 *
 * @example
 * studyUnit('money a kWh', 'USD'); // => 'USD a kWh'
 */
export function studyUnit(unit: string, currency: string): string {
  return unit.replace('money', currency);
}

/**
 * A value with its unit, as a sentence has it.
 *
 * @example
 * studyValue('4.5', 'percent', 'USD'); // => '4.5 %'
 */
export function studyValue(value: string, unit: string, currency: string, locale = HOUSE): string {
  const number = writeNumber(decimal(value).toSignificantDigits(6), locale);
  if (unit.startsWith('percent')) return `${number}\u00a0%${unit.slice('percent'.length)}`;
  const words = studyUnit(unit, currency);
  return words === '' ? number : `${number} ${words}`;
}

/**
 * Three cases as people type them: "3 / 4 / 6"; one number where there is one.
 *
 * @example
 * guessText({ likely: '4', lean: '3', heavy: '6' }); // => '3 / 4 / 6'
 */
export function guessText({ likely, lean, heavy }: Guess): string {
  return lean === undefined && heavy === undefined
    ? likely
    : [lean ?? likely, likely, heavy ?? likely].join(' / ');
}

/**
 * What an assumption is called where it stands alone.
 *
 * @example
 * assumptionName({ of: 'Hosts', field: { label: 'Age' } }); // => 'Hosts: age'
 */
export function assumptionName({
  of,
  field,
}: {
  readonly of: string;
  readonly field: Pick<Assumption['field'], 'label'>;
}): string {
  return of === '' ? field.label : `${of}: ${field.label.charAt(0).toLowerCase()}${field.label.slice(1)}`;
}

/**
 * What is wrong, and what to do about it.
 *
 * @example
 * studyTroubleText({ at: 'general/pue', code: 'below', stops: true, values: { field: 'PUE', of: '', least: '1' } }); // => 'PUE must not be below 1. Type 1 or more.'
 */
export function studyTroubleText({ code, values }: StudyTrouble): string {
  const { field = '', of = '', id = '' } = values;
  const name = of === '' || field === '' ? field || of : assumptionName({ of, field: { label: field } });
  switch (code) {
    case 'not-a-number':
      return `${name} is not a number. Type plain digits, for example 12.5.`;
    case 'below':
      return `${name} must not be below ${values.least}. Type ${values.least} or more.`;
    case 'above':
      return `${name} must not be above ${values.most}. Type ${values.most} or less.`;
    case 'not-whole':
      return `${name} is counted in whole ones. Type a whole number.`;
    case 'order':
      return `${name}: lean, likely and heavy have to rise. Change one of the three.`;
    case 'wave-before-preparation':
      return `${of} would begin after ${values.from} months, before the preparation of ${values.preparation} months ends. Begin it later, or prepare in less.`;
    case 'off-before-moved':
      return `${of} would be switched off before it has moved. Both sides run for 0 months at least.`;
    case 'horizon-too-short':
      return `${of}: the move ends after ${values.needed} months, the study after ${values.months}. Take more years, or let the move begin earlier.`;
    case 'follows-in-a-circle':
      return `${of} follows itself in a circle. Let one of the classes follow machines, terabytes or nothing.`;
    case 'follows-unknown':
      return `${of} follows “${id}”, which is not there. Choose what it follows.`;
    case 'part-unknown':
      return `${of} moves “${id}”, which is no part of the work. Take it out of the wave.`;
    case 'part-in-two-waves':
      return `“${id}” is in ${values.other} and in ${of}. It can move once: take it out of one.`;
    case 'wave-without-parts':
      return `${of} moves nothing. Put a part into it, or delete it.`;
    case 'nothing-moves':
      return `${of} rents, but nothing moves. Put parts into waves.`;
    case 'target-unknown':
      return `${of} goes to “${id}”, which is not there. Choose where it goes.`;
    case 'variant-unknown':
      return `“${id}” is held against the other side, but there is no such variant. Choose one that is there.`;
    case 'years':
      return 'A study has 3 to 7 years. Choose one of them.';
    case 'start':
      return 'A study begins in a month, for example 2027-01.';
    case 'id-twice':
      return `“${id}” stands twice. Give one of them another id.`;
    case 'no-parts':
      return 'There is no work to be done yet. Add a part: machines that move together.';
    case 'no-amounts':
      return `${of} costs nothing at ${values.target}: its amounts are missing. Type what it costs there.`;
    case 'not-rented-yet':
      return `${of} has no amounts at ${values.target}. Type what it costs there, or let it stay.`;
    default:
      return assertNever(code);
  }
}

/**
 * @example
 * yearsWords(5); // => 'five years'
 */
export const yearsWords = (years: Study['years']): string =>
  `${['three', 'four', 'five', 'six', 'seven'][years - 3] ?? years} years`;
