/** Guesses and defaults that nobody has touched, the lines with the most money behind them first. */
import { decimal } from '@/engine/base';
import { kindOf, mainMeter, meterOfKind, roleOf } from '@/engine/books';
import { allComponents, type Component, type Design, guessesOf, placeIsTakenOver } from '@/engine/design';
import { usesRunning } from '@/features/design/words';
import type { DesignSummary } from '@/engine/summary';
import { type Cased, isRanged } from '@/engine/usage';

export interface Untouched {
  readonly id: string;
  readonly name: string;
  /** The likely month as the ledger prints it. */
  readonly monthly: string;
  /** "“Sent out” is a guess", "always on", "no lean or heavy". */
  readonly what: readonly string[];
}

/**
 * @example
 * untouchedOf(design, summarise(design, books)).length; // => 1
 */
export function untouchedOf(design: Design, summary: DesignSummary): Untouched[] {
  const amounts = new Map(
    summary.sections.flatMap((section) => section.lines.map((line) => [line.id, line.printed])),
  );
  return allComponents(design)
    .flatMap((component): Untouched[] => {
      const monthly = amounts.get(component.id);
      const what = monthly == null ? [] : untouchedIn(component);
      return what.length > 0 ? [{ id: component.id, name: component.name, monthly: monthly!, what }] : [];
    })
    .sort((a, b) => decimal(b.monthly).comparedTo(decimal(a.monthly)) || (a.name < b.name ? -1 : 1));
}

function untouchedIn(component: Component): string[] {
  const { kind, running, term, count, usage } = component;
  const guessed = guessesOf(component).map((key) => {
    if (key === 'choice') return 'what it is was chosen by nobody';
    const label = key === 'count' ? 'Count' : (meterOfKind(kind, key.replace('usage/', ''))?.label ?? key);
    return `“${label}” is a guess`;
  });
  const main = mainMeter(kind)?.meter;
  const amounts: readonly (Cased | undefined)[] = [
    count,
    main === undefined ? undefined : usage[main]?.amount,
  ];
  const ranged = amounts.some((each) => each && isRanged(each));
  const always = usesRunning(component) && running.pattern === 'always';
  return [
    ...guessed,
    ...(placeIsTakenOver(component) ? ['region taken over'] : []),
    ...(always ? ['always on'] : []),
    ...(always && kindOf(kind).committable && term === 'on-demand' ? ['on demand'] : []),
    ...(ranged || roleOf(kind) === 'own-line' ? [] : ['no lean or heavy']),
  ];
}
