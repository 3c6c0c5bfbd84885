/** What stands under docs/formats is current and valid. */
import fs from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { indexBook } from '@/engine/books';
import { bookSet } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { readAll } from '@tests/support/streams';
import { cellOf, groupMachines, type Machine, Placer } from '@/features/fleet/calc';
import { machineSchema } from '@/features/fleet/format/machine-schema';
import { fleetPlanSchema, readFleetPlan } from '@/features/fleet/format/plan-schema';
import { readMachineLines } from '@/features/fleet/format/read-machine-lines';
import { billRulesSchema, readBillRules } from '@/features/bills/format/bill-rules';
import { priceListMapSchema, readPriceListMap } from '@/features/price-books/format/price-list/map-schema';
import { limitsSchema, readLimits } from '@/features/review/format/review/limits-schema';
import { loadProfileSchema, readLoadProfile } from '@/features/review/format/review/load-schema';
import { readSentReview, sentReviewSchema } from '@/features/review/format/review/sent-review';
import { readResourceMap, resourceMapSchema } from '@/features/review/format/review/map-schema';
import { readStudy, studyFileSchema } from '@/features/own-or-rent/format/study-schema';
import { studySentence } from '@/features/own-or-rent/words';
import { studyAnswer } from '@/features/own-or-rent/calc';
import { designFileSchema, readDesign } from '@/features/design/format/design';
import { priceBookSchema } from '@/features/price-books/format/price-book-schema';
import { readPriceBook, toBookData } from '@/features/price-books/format/price-book';

const read = (name: string): string => fs.readFileSync(`docs/formats/${name}`, 'utf8');

describe('docs/formats', () => {
  it.each([
    ['price-book.schema.json', priceBookSchema],
    ['design.schema.json', designFileSchema],
    ['machine.schema.json', machineSchema],
    ['fleet-plan.schema.json', fleetPlanSchema],
    ['study.schema.json', studyFileSchema],
    ['resource-map.schema.json', resourceMapSchema],
    ['load-profile.schema.json', loadProfileSchema],
    ['limits.schema.json', limitsSchema],
    ['bill-rules.schema.json', billRulesSchema],
    ['price-list.schema.json', priceListMapSchema],
    ['sent-review.schema.json', sentReviewSchema],
  ] as const)('%s is what ./run formats writes', (name, schema) => {
    expect(JSON.parse(read(name))).toEqual(
      JSON.parse(JSON.stringify(z.toJSONSchema(schema, { io: 'input' }))),
    );
  });

  it('has a flat example that is the same book', async () => {
    const { kept, faults } = await readAll(read('price-book.example.csv'));
    expect(faults).toEqual([]);
    const whole = readPriceBook(read('price-book.example.json'));
    expect(whole.ok && kept.rates).toEqual(whole.ok && whole.value.rates);
  });

  it('has examples that are read, and a design that its book prices whole', () => {
    const book = readPriceBook(read('price-book.example.json'));
    const design = readDesign(read('design.example.json'));
    if (!book.ok || !design.ok) throw new Error(JSON.stringify([book, design]));
    const summary = summarise(design.value, bookSet([indexBook(toBookData(book.value))]));
    expect(summary).toMatchObject({ unpriced: 0, currency: 'EUR' });
    // 2 × (730 × 0.049 + 430 ÷ 12) + (1500 − 100) × 0.08
    expect(summary.printed).toBe('255.21');
  });

  it('has rules of bills that are read', () => {
    expect(readPriceListMap(read('price-list.example.yaml')).ok).toBe(true);
    const rules = readBillRules(read('bill-rules.example.yaml'));
    if (!rules.ok) throw new Error(JSON.stringify(rules));
    expect(rules.value.map(({ id }) => id)).toEqual(['tile-servers', 'tiles-out', 'logs']);
    expect(rules.value[2]!.to).toHaveLength(2);
  });

  it('has a resource map, a load profile and limits that are read', () => {
    const [map, load, limits] = [
      readResourceMap(read('resource-map.example.yaml')),
      readLoadProfile(read('load-profile.example.yaml')),
      readLimits(read('limits.example.yaml')),
    ];
    if (!map.ok || !load.ok || !limits.ok) throw new Error(JSON.stringify([map, load, limits]));
    expect(map.value.rules.map(({ type }) => type)).toEqual(['quay_server', 'quay_role']);
    expect(load.value.loads).toHaveLength(2);
    expect(load.value.held).toHaveLength(1);
    expect(limits.value.limits.map(({ rule }) => rule.is)).toContain('only-regions');
  });

  it('has a review as a pipeline sends it, which is read', () => {
    const sent = readSentReview(JSON.parse(read('sent-review.example.json')));
    expect(sent.ok && sent.value).toMatchObject({ repository: 'harbour/booking', phase: 'open' });
    expect(sent.ok && sent.value.extract.resources).toHaveLength(2);
  });

  it('has a study that is read and has an answer', () => {
    const study = readStudy(read('study.example.json'));
    if (!study.ok) throw new Error(JSON.stringify(study));
    const answer = studyAnswer(study.value);
    expect(answer.troubles).toEqual([]);
    expect(studySentence(answer, null)).toMatch(/^Renting costs .+ (more|less) over three years\.$/);
  });

  it('has a fleet whose machines and plan are read, and which its book prices', async () => {
    const plan = readFleetPlan(JSON.parse(read('fleet-plan.example.json')));
    const book = readPriceBook(read('price-book.example.json'));
    if (!plan.ok || !book.ok) throw new Error(JSON.stringify([plan, book]));
    const machines: Machine[] = [];
    async function* bytes() {
      yield new TextEncoder().encode(read('machines.example.ndjson'));
    }
    for await (const some of readMachineLines(bytes())) machines.push(...some);
    expect(machines.map(({ name }) => name)).toEqual(['ticket-01', 'crane-01']);
    const { currency, exchange, systems, placements, groups } = plan.value;
    const placer = new Placer({ currency, exchange, systems, books: [indexBook(toBookData(book.value))] });
    const [group] = groupMachines({ groups }, machines, () => []);
    expect(group!.machines.map(({ name }) => name)).toEqual(['ticket-01']);
    const work = cellOf(placer, [{ ...group!.group, machines: group!.machines }], placements[0]!);
    let step = work.next();
    while (!step.done) step = work.next();
    // 8 vCPU at 31 % and 32 GiB at 62 %, with a fifth more: 2.976 and 23.808, which 4 vCPU and 16 GiB do not have.
    expect(step.value.unfit.map(({ why }) => why)).toEqual(['no-size']);
  });
});
