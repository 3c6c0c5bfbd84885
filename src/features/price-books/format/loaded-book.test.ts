import { describe, expect, it } from 'vitest';
import { smallBookFile } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { allComponents } from '@/engine/design';
import { LoadedBook, type RatesWanted, ratesWanted } from './loaded-book';

function loaded() {
  const file = smallBookFile();
  const kindOf = new Map(file.offers.map((offer) => [offer.sku, offer.kind]));
  const asked: (readonly RatesWanted[])[] = [];
  const { book, revision, regions, offers } = file;
  const known = new LoadedBook({ book, revision, regions, offers, availability: {} }, async (wanted) => {
    asked.push(wanted);
    return file.rates.filter((rate) =>
      wanted.some(
        (each) =>
          each.region === rate.region &&
          (each.skus.includes(rate.sku) || each.kinds.includes(kindOf.get(rate.sku)!)),
      ),
    );
  });
  return { known, asked };
}

describe('what a design needs of a book', () => {
  it('is its own offers, or the whole kind where the cheapest is sought, by region', () => {
    const design = designOf([
      serverOf('a'),
      serverOf('b', { choice: { by: 'cheapest', need: { vcpu: '2', memory: '4' } } }),
      transferOf('c', { likely: '1' }, { place: { book: 'small', region: 'elbe' } }),
      serverOf('d', { place: { book: 'foreign', region: 'severn' } }),
      componentOf({ id: 'e', kind: 'custom', place: null }),
    ]);
    expect(ratesWanted(allComponents(design), 'small')).toEqual([
      { region: 'severn', skus: ['A-4'], kinds: ['server'] },
      { region: 'elbe', skus: ['OUT'], kinds: [] },
    ]);
  });
});

describe('a book of which a part is here', () => {
  const severn = (skus: string[], kinds: RatesWanted['kinds'] = []): RatesWanted[] => [
    { region: 'severn', skus, kinds },
  ];

  it('fetches what is missing, once, and stays the same book while nothing is', async () => {
    const { known, asked } = loaded();
    const first = await known.with(severn(['A-4']));
    expect(first.rate('A-4', 'severn', 'running', 'on-demand')?.charge).toMatchObject({
      structure: 'per-unit',
    });
    expect(await known.with(severn(['A-4']))).toBe(first);
    const more = await known.with(severn(['A-4', 'OUT']));
    expect(more).not.toBe(first);
    expect(asked).toEqual([severn(['A-4']), severn(['OUT'])]);
  });

  it('needs no offer of a kind that is here whole, and nothing of an offer that there is not', async () => {
    const { known, asked } = loaded();
    await known.with(severn([], ['server']));
    await known.with(severn(['A-8', 'NOWHERE']));
    expect(asked).toHaveLength(1);
    expect(known.rateCount).toBeGreaterThan(5);
  });

  it('fetches once for two who ask at the same time', async () => {
    const { known, asked } = loaded();
    const [one, two] = await Promise.all([known.with(severn(['A-4'])), known.with(severn(['A-4']))]);
    expect(one).toBe(two);
    expect(asked).toHaveLength(1);
  });

  it('asks again after a failed fetch', async () => {
    let fails = true;
    const file = smallBookFile();
    const { book, revision, regions, offers } = file;
    const known = new LoadedBook({ book, revision, regions, offers, availability: {} }, async () => {
      if (fails) throw new Error('down');
      return file.rates.filter((rate) => rate.region === 'severn' && rate.sku === 'A-4');
    });
    await expect(known.with(severn(['A-4']))).rejects.toThrow('down');
    fails = false;
    expect((await known.with(severn(['A-4']))).rate('A-4', 'severn', 'running', 'on-demand')).toBeDefined();
  });
});
