/**
 * Operating systems of an estate: texts that inventories write in every spelling, each mapped once to what it means for a
 * price. Needs M1, I13.
 */
import type { Machine } from './model';

/** - `free`: no licence is paid. - `licensed`: this product of the price books. - `not-sold`: nobody runs it for rent. */
export type SystemChoice =
  | { readonly is: 'free' }
  | { readonly is: 'licensed'; readonly product: string }
  | { readonly is: 'not-sold' };

/** By the text of the inventory; one that is not there is not mapped, and nothing is paid for it. */
export type Systems = Readonly<Record<string, SystemChoice>>;

/**
 * Licences that an inventory names with a machine, one by one: of databases and other software.
 *
 * @example
 * licenceTexts('Castrum DB; Tariff engine;'); // => ['Castrum DB', 'Tariff engine']
 */
export function licenceTexts(text: string): string[] {
  if (text === '') return [];
  return [...new Set(text.split(/[;,|\n]/).map((each) => each.trim()))].filter(Boolean);
}

export interface SystemText {
  readonly text: string;
  readonly machines: number;
  /** What a person said; else the guess. Null: nobody knows. */
  readonly choice: SystemChoice | null;
  readonly isGuess: boolean;
}

/**
 * What a text says by itself; null: not enough. A guess never says that a licence is paid.
 *
 * @example
 * guessSystem('Linux (64 bit)'); // => { is: 'free' }
 */
export function guessSystem(text: string): SystemChoice | null {
  return /linux|bsd/i.test(text) ? { is: 'free' } : null;
}

/**
 * @example
 * systemOf('Server OS 2022', { 'Server OS 2022': { is: 'licensed', product: 'atrium-server' } }); // => { is: 'licensed', product: 'atrium-server' }
 */
export function systemOf(text: string, systems: Systems): SystemChoice | null {
  return (Object.hasOwn(systems, text) ? systems[text] : undefined) ?? guessSystem(text);
}

/**
 * The distinct texts of an estate, the most frequent first.
 *
 * @example
 * systemTexts([], {}); // => []
 */
export function systemTexts(machines: readonly Pick<Machine, 'system'>[], systems: Systems): SystemText[] {
  return countedTexts(
    machines,
    ({ system }) => [system],
    (text) => ({
      choice: systemOf(text, systems),
      isGuess: !Object.hasOwn(systems, text),
    }),
  );
}

/**
 * The same of licences. Nothing is guessed of them.
 *
 * @example
 * licenceTextsOf([{ licences: 'Castrum DB' }], {}); // => [{ text: 'Castrum DB', machines: 1, choice: null, isGuess: false }]
 */
export function licenceTextsOf(
  machines: readonly Pick<Machine, 'licences'>[],
  licences: Systems,
): SystemText[] {
  return countedTexts(
    machines,
    ({ licences: text }) => licenceTexts(text),
    (text) => ({
      choice: licenceOf(text, licences),
      isGuess: false,
    }),
  );
}

/**
 * @example
 * licenceOf('Castrum DB', { 'Castrum DB': { is: 'licensed', product: 'castrum-db' } }); // => { is: 'licensed', product: 'castrum-db' }
 */
export function licenceOf(text: string, licences: Systems): SystemChoice | null {
  return (Object.hasOwn(licences, text) ? licences[text] : undefined) ?? null;
}

function countedTexts<M>(
  machines: readonly M[],
  textsOf: (machine: M) => readonly string[],
  told: (text: string) => Pick<SystemText, 'choice' | 'isGuess'>,
): SystemText[] {
  const counts = new Map<string, number>();
  for (const machine of machines)
    for (const text of textsOf(machine)) counts.set(text, (counts.get(text) ?? 0) + 1);
  return [...counts]
    .map(([text, count]) => ({ text, machines: count, ...told(text) }))
    .sort((a, b) => b.machines - a.machines || (a.text < b.text ? -1 : 1));
}
