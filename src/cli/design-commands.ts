/** `wick check|diff|pay`: what a design is warned of, what differs between two, how its lines can be paid. */
import { randomUUID } from 'node:crypto';
import type { Decimal } from '@/engine/base';
import { findingsOf } from '@/features/checklist/calc';
import { allComponents, type Component, type Design } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { sentenceFor, writeMoney, writeShare } from '@/platform/words';
import { compareTerms } from '@/engine/analysis';
import { type Difference, differenceBetween, type LineDifference, type Why } from '@/engine/difference';
import { type BookSet, planOf, priceDesign, printedAmounts } from '@/engine/pricing';
import { summaryOfPlan } from '@/engine/summary';
import { invalid } from '@/platform/use/app-error';
import { booksOf, readDesignFile } from './files';
import type { Call } from './options';
import { planCommand } from './stretch-commands';
import { say, sayJson } from './print';

/** 0 where everything has an amount, 3 where not; warnings alone are no failure. */
export async function checkCommand(call: Call): Promise<number> {
  const books = await booksOf(call.all('books'));
  const checked = call.given.map((file) => checkOne(file, readDesignFile(file), books));
  if (call.form === 'json') sayJson(checked.length === 1 ? checked[0] : { designs: checked });
  else say(checked.map(checkText).join('\n'));
  return checked.some(({ unpriced }) => unpriced > 0) ? 3 : 0;
}

function checkOne(file: string, design: Design, books: BookSet) {
  const plan = planOf(design, books);
  const summary = summaryOfPlan(plan);
  const names = namesOf(design);
  const lines = summary.sections.flatMap((section) => section.lines);
  return {
    file,
    title: design.title,
    unpriced: summary.unpriced,
    lines: lines.flatMap(({ id, issues, notices }) =>
      [...issues, ...notices].map((each) => ({
        id,
        name: names.get(id)!,
        code: each.code,
        priced: issues.length === 0,
        says: sentenceFor(each),
      })),
    ),
    checklist: findingsOf(plan, randomUUID).map(({ check, title, subject, says, answered }) => ({
      check,
      title,
      subject,
      name: names.get(subject) ?? null,
      says,
      answered,
    })),
  };
}

function checkText({ title, lines, checklist }: ReturnType<typeof checkOne>): string {
  const open = checklist.filter(({ answered }) => answered === null);
  const rows = [
    ...lines.map(({ name, priced, says }) => `  ${priced ? ' ' : '!'} ${name}: ${says}`),
    ...open.map(({ title: what, name, says }) => `    ${what}${name ? `, ${name}` : ''}: ${says}`),
  ];
  return `${title}\n${rows.length > 0 ? rows.join('\n') : '  Nothing to say.'}\n`;
}

const namesOf = (design: Design): Map<string, string> =>
  new Map(allComponents(design).map(({ id, name }) => [id, name]));

/** Line by line: by id, or else by name. */
export async function diffCommand(call: Call): Promise<number> {
  const books = await booksOf(call.all('books'));
  const [before, after] = call.given.map(readDesignFile) as [Design, Design];
  if (before.currency !== after.currency) {
    throw invalid(
      `One design is in ${before.currency}, the other in ${after.currency}; they cannot be compared.`,
    );
  }
  const [was, is] = [before, after].map((design) => ({
    design,
    priced: priceDesign(design, books, 'likely'),
  }));
  const difference = differenceBetween(was!, is!, true);
  if (call.form === 'json') {
    const { currency, change } = difference;
    sayJson({
      currency,
      before: difference.before.toString(),
      after: difference.after.toString(),
      change: change.toString(),
      rows: difference.rows.map((row) => ({
        id: row.id,
        name: row.name,
        what: whatOf(row),
        why: row.why,
        before: row.before?.toString() ?? null,
        after: row.after?.toString() ?? null,
        change: row.change?.toString() ?? null,
      })),
    });
  } else say(diffText(difference, [printedAmounts(was!.priced).total, printedAmounts(is!.priced).total]));
  return difference.incomplete ? 3 : 0;
}

function whatOf({ change, why }: LineDifference): string {
  if (change === null || why === 'lost' || why === 'found') return 'not priced';
  if (why === 'added') return 'new';
  if (why === 'gone') return 'gone';
  return change.isZero() ? 'same' : change.isNegative() ? 'down' : 'up';
}

const WHY: Readonly<Partial<Record<Why, string>>> = {
  price: 'another price',
  quantity: 'another quantity',
  mix: 'something else',
};

