/**
 * Working a figure out again for other entries than it was made with: what a sheet of formulas does, done here, so that
 * it can be told beforehand which entries the sheet follows rightly.
 */
import type { Decimal } from '@/engine/base';
import { combine, type Figure } from '@/engine/trace';

/** `read` gives another value for an entry, or null to keep it. Throws where a value leaves its band. */
export function reevaluate(read: (leaf: Figure) => Decimal | null): (figure: Figure) => Decimal {
  // Relabelled figures share their parts; live forms are made anew each time and belong to their figure.
  const known = new Map<unknown, Decimal>();
  const work = (figure: Figure): Decimal => {
    if (figure.restates) return work(figure.restates);
    const key = figure.live ?? (figure.parts.length > 0 ? figure.parts : figure);
    const before = known.get(key);
    if (before) return before;
    const value = figure.live ? work(figure.live()) : step(figure);
    known.set(key, value);
    return value;
  };
  const step = (figure: Figure): Decimal => {
    if (figure.operation === 'given' || figure.operation === 'rate') return read(figure) ?? figure.value;
    const parts = figure.parts.map((part) => ({ value: work(part) }));
    return combine(figure.operation, parts);
  };
  return work;
}
