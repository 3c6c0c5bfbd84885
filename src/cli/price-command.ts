/** `wick price`: the same design file, the same books, the same core; so the same numbers as on screen. */
import { Decimal, parseDecimal } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import { priceMonths, runaway } from '@/engine/analysis';
import { type BookSet, casesOf, planOf, type PricedDesign } from '@/engine/pricing';
import { summaryOfPlan } from '@/engine/summary';
import { type PlainFigure, toPlain } from '@/engine/trace';
import { CASES, type Case } from '@/engine/usage';
import { designCsv } from '@/features/design/format/design-csv';
import { invalid } from '@/platform/use/app-error';
import { booksOf, readDesignFile, writeOut } from './files';
import type { Call } from './options';
import { asData, asText, type Priced, type Traces } from './price-output';
import { say } from './print';
import { terminal } from './terminal';

const MOST_MONTHS = 120;
const OVER_BUDGET = 8;
const INCOMPLETE = 3;

/** 0 if everything was priced, 3 if not, 8 if a design costs more than its budget. */
export async function priceCommand(call: Call): Promise<number> {
  const months = monthsOf(call.one('months'));
  const traffic = timesOf(call.one('traffic'));
  const books = await booksOf(call.all('books'));
  const priced = call.given.map((file) => {
    const design = readDesignFile(file);
    return priceOne(file, design, books, { months, traffic, explain: call.one('explain') });
  });
  const text = outputOf(priced, call);
  const out = call.one('out');
  if (out === undefined || out === '-') {
    if (call.form === 'json') terminal().out(text);
    else say(text);
  } else writeOut(out, text);
  if (priced.some(({ summary }) => summary.unpriced > 0)) return INCOMPLETE;
  return priced.some(({ overBudget }) => overBudget) ? OVER_BUDGET : 0;
}

function outputOf(priced: readonly Priced[], { form }: Call): string {
  switch (form) {
    case 'csv':
      if (priced.length > 1) throw invalid('--format csv takes one design at a time.');
      return designCsv(priced[0]!.design, priced[0]!.summary);
    case 'json': {
      const all = priced.map(asData);
      return `${JSON.stringify(all.length === 1 ? all[0] : { designs: all }, null, 2)}\n`;
    }
    default:
      return priced.map(asText).join('\n');
  }
}

interface Wanted {
  readonly months: number | null;
  readonly traffic: Decimal | null;
  readonly explain: string | undefined;
}

function priceOne(
  file: string,
  design: Design,
  books: BookSet,
  { months, traffic, explain }: Wanted,
): Priced {
  const plan = planOf(design, books);
  const summary = summaryOfPlan(plan);
  const { budget } = design.assumptions;
  return {
    file,
    design,
    summary,
    months: priceMonths(plan, 'likely', months ?? 12),
    showMonths: months !== null,
    traffic: traffic && { times: traffic, ...runaway(plan, traffic) },
    traces: explain === undefined ? null : tracesOf(casesOf(plan), design, explain),
    overBudget: budget !== undefined && new Decimal(summary.gross).greaterThan(budget),
  };
}

/** How lines add up, in every case. Refused where no line is called so. */
function tracesOf(cases: Record<Case, PricedDesign>, design: Design, which: string): Traces {
  const wanted = allComponents(design)
    .filter(({ id, name }) => which === 'all' || id === which || name === which)
    .map(({ id }) => id);
  if (wanted.length === 0)
    throw invalid(`“${design.title}” has no line “${which}”; --explain takes one, or all.`);
  const ofCase = (priced: PricedDesign): Record<string, PlainFigure> =>
    Object.fromEntries(
      priced.sections.flatMap(({ lines }) =>
        lines.flatMap((line) =>
          line.status === 'priced' && wanted.includes(line.id) ? [[line.id, toPlain(line.monthly)]] : [],
        ),
      ),
    );
  return Object.fromEntries(CASES.map((each) => [each, ofCase(cases[each])])) as unknown as Traces;
}

function monthsOf(text: string | undefined): number | null {
  if (text === undefined) return null;
  const months = /^\d{1,3}$/.test(text) ? Number(text) : 0;
  if (months < 1 || months > MOST_MONTHS) {
    throw invalid(`--months takes a whole number from 1 to ${MOST_MONTHS}.`);
  }
  return months;
}

function timesOf(text: string | undefined): Decimal | null {
  if (text === undefined) return null;
  const times = parseDecimal(text);
  if (times.ok && times.value.greaterThan(0)) return times.value;
  throw invalid('--traffic takes a number above zero, such as 100 for a hundred times the traffic.');
}