function signed(change: Decimal, currency: string): string {
  return change.isNegative() || change.isZero()
    ? writeMoney(change, currency)
    : `+${writeMoney(change, currency)}`;
}

function diffText({ rows, currency, change }: Difference, [was, is]: readonly [Decimal, Decimal]): string {
  const money = (value: Decimal | null): string => (value === null ? '–' : writeMoney(value, currency));
  const lines = rows
    .filter((row) => whatOf(row) !== 'same')
    .map((row) => {
      const by = row.change === null ? '' : `  ${signed(row.change, currency)}`;
      const why = (row.why && WHY[row.why]) ?? '';
      return `  ${whatOf(row).padEnd(10)} ${row.name}  ${money(row.before)} to ${money(row.after)}${by}${why && `  (${why})`}`;
    });
  const same = rows.length - lines.length;
  return [
    ...lines,
    `  ${same} ${same === 1 ? 'line is' : 'lines are'} the same`,
    `Total  ${money(was)} to ${money(is)}  ${signed(change, currency)} ${currency}/month`,
    '',
  ].join('\n');
}

/** Every way of paying for each line that has several. */
export async function payCommand(call: Call): Promise<number> {
  const planned = await planCommand(call);
  if (planned !== null) return planned;
  for (const option of ['term', 'level', 'out'] as const) {
    if (call.one(option) !== undefined)
      throw invalid(`--${option} goes with --commit, --every-hour or --prepaid.`);
  }
  if (call.form !== 'text' && call.form !== 'json') {
    throw invalid('--format csv and markdown go with --commit, --every-hour or --prepaid.');
  }
  const design = readDesignFile(call.given[0]!);
  const books = await booksOf(call.all('books'));
  const month = leaveMonth(call.one('leave'));
  const wanted = call.one('line');
  const chosen = allComponents(design).filter(
    ({ id, name }) => wanted === undefined || id === wanted || name === wanted,
  );
  if (chosen.length === 0) throw invalid(`“${design.title}” has no line “${wanted}”.`);
  const lines = chosen
    .map((component) => payOne(component, design, books, month))
    .filter(({ ways }) => wanted !== undefined || ways.length > 1);
  if (call.form === 'json') sayJson({ currency: design.currency, lines });
  else say(lines.map((line) => payText(line, design, month)).join(''));
  return 0;
}

function leaveMonth(text: string | undefined): number | null {
  if (text === undefined) return null;
  if (/^\d{1,2}$/.test(text) && Number(text) >= 1 && Number(text) <= 36) return Number(text);
  throw invalid('--leave takes a month of the term, from 1 to 36.');
}

function payOne(component: Component, design: Design, books: BookSet, month: number | null) {
  const { id, name } = component;
  const ways = compareTerms(component, design, books).map(({ term, line, saving, breakEven, leaving }) => {
    const priced = line.status === 'priced' ? line : null;
    const ended = month === null ? undefined : leaving?.rows.find((row) => row.month === month);
    return {
      term,
      words: describeTerm(term),
      monthly: priced?.monthly.value.toString() ?? null,
      upfront: priced?.upfront.toString() ?? null,
      saving: saving?.toString() ?? null,
      breakEven: breakEven?.toString() ?? null,
      leaving: ended
        ? { month, total: ended.total.value.toString(), onDemand: ended.onDemand.toString() }
        : null,
      why: line.status === 'unpriced' ? line.issues.map(sentenceFor) : [],
    };
  });
  return { id, name, ways };
}

function payText(
  { name, ways }: ReturnType<typeof payOne>,
  { currency }: Design,
  month: number | null,
): string {
  const rows = ways.map(({ words, monthly, upfront, saving, breakEven, leaving, why }) => {
    if (monthly === null) return `  ${words}: ${why.join(' ')}`;
    const parts = [
      `${writeMoney(monthly, currency)} a month`,
      upfront !== null && upfront !== '0' && `${writeMoney(upfront, currency)} upfront`,
      saving !== null && saving !== '0' && savingText(saving),
      breakEven !== null && `pays from ${writeShare(breakEven)} of the month on`,
      leaving &&
        `ended after ${month} months ${writeMoney(leaving.total, currency)} in all, on demand ${writeMoney(leaving.onDemand, currency)}`,
    ];
    return `  ${words}: ${parts.filter(Boolean).join(', ')}`;
  });
  return [name, ...rows, ''].join('\n');
}

function savingText(saving: string): string {
  return saving.startsWith('-') ? `${writeShare(saving.slice(1))} more` : `saves ${writeShare(saving)}`;
}
