/** What stands under docs/formats is current and valid. */
import fs from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { indexBook } from '@/core/books';
import { bookSet } from '@/core/pricing';
import { summarise } from '@/core/range';
import { readAll } from '@tests/support/streams';
import { designFileSchema, priceBookSchema, readDesign, readPriceBook, toBookData } from '@/formats';

const read = (name: string): string => fs.readFileSync(`docs/formats/${name}`, 'utf8');

describe('docs/formats', () => {
  it.each([
    ['price-book.schema.json', priceBookSchema],
    ['design.schema.json', designFileSchema],
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
});
