/** What a bill is taken with, and what is told of it. */
import { describe, expect, it } from 'vitest';
import { billText, rowOf } from '@tests/support/bills';
import { file, findings, read } from '@tests/support/focus-files';
import { amountCell, dayCell } from './cells';

describe('what is taken, and what it means', () => {
  it('is told column by column', async () => {
    const told = await findings(
      file(
        { PricingQuantity: '-3', ServiceName: 'Out', Whatever: 'x' },
        { ChargePeriodStart: '2026-12-05', ServiceName: '' },
        { CommitmentDiscountStatus: 'Maybe', ServiceName: 'Out' },
        { CommitmentDiscountStatus: 'Maybe', ServiceName: 'Out' },
        { PricingQuantity: '-3', ChargeClass: 'Correction', ServiceName: 'Out' },
      ),
    );
    expect(told).toEqual([
      'negative-use PricingQuantity 1 2',
      'empty ServiceName 1 3',
      'outside-period ChargePeriodStart 1 3',
      'unknown-value CommitmentDiscountStatus 1 4',
      'stands-twice  1 5',
      'own-column Whatever 5 null',
    ]);
    expect(await findings(file({}, { BillingCurrency: 'EUR' }))).toEqual([
      'several-currencies BillingCurrency 1 1',
    ]);
  });

  it('stands in where columns are missing, and says so', async () => {
    const told = await read(file({ BilledCost: '7', ConsumedQuantity: '3', ConsumedUnit: 'GB' }));
    expect(told.rows[0]).toMatchObject({ list: '7', contracted: '7', effective: '7', quantity: '3' });
    expect(told.said[0]![0]!.unit).toBe('GB');
    const missing = told.conformance.findings.find(({ column }) => column === 'EffectiveCost');
    expect(missing).toMatchObject({ kind: 'missing-column', means: expect.stringContaining('stands in') });
    expect(told.conformance.version).toBe('1.0');
    expect((await read(file({ SkuMeter: 'x' }))).conformance.version).toBe('1.1');
    expect((await read(file({ InvoiceId: 'x' }))).conformance.version).toBe('1.2');
  });

  it('has columns in any order, hostile text as text, and very large quantities', async () => {
    const hostile = '=cmd|\' /C calc\'!A0,"quoted"\nand more';
    const told = await read(
      file({ PricingQuantity: '1000000000', ResourceName: hostile, BilledCost: '1e-7' }),
    );
    expect(told.faults).toEqual([]);
    expect(told.said[0]![0]!.resourceName).toBe(hostile);
    expect(told.rows[0]).toMatchObject({ quantity: '1000000000', billed: '0.0000001' });
    // A formula is none in what is written.
    expect(billText([rowOf({ resourceName: '=1+1' })])).toContain("'=1+1");
  });

  it('reads amounts and days as they come', () => {
    expect(['1', '-1.50', '+2', '1e3', '.5', '5.', '1e-30'].map(amountCell)).toEqual([
      ...['1', '-1.50', '2', '1000', '0.5', '5', '0'],
    ]);
    expect(['', 'x', '1,0', '0x1', 'Infinity', 'NaN', '1e40', '1 000'].map(amountCell)).toEqual(
      Array.from({ length: 8 }, () => null),
    );
    expect(
      ['2026-11-30', '2026-11-30T23:59:59Z', '2026-11-30 10:00:00', '2026-11-30T00:00:00.000Z'].map(dayCell),
    ).toEqual(Array.from({ length: 4 }, () => '2026-11-30'));
    expect(['30.11.2026', '2026-13-01', '2026-11-30T25:00Z', '20261130', ''].map(dayCell)).toEqual(
      Array.from({ length: 5 }, () => null),
    );
  });
});
