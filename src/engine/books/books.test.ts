import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile } from '@tests/support/books';
import { distanceKm, indexBook, nearestRegion } from './';
import { toBookData } from '@/features/price-books/format/price-book';

const book = bookFrom(smallBookFile());

describe('an indexed book', () => {
  it('finds rates by SKU, region, meter and term', () => {
    expect(book.rate('A-4', 'severn', 'running', '12-part')?.upfront?.toString()).toBe('300');
    expect(book.rate('A-4', 'elbe', 'running', 'on-demand')).toBeUndefined();
  });

  it('knows where an offer is sold and under which terms', () => {
    expect(book.regionsSelling('A-4')).toEqual(['severn', 'tasman']);
    expect(book.termsOf('A-4', 'tasman')).toEqual(['on-demand']);
    expect(book.soldIn('elbe', 'server').map((offer) => offer.sku)).toEqual(['A-8']);
    expect(book.offersOf('transfer-out').map((offer) => offer.sku)).toEqual(['OUT']);
  });

  it('trusts a given availability where only some rates are loaded', () => {
    const part = { ...toBookData(smallBookFile()), rates: [], availability: { 'A-4': ['severn', 'tasman'] } };
    expect(indexBook(part).regionsSelling('A-4')).toEqual(['severn', 'tasman']);
  });
});

describe('nearest region', () => {
  const [severn, elbe, tasman] = book.regions;

  it('goes by distance over the globe', () => {
    expect(nearestRegion(severn!, [tasman!, elbe!])?.code).toBe('elbe');
    expect(nearestRegion(severn!, [])).toBeUndefined();
    expect(distanceKm(severn!, elbe!)).toBeGreaterThan(850);
    expect(distanceKm(severn!, elbe!)).toBeLessThan(950);
  });
});
