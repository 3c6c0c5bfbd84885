import { describe, expect, it } from 'vitest';
import { wideBookFile } from '@tests/support/wide-book';
import { chargeWords, rateNotes } from './charge-words';

const { rates } = wideBookFile();
const rateOf = (sku: string, meter: string, term = 'on-demand') =>
  rates.find((rate) => rate.sku === sku && rate.meter === meter && rate.term === term)!;
const plain = (text: string): string => text.replace(/\s/g, ' ');

describe('a charge in words', () => {
  it.each([
    ['S-4', 'running', '0.1 USD per hour'],
    ['WAREHOUSE', 'scanned', '40 USD per started 10 TB'],
    ['OUT', 'transferred', 'from 0.09 to 0.05 USD per GB, graduated'],
    ['EDGE', 'transferred', 'from 0.08 to 0.04 USD per GB, all at one tier'],
    ['BACKUP', 'protected', 'USD each: 5 up to 50, 10 up to 500 GB-month, then 10 per started 500'],
    [
      'BALANCER',
      'units',
      '0.01 USD per unit-hour; a unit carries 40 connections begun a second, 2 000 connections held, 2 gigabytes an hour',
    ],
    ['S-FREE', 'running', '0.03 per vCPU and 0.004 per GiB, USD per hour'],
    ['SUPPORT', 'share', '10 %, then 7 % of the spend, at least 100 USD'],
    ['PLAN', 'plan-fee', '20 USD a month'],
    ['LINE', 'set-up', '500 USD once'],
  ])('%s %s: %s', (sku, meter, words) => {
    expect(plain(chargeWords(rateOf(sku, meter), 'USD'))).toBe(words);
  });
});

describe('what else a rate says', () => {
  it.each([
    ['S-4', 'running', '12-part', ['219 USD upfront']],
    ['S-4', 'running', '12-none', ['ended early, the rest stays due']],
    ['S-4', 'running', 'interruptible', ['moves between 0.02 and 0.06']],
    ['S-SECOND', 'running', 'on-demand', ['in started 1 second, at least 60']],
    ['S-SUSTAIN', 'running', 'on-demand', ['cheaper the longer it runs, down to × 0.6']],
    ['S-CAP', 'running', 'on-demand', ['never more than 30 USD a month']],
    ['HOST', 'running', 'on-demand', ['at least 3 units']],
    ['SHARE', 'stored', 'on-demand', ['at least 100 of GiB-month each', 'billed by what is set aside']],
    ['OUT', 'transferred', 'on-demand', ['100 GB included for 12 months, counted over the provider']],
    ['STORE', 'stored', 'on-demand', ['counted over the region', 'paid for at least 30 days']],
    ['CREDIT', 'credit', '12-none', ['beyond it × 1.1']],
  ])('%s %s %s: %j', (sku, meter, term, notes) => {
    expect(rateNotes(rateOf(sku, meter, term), 'USD').map(plain)).toEqual(notes);
  });
});
