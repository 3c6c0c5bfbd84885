/**
 * The engine asked many times, without interface: one keystroke, variations of a design, needs against the offer index.
 * Baselines are the plain way in the same run: the whole design priced anew, each offer priced.
 */
import { decimal } from '@/engine/base';
import { allComponents, type Component, type Design } from '@/engine/design';
import { casesOf, createPricer, type DesignPlan, planOf, priceCases, priceDesign } from '@/engine/pricing';
import { compileProgram } from '@/engine/program';
import { offerIndex } from '@/engine/rating';
import { summaryOf } from '@/engine/summary';
import { lacksOf, type Need } from '@/engine/sizing';
import { demoBooks, designOfSize } from './designs';
import { type BenchRow, measure, printRows } from './measure';

const books = demoBooks();

function counted(design: Design, id: string, count: string): Component {
  const component = allComponents(design).find((each) => each.id === id)!;
  return { ...component, count: { likely: count } };
}

/** The design with one component changed, all others the same objects: as an edit leaves it. */
function edited(design: Design, id: string, count: string): Design {
  const changed = counted(design, id, count);
  const sections = design.sections.map((section) =>
    section.components.some((each) => each.id === id)
      ? { ...section, components: section.components.map((each) => (each.id === id ? changed : each)) }
      : section,
  );
  return { ...design, sections };
}

function keystroke(): BenchRow {
  const design = designOfSize(200);
  const pricer = createPricer(books);
  let plan: DesignPlan = pricer.plan(design);
  summaryOf(casesOf(plan));
  let key = 0;
  const one = (): void => {
    key += 1;
    plan = pricer.plan(edited(plan.design, `c${(key * 7) % 200}`, String((key % 9) + 1)), plan);
    summaryOf(casesOf(plan));
  };
  return {
    what: 'one of 200 lines changed, three cases, printed',
    measured: measure(400, 60, one),
    baseline: {
      what: 'all of it anew',
      measured: measure(40, 10, () => void summaryOf(priceCases(design, books))),
    },
    aim: '≤ 3 ms',
  };
}

function everything(): BenchRow {
  const design = designOfSize(200);
  return {
    what: '200 lines, three cases, all of it anew',
    measured: measure(60, 15, () => void priceCases(design, books)),
    baseline: {
      what: 'the likely case alone',
      measured: measure(60, 15, () => void priceDesign(design, books, 'likely')),
    },
    aim: '≤ 15 ms',
  };
}

function variations(): BenchRow {
  const design = designOfSize(60);
  const all = allComponents(design);
  const asked = Array.from({ length: 1000 }, (_, at) => {
    const { id } = all[at % all.length]!;
    return counted(design, id, String(1 + (at % 40)));
  });
  const quick = (): void => {
    const pricer = createPricer(books);
    const plan = pricer.plan(design);
    for (const each of asked) pricer.price(plan, { case: 'likely', instead: new Map([[each.id, each]]) });
  };
  const plain = (): void => {
    for (const each of asked) priceDesign(edited(design, each.id, each.count.likely), books, 'likely');
  };
  return {
    what: '1000 variations of 60 lines',
    measured: measure(5, 2, quick),
    baseline: { what: '1000 plain pricings', measured: measure(3, 1, plain) },
    aim: '≥ 20 × faster',
  };
}

function needs(): BenchRow {
  const pin = designOfSize(1).books[0]!;
  const book = books.get(pin.book, pin.revision)!;
  const region = book.regions[0]!.code;
  const key = {
    region,
    kind: 'server' as const,
    term: 'on-demand' as const,
    hoursInMonth: decimal('730'),
    inRuns: false,
  };
  const index = offerIndex(book, key);
  const asked = Array.from({ length: 100_000 }, (_, at): Need => ({
    vcpu: String(1 + (at % 32)),
    memory: String(1 + (at % 97)),
  }));
  const offers = book.soldIn(region, 'server');
  return {
    what: `100 000 needs against ${offers.length} offers by the index`,
    measured: measure(5, 2, () => asked.forEach((need) => void index.cheapest(need))),
    baseline: {
      what: '1 000 needs, each offer looked at',
      measured: measure(3, 1, () =>
        asked
          .slice(0, 1000)
          .forEach((need) => void offers.filter((offer) => lacksOf(need, offer).length === 0)),
      ),
    },
    aim: '< 100 ms',
  };
}

/** Draws of every entry that the program follows, against the engine asked the same way a hundred times. */
function draws(): BenchRow {
  const design = designOfSize(185);
  const plan = planOf(design, books);
  const { program } = compileProgram(plan);
  if (program.inputs.length < 185) throw new Error('the program follows too little');
  const values = Float64Array.from(program.inputs, ({ value }) => value);
  let seed = 1;
  const draw = (): void => {
    for (let at = 0; at < values.length; at += 1) {
      seed = (seed * 16807) % 2147483647;
      values[at] = program.inputs[at]!.value * (0.6 + (0.8 * seed) / 2147483647);
    }
    program.run(values);
  };
  const all = allComponents(design);
  return {
    what: `10 000 draws of 185 lines, ${program.inputs.length} entries, ${program.length} steps`,
    measured: measure(5, 2, () => {
      for (let at = 0; at < 10_000; at += 1) draw();
    }),
    baseline: {
      what: '100 pricings, all lines changed',
      measured: measure(3, 1, () => {
        for (let at = 0; at < 100; at += 1) {
          const instead = new Map(
            all.map((each) => [each.id, counted(design, each.id, String(1 + (at % 9)))]),
          );
          plan.pricer.price(plan, { case: 'likely', instead });
        }
      }),
    },
    aim: '< 1 s',
  };
}

printRows('The engine, asked many times', [keystroke(), everything(), variations(), needs(), draws()]);
