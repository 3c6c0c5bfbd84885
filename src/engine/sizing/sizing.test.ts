import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile } from '@tests/support/books';
import { Decimal, err, issue, ok } from '../base';
import type { Offer } from '../books';
import { cheapestThatFits, lacksOf } from './';

const book = bookFrom(smallBookFile());
const servers = book.soldIn('severn', 'server');
const notSold = err(issue('term.not-offered', ['term']));
const priceOf = (offer: Offer): Decimal => {
  const rate = book.rate(offer.sku, 'severn', 'running', 'on-demand');
  if (rate?.charge.structure !== 'per-unit') throw new Error('not so simple');
  return rate.charge.price;
};
const onDemand = (offer: Offer) => ok(priceOf(offer));

describe('cheapest that fits', () => {
  it('leaves out burstable and retiring offers unless they are allowed', () => {
    const need = { vcpu: '3', memory: '10' };
    expect(cheapestThatFits(need, servers, onDemand)).toMatchObject({ fits: true, offer: { sku: 'A-4' } });
    expect(cheapestThatFits({ ...need, allowBurstable: true }, servers, onDemand)).toMatchObject({
      offer: { sku: 'L-4' },
    });
    expect(cheapestThatFits({ ...need, allowRetiring: true }, servers, onDemand)).toMatchObject({
      offer: { sku: 'O-4' },
    });
  });

  it('breaks ties by fewer vCPU, then less memory, then SKU', () => {
    const even = () => ok(new Decimal(1));
    expect(cheapestThatFits({ vcpu: '1', memory: '1' }, servers, even)).toMatchObject({
      offer: { sku: 'A-2' },
    });
    expect(cheapestThatFits({ vcpu: '4', memory: '1' }, servers, even)).toMatchObject({
      offer: { sku: 'A-4' },
    });
  });

  it('says what the nearest misses lack', () => {
    const fit = cheapestThatFits({ vcpu: '9', memory: '16' }, servers, onDemand);
    expect(fit).toMatchObject({ fits: false });
    if (!fit.fits) expect(fit.nearest[0]).toMatchObject({ offer: { sku: 'A-8' }, lacks: ['vcpu'] });
  });

  it('names the term as what is lacking', () => {
    const fit = cheapestThatFits({ vcpu: '4', memory: '16' }, servers, () => notSold);
    expect(fit).toMatchObject({ fits: false, why: { code: 'term.not-offered' } });
    expect(!fit.fits && fit.nearest[0]?.lacks).toEqual(['term']);
  });

  it('says why what satisfies the need has no amount: an entry before a way of paying', () => {
    const tooLong = err(issue('hours.exceed-month', ['running']));
    const fit = cheapestThatFits({ vcpu: '4', memory: '16' }, servers, (offer) =>
      offer.sku === 'A-8' ? tooLong : notSold,
    );
    expect(fit).toMatchObject({ fits: false, why: { code: 'hours.exceed-month' } });
    expect(cheapestThatFits({ vcpu: '900', memory: '16' }, servers, onDemand)).toMatchObject({ why: null });
  });

  it('is never smaller than the need and never dearer than another that fits', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 40 }), (vcpu, memory) => {
        const need = { vcpu: String(vcpu), memory: String(memory) };
        const fit = cheapestThatFits(need, servers, onDemand);
        const fitting = servers.filter((offer) => lacksOf(need, offer).length === 0);
        expect(fit.fits).toBe(fitting.length > 0);
        if (!fit.fits) return;
        expect(
          fit.offer.vcpu!.greaterThanOrEqualTo(vcpu) && fit.offer.memory!.greaterThanOrEqualTo(memory),
        ).toBe(true);
        for (const other of fitting) expect(priceOf(fit.offer).lessThanOrEqualTo(priceOf(other))).toBe(true);
      }),
    );
  });
});
