/**
 * Alternatives and axes, without interface: the work shared between pricings against pricing everything anew in a plain
 * loop, each design a whole of its own with a mover and a pricer of its own.
 */
import { createAlternator } from '@/features/compare/calc/alternatives';
import { axisOf } from '@/features/compare/calc/axes';
import { bareDesign, bareRates, linesFor, measuresOf } from '@/features/unit-prices/calc';
import { comparisonOf, type PricedColumn } from '@/features/compare/calc/comparison';
import type { Design, Scope } from '@/engine/design';
import {
  casesOf,
  createPricer,
  type DesignPlan,
  planOf,
  type Pricer,
  priceCases,
  priceDesign,
} from '@/engine/pricing';
import { summaryOf } from '@/engine/summary';
import { demoBooks, designOfSize, TWELVE } from './designs';
import { type BenchRow, measure, printRows } from './measure';

const books = demoBooks();
const ALL: Scope = { of: 'all' };
/** The design with one count changed, all other lines the same objects: as an edit leaves it. */
function edited(design: Design, key: number): Design {
  const at = key % design.sections.length;
  const sections = design.sections.map((section, index) => {
    if (index !== at) return section;
    const row = key % section.components.length;
    const components = section.components.map((each, each_at) =>
      each_at === row ? { ...each, count: { likely: String(1 + (key % 7)) } } : each,
    );
    return { ...section, components };
  });
  return { ...design, sections };
}

const own = { id: null, name: 'The design', note: '', changes: [], outcomes: [] };

function columnsOf(
  design: Design,
  plans: Map<string, DesignPlan>,
  base: DesignPlan,
  alternator: ReturnType<typeof createAlternator>,
): PricedColumn[] {
  return [
    { ...own, design, summary: summaryOf(casesOf(base)) },
    ...TWELVE.map((each): PricedColumn => {
      const made = alternator.apply(design, each);
      const plan = base.pricer.plan(made.design, plans.get(each.id) ?? base);
      plans.set(each.id, plan);
      return { ...each, ...made, summary: summaryOf(casesOf(plan)) };
    }),
  ];
}

/** Everything anew: what each side is, and what it costs. */
function plainly(design: Design): void {
  const columns = [
    { ...own, design, summary: summaryOf(priceCases(design, books)) },
    ...TWELVE.map((each): PricedColumn => {
      const made = createAlternator(books).apply(design, each);
      return { ...each, ...made, summary: summaryOf(priceCases(made.design, books)) };
    }),
  ];
  comparisonOf(columns, books);
}

function sideBySide(): BenchRow[] {
  const design = designOfSize(200);
  const shared = (): void => {
    const pricer = createPricer(books);
    comparisonOf(columnsOf(design, new Map(), pricer.plan(design), createAlternator(books, pricer)), books);
  };
  const pricer = createPricer(books);
  const alternator = createAlternator(books, pricer);
  const plans = new Map<string, DesignPlan>();
  let base = pricer.plan(design);
  comparisonOf(columnsOf(design, plans, base, alternator), books);
  let key = 0;
  const afterEdit = (): void => {
    key += 1;
    const next = edited(base.design, key);
    base = pricer.plan(next, base);
    comparisonOf(columnsOf(next, plans, base, alternator), books);
  };
  const baseline = { what: 'all of it anew', measured: measure(5, 2, () => plainly(design)) };
  return [
    {
      what: '200 lines × 12 alternatives, from nothing',
      measured: measure(8, 3, shared),
      baseline,
      aim: '< 300 ms',
    },
    {
      what: 'the same after an edit of one line',
      measured: measure(60, 15, afterEdit),
      baseline,
      aim: '≥ 5 × faster, < 300 ms',
    },
  ];
}

function allRegions(): BenchRow {
  const design = { ...designOfSize(60), alternatives: [] };
  const regions = design.books.flatMap(({ book, revision }) =>
    books.get(book, revision)!.regions.map(({ code }) => ({ book, revision, region: code })),
  );
  return {
    what: `60 lines in ${regions.length} regions`,
    measured: measure(5, 2, () => void axisOf('regions', planOf(design, books), ALL)),
    baseline: {
      what: 'each region anew',
      measured: measure(3, 1, () => {
        for (const to of regions) {
          const change = { change: 'move', what: ALL, ...to } as const;
          const made = createAlternator(books).apply(design, { changes: [change] });
          priceDesign(made.design, books, 'likely');
        }
      }),
    },
    aim: '< 500 ms, ≥ 5 × faster',
  };
}

function ofOneLine(): BenchRow[] {
  const design = designOfSize(60);
  const line: Scope = { of: 'lines', ids: ['c0'] };
  const plan = planOf(design, books);
  plan.pricer.price(plan, { case: 'likely' });
  const baseline = {
    what: '60 lines priced once',
    measured: measure(20, 5, () => void priceDesign(design, books, 'likely')),
  };
  return [
    {
      what: 'sizes of one line of 60',
      measured: measure(20, 5, () => void axisOf('sizes', plan, line)),
      baseline,
      aim: '< 30 ms',
    },
    {
      what: 'ways of paying of one line of 60',
      measured: measure(20, 5, () => void axisOf('paying', plan, line)),
      baseline,
      aim: '< 30 ms',
    },
  ];
}

/** Every measured thing in every region, against pricing as many designs of one line with nothing kept. */
function everywhere(): BenchRow {
  const around: Design = { ...designOfSize(1), sections: [] };
  const pinned = around.books.flatMap(({ book, revision }) => books.get(book, revision) ?? []);
  const measures = measuresOf(pinned, { data: '1000', requests: '1000000' });
  const lines = measures.flatMap((measure) =>
    pinned.flatMap((book) => book.regions.flatMap(({ code }) => linesFor(measure, book, code))),
  );
  const kept = createPricer(books);
  const ask = (pricer: Pricer): void => {
    for (const measure of measures) bareRates(measure, { around, books: pinned, pricer });
  };
  return {
    what: `${measures.length} bare rates in all regions, ${lines.length} lines`,
    measured: measure(5, 1, () => ask(kept)),
    baseline: {
      what: 'each line anew',
      measured: measure(3, 1, () => {
        for (const line of lines) priceDesign(bareDesign(around, line), books, 'likely');
      }),
    },
    aim: '',
  };
}

printRows('Comparing', [...sideBySide(), allRegions(), ...ofOneLine(), everywhere()]);
