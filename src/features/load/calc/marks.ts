/**
 * What happens where a curve jumps or turns, in the words of the trace: the line that does it, and the step in it that
 * takes another way there (another tier, one more started unit, the end of what is included, another dimension).
 */
import type { Decimal } from '@/engine/base';
import { allComponents } from '@/engine/design';
import type { PricedDesign, PricedLine } from '@/engine/pricing';
import type { Figure } from '@/engine/trace';
import type { Bend } from './bends';
import type { Evaluated } from './evaluated';
import type { Mark } from './model';

/** A leaf that moves by more than this between two places so near is another step of it. */
const STEP = 0.005;

/**
 * One mark for each line that does something there; what only moves along is none.
 */
export function marksAt({ from, to }: Bend, side: Evaluated): Mark[] {
  const [before, after] = [linesOf(side.priced(from)), linesOf(side.priced(to))];
  const names = new Map(allComponents(side.side.plan.design).map(({ id, name }) => [id, name]));
  const marks: Mark[] = [];
  for (const [id, line] of after) {
    const was = before.get(id);
    const what = was && happened(was, line);
    if (!what) continue;
    marks.push({
      at: to,
      line: id,
      name: names.get(id) ?? '',
      what: what.words,
      jump: what.jump,
      again: null,
    });
  }
  return marks;
}

function linesOf({ sections }: PricedDesign): Map<string, PricedLine> {
  return new Map(sections.flatMap(({ lines }) => lines.map((line) => [line.id, line])));
}

function happened(before: PricedLine, after: PricedLine): { words: string; jump: string | null } | null {
  if (before.status !== after.status) {
    return {
      words: after.status === 'priced' ? 'has an amount from here on' : 'has no amount from here on',
      jump: null,
    };
  }
  if (before.status !== 'priced' || after.status !== 'priced') return null;
  const [a, b] = [before.monthly.value, after.monthly.value];
  const offer =
    before.offer?.sku === after.offer?.sku
      ? null
      : `${after.offer?.name ?? 'another offer'} in place of ${before.offer?.name ?? 'another'}`;
  const words = offer ?? whatChanged(before.monthly, after.monthly);
  if (words === null) return null;
  const jump = b.minus(a);
  return { words, jump: isJump(jump, a) ? jump.toString() : null };
}

/** Between two places a ten-thousandth apart, what moves along moves by less than a thousandth. */
function isJump(jump: Decimal, from: Decimal): boolean {
  return jump.abs().greaterThan(from.abs().times(0.002)) && !jump.isZero();
}

/** The first step that takes another way; null: everything only moves along. */
export function whatChanged(before: Figure, after: Figure): string | null {
  if (before === after) return null;
  if (before.operation !== after.operation) return after.label;
  switch (before.operation) {
    case 'greatest':
    case 'least': {
      const [a, b] = [chosen(before), chosen(after)];
      if (a !== b && after.parts[b]) return `${after.label}: ${after.parts[b].label}`;
      break;
    }
    case 'ceiling':
      if (!before.value.equals(after.value)) {
        return `${after.label}: ${after.value.toString()} in place of ${before.value.toString()}`;
      }
      break;
    case 'given':
    case 'rate': {
      // What varies by itself is no step.
      if (before.input && after.input) return null;
      if (after.label !== before.label) return after.label;
      const scale = before.value.abs();
      const moved = after.value.minus(before.value).abs();
      if (!moved.greaterThan(scale.times(STEP))) return null;
      return `${after.label}: ${after.value.toString()} in place of ${before.value.toString()}`;
    }
    default:
  }
  if (before.parts.length !== after.parts.length) return partsChanged(before, after);
  for (let at = 0; at < before.parts.length; at += 1) {
    const inner = whatChanged(before.parts[at]!, after.parts[at]!);
    if (inner !== null) return inner;
  }
  return null;
}

function partsChanged(before: Figure, after: Figure): string {
  const labels = new Set(before.parts.map(({ label }) => label));
  const added = after.parts.find(({ label }) => !labels.has(label));
  if (added) return added.label;
  const now = new Set(after.parts.map(({ label }) => label));
  const gone = before.parts.find(({ label }) => !now.has(label));
  return gone ? `no more “${gone.label}”` : after.label;
}

/** Which part a least or a greatest took. */
function chosen({ operation, parts }: Figure): number {
  let best = 0;
  parts.forEach(({ value }, at) => {
    const other = parts[best]!.value;
    if (operation === 'least' ? value.lessThan(other) : value.greaterThan(other)) best = at;
  });
  return best;
}
