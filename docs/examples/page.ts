/** Writes `docs/how-it-calculates.md`: every rule, one small example, and the core's own trace of it. */
import { toPlain, toText } from '@/engine/trace';
import type { Chapter } from './example';
import { MEETING } from './meeting';
import { MOVING } from './moving';
import { RATES } from './rates';
import { TERMS_CHAPTERS } from './terms';
import { TOGETHER } from './together';
import { USAGE } from './usage';

export const PARTS: readonly (readonly [string, readonly Chapter[]])[] = [
  ['From use to what is billed', USAGE],
  ['Charge structures', RATES],
  ['Across components', TOGETHER],
  ['Ways of paying', TERMS_CHAPTERS],
  ['Where two rules meet', MEETING],
  ['Moving to another place', MOVING],
];

const INTRODUCTION = `# How it calculates

Every rule of the core with a small example. The numbers and the traces below are written by the core itself
(\`./run formats\`), and a test holds each result against the number worked out by hand. The prices are those of the
small book in \`tests/support/wide-book.ts\`, for moving those of \`tests/support/two-shores.ts\`; a month has 730 hours.

The order of a calculation, for each hour or event:
\`use → unit → started increments → minimums → allowance → commitments → on demand or interruptible, with its tiers →
sustained use and caps → prepaid credit → agreement → currency → contingency and tax\`. Every step works on what the step
before left over. A second calculation in \`tests/reference/\`, written from the rules alone and in exact fractions, is held
against this one over thousands of random designs (\`./run bench exact\`).
`;

/** Ten digits after the point: what a person can check. */
export function shown(value: { toDecimalPlaces(digits: number): { toString(): string } }): string {
  return value.toDecimalPlaces(10).toString();
}

export function page(): string {
  const chapters = PARTS.flatMap(([title, rows]) => [`## ${title}`, ...rows.map(chapterText)]);
  return `${[INTRODUCTION.trim(), ...chapters].join('\n\n')}\n`;
}

function chapterText({ title, rule, examples }: Chapter): string {
  const rows = examples.map(
    ({ says, figure }) =>
      `- ${says} → **${shown(figure.value)} ${figure.unit}**\n\n${indented(toText(toPlain(figure)))}`,
  );
  return [`### ${title}`, rule, ...rows].join('\n\n');
}

function indented(text: string): string {
  return ['```text', ...text.split('\n'), '```'].map((line) => `  ${line}`).join('\n');
}
