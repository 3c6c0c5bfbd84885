import { describe, expect, it } from 'vitest';
import { readReportOptions, writeReportOptions } from './report-options';

describe('how a report is asked for', () => {
  it.each([
    '',
    'agreements=1',
    'months=1',
    'agreements=1&months=1',
    'beside=alternatives',
    'months=1&beside=alternatives%2Cregions',
    'variant=quotation',
    'variant=quotation&until=2026-12-31',
  ])('“%s” is read and written alike', (query) => {
    const options = readReportOptions(Object.fromEntries(new URLSearchParams(query)));
    expect(writeReportOptions(options!)).toBe(query);
  });

  it('never asks a quotation for agreements, nor a full report for a last day', () => {
    expect(readReportOptions({ variant: 'quotation', agreements: '1' })).toMatchObject({
      withAgreements: false,
    });
    expect(readReportOptions({ until: '2026-12-31' })).toMatchObject({ validUntil: null });
  });

  it('puts nothing beside a quotation, and each thing once', () => {
    expect(readReportOptions({ variant: 'quotation', beside: 'regions' })).not.toHaveProperty('beside');
    expect(readReportOptions({ beside: 'paying,regions,paying' })?.beside).toEqual(['regions', 'paying']);
  });

  it.each([
    { beside: 'sizes' },
    { beside: '' },
    { variant: 'secret' },
    { until: '31.12.2026' },
    { agreements: 'yes' },
    { until: ['a', 'b'] },
  ])('%j is refused', (given) => expect(readReportOptions(given)).toBeNull());
});
