/** Which rules meet on a priced line, and a table of how many designs had which two on one line. */
import { allComponents, type Component, type Design } from '@/engine/design';
import type { PricedDesign } from '@/engine/pricing';
import type { PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import type { Mixed } from './mixed-design';

export const RULES = [
  'several units',
  'days in part',
  'hours in part',
  'increments',
  'least of each',
  'least units',
  'least of the month',
  'allowance',
  'allowance that ends',
  'grant',
  'pool',
  'tiers',
  'blocks',
  'steps',
  'capacity units',
  'by parts',
  'kept days',
  'set aside',
  'list of sizes',
  'usage commitment',
  'paid upfront',
  'spend commitment',
  'two spend commitments',
  'credit',
  'two credits',
  'sustained use',
  'monthly cap',
  'interruptible',
  'discount',
  'fixed price',
  'fixed tiers',
  'margin',
  'dated agreement',
  'licence',
  'one-time fee',
  'support or fee on it',
  'borne in part',
  'other currency',
  'growth or season',
  'begins or ends',
  'cheapest that fits',
  'other month',
] as const;

export type Rule = (typeof RULES)[number];

export function rulesByLine({ design, books }: Mixed, priced: PricedDesign): Set<Rule>[] {
  const offers = new Map(
    priced.sections.flatMap(({ lines }) =>
      lines.flatMap((line) =>
        line.status === 'priced' ? [[line.id, line.offer?.sku ?? null] as const] : [],
      ),
    ),
  );
  return allComponents(design).flatMap((component) => {
    if (!offers.has(component.id)) return [];
    const book = books.find((each) => each.book.key === component.place?.book) ?? null;
    return [rulesOf(component, offers.get(component.id) ?? null, book, design)];
  });
}

function rulesOf(
  component: Component,
  sku: string | null,
  book: PriceBookFile | null,
  design: Design,
): Set<Rule> {
  const found = new Set<Rule>();
  const mark = (rule: Rule, holds: unknown): void => {
    if (holds) found.add(rule);
  };
  const rates = (book?.rates ?? []).filter(
    (rate) => rate.sku === sku && rate.region === component.place?.region,
  );
  const asked = rates.filter(({ term }) => term === 'on-demand' || term === component.term);
  for (const rate of asked) markRate(rate, component, mark);
  const { running, term, usage } = component;
  const timed = asked.some(({ meter }) => ['running', 'vcpu', 'units'].includes(meter));
  mark('several units', timed && ['peaks', 'autoscale'].includes(running.pattern));
  if (timed && running.pattern === 'weekdays') {
    mark('days in part', !Number.isInteger(Number(running.daysPerWeek.likely)));
    mark('hours in part', !Number.isInteger(Number(running.hoursPerDay.likely)));
  }
  const committed = term !== 'on-demand' && term !== 'interruptible';
  mark('usage commitment', committed && timed);
  mark('paid upfront', committed && !term.includes('none'));
  mark('interruptible', term === 'interruptible');
  mark(
    'list of sizes',
    Object.values(usage).some((entry) => entry.sizes),
  );
  mark(
    'kept days',
    Object.values(usage).some((entry) => entry.keptDays),
  );
  mark('licence', component.licences?.length);
  mark('borne in part', component.allocated);
  mark('begins or ends', component.months);
  mark('cheapest that fits', component.choice.by === 'cheapest');
  markMoney(component, sku, book, rates, design, mark);
  const { growth, season, campaigns, month } = design.assumptions;
  mark('growth or season', growth ?? season ?? campaigns);
  mark('other month', month.hours !== '730');
  mark('other currency', (book?.book.currency ?? design.currency) !== design.currency);
  return found;
}

type Mark = (rule: Rule, holds: unknown) => void;

function markRate(rate: RateRow, component: Component, mark: Mark): void {
  const { minimums, charge, meter, unit } = rate;
  mark('increments', rate.increment);
  mark('least of each', minimums?.each && !/^(vCPU|core|GiB|GPU)-hour$/.test(unit));
  mark('least units', minimums?.count);
  mark('least of the month', minimums?.total);
  mark('allowance', rate.allowance);
  mark('allowance that ends', rate.allowanceMonths);
  mark('pool', rate.pool !== 'component');
  mark('tiers', charge.structure === 'graduated' || charge.structure === 'volume');
  mark('blocks', charge.structure === 'per-block');
  mark('steps', charge.structure === 'stepped');
  mark('capacity units', charge.structure === 'greatest-of');
  mark('by parts', charge.structure === 'by-parts');
  mark('set aside', rate.basis === 'set-aside' && component.usage[meter]?.setAside);
  mark('sustained use', rate.sustained);
  mark('monthly cap', rate.monthlyCap);
  mark('one-time fee', charge.structure === 'flat' && charge.once);
}

/** Rules that come from other lines and from agreements. */
function markMoney(
  component: Component,
  sku: string | null,
  book: PriceBookFile | null,
  rates: readonly RateRow[],
  design: Design,
  mark: Mark,
): void {
  const here = allComponents(design).filter((each) => book && each.place?.book === book.book.key);
  const others = (kind: string): number => here.filter((each) => each.kind === kind).length;
  const money = ['spend-commitment', 'prepaid-credit', 'support-plan', 'software-fee'].includes(
    component.kind,
  );
  const bought = rates.some(({ term }) => term.startsWith('spend-')) && component.term !== 'interruptible';
  mark('spend commitment', bought && others('spend-commitment') > 0);
  mark('two spend commitments', bought && others('spend-commitment') > 1);
  mark('credit', !money && others('prepaid-credit') > 0);
  mark('two credits', !money && others('prepaid-credit') > 1);
  mark('support or fee on it', !money && others('support-plan') + others('software-fee') > 0);
  const granting = here.some((each) => each.choice.by === 'sku' && grantsTo(book, each.choice.sku, sku));
  mark('grant', granting);
  for (const { covers, discount, margin, from, to } of design.agreements ?? []) {
    const covered =
      (covers.books.length === 0 || covers.books.includes(book?.book.key ?? '')) &&
      (covers.kinds.length === 0 || covers.kinds.includes(component.kind)) &&
      (covers.skus.length === 0 || covers.skus.includes(sku ?? ''));
    if (!covered) continue;
    const meters = new Set(rates.map(({ meter }) => meter));
    mark('discount', discount?.by === 'share');
    mark('fixed price', discount?.by === 'price' && meters.has(discount.meter));
    mark('fixed tiers', discount?.by === 'tiers' && meters.has(discount.meter));
    mark('margin', margin);
    mark('dated agreement', from ?? to);
  }
}

function grantsTo(book: PriceBookFile | null, from: string, to: string | null): boolean {
  const offer = book?.offers.find(({ sku }) => sku === from);
  return offer?.grants?.some((grant) => grant.sku === to) ?? false;
}

/** Why two rules can never stand on one line: what no book and no design can say. */
const APART: readonly (readonly [readonly Rule[], readonly Rule[]])[] = [
  // By what the thing is: what is held, what flows and what runs are different kinds.
  [
    ['steps', 'kept days', 'set aside', 'list of sizes'],
    ['capacity units', 'by parts', 'licence', 'hours in part', 'interruptible'],
  ],
  [
    ['kept days', 'set aside', 'list of sizes'],
    ['one-time fee', 'days in part'],
  ],
  [
    ['steps'],
    [
      'several units',
      'days in part',
      'hours in part',
      'increments',
      'usage commitment',
      'paid upfront',
      'spend commitment',
      'two spend commitments',
      'sustained use',
      'monthly cap',
      'cheapest that fits',
    ],
  ],
  [
    ['capacity units'],
    [
      'by parts',
      'licence',
      'usage commitment',
      'paid upfront',
      'interruptible',
      'spend commitment',
      'two spend commitments',
      'cheapest that fits',
      'blocks',
      'steps',
    ],
  ],
  [['by parts'], ['blocks', 'steps', 'capacity units', 'interruptible', 'cheapest that fits']],
  [['interruptible'], ['usage commitment', 'paid upfront', 'spend commitment', 'two spend commitments']],
  [['several units'], ['days in part', 'hours in part']],
];

export function cannotMeet(a: Rule, b: Rule): boolean {
  return APART.some(
    ([left, right]) => (left.includes(a) && right.includes(b)) || (left.includes(b) && right.includes(a)),
  );
}

/** Counts, for each two rules, the designs in which both stood on one priced line. */
export class Pairs {
  readonly counts = new Map<string, number>();

  add(lines: readonly ReadonlySet<Rule>[]): void {
    const seen = new Set<string>();
    for (const rules of lines) {
      const all = RULES.filter((rule) => rules.has(rule));
      all.forEach((a, at) => all.slice(at).forEach((b) => seen.add(`${a} × ${b}`)));
    }
    for (const key of seen) this.counts.set(key, (this.counts.get(key) ?? 0) + 1);
  }

  of(a: Rule, b: Rule): number {
    const [first, second] = RULES.indexOf(a) <= RULES.indexOf(b) ? [a, b] : [b, a];
    return this.counts.get(`${first} × ${second}`) ?? 0;
  }

  /** Two that could meet and did not. */
  empty(): string[] {
    return RULES.flatMap((a, at) =>
      RULES.slice(at + 1).flatMap((b) => (this.of(a, b) === 0 && !cannotMeet(a, b) ? [`${a} × ${b}`] : [])),
    );
  }

  table(): string {
    const width = Math.max(...RULES.map((rule) => rule.length));
    const heads = RULES.map((_, at) => String(at + 1).padStart(6)).join('');
    const rows = RULES.map((rule, at) => {
      const cells = RULES.map((other) => {
        const count = this.of(rule, other);
        return (count === 0 && cannotMeet(rule, other) ? '–' : String(count)).padStart(6);
      });
      return `${String(at + 1).padStart(2)} ${rule.padEnd(width)}${cells.join('')}`;
    });
    return [`${' '.repeat(width + 3)}${heads}`, ...rows].join('\n');
  }
}
