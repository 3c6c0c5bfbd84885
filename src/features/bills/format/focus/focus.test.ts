/** Bills as files: CSV, gzip and Parquet say the same; what breaks the sums is refused with its row and column. */
import { gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { parquetWriteBuffer } from 'hyparquet-writer';
import { describe, expect, it } from 'vitest';
import { anyRow, billText, HEAD, rowOf } from '@tests/support/bills';
import { faults, file, read } from '@tests/support/focus-files';

describe('a bill that was written', () => {
  it('says the same when it is read, however it is cut in pieces', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(anyRow, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 1, max: 900 }),
        async (rows, chunk) => {
          const told = await read(billText(rows), chunk);
          expect(told.faults).toEqual([]);
          expect(told.heads).toEqual([HEAD]);
          expect(told.rows).toHaveLength(rows.length);
          for (const [at, row] of rows.entries()) {
            const sunk = told.rows[at]!;
            const { day, list, contracted, billed, effective, quantity, ...said } = row;
            expect({ ...sunk, thing: 0 }).toMatchObject({
              day,
              list,
              contracted,
              billed,
              effective,
              quantity,
            });
            expect(told.said[0]![sunk.thing]).toEqual(said);
            expect(sunk.line).toBe(at + 2);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is the same packed, and as Parquet with dates, numbers and tags of its own kind', async () => {
    const rows = [
      rowOf({ tags: { component: 'a' } }),
      rowOf({ day: '2026-11-03', billed: '0.000125', quantity: '1000000000' }),
      rowOf({ category: 'Tax', quantity: null, unit: '' }),
    ];
    const plain = await read(billText(rows));
    const packed = await read(gzipSync(billText(rows)));
    expect({ ...packed, conformance: null }).toEqual({ ...plain, conformance: null });
    const text = (name: string, data: (string | null)[]) => ({ name, data, type: 'STRING' as const });
    const number = (name: string, data: (number | null)[]) => ({ name, data, type: 'DOUBLE' as const });
    const time = (name: string, days: string[]) => ({
      ...{ name, data: days.map((day) => new Date(`${day}T00:00:00Z`)), type: 'TIMESTAMP' as const },
    });
    const parquet = parquetWriteBuffer({
      columnData: [
        text(
          'ProviderName',
          rows.map(() => HEAD.provider),
        ),
        text(
          'BillingAccountId',
          rows.map(() => HEAD.account),
        ),
        text(
          'BillingCurrency',
          rows.map(() => 'USD'),
        ),
        time(
          'BillingPeriodStart',
          rows.map(() => HEAD.from),
        ),
        time(
          'BillingPeriodEnd',
          rows.map(() => HEAD.to),
        ),
        time(
          'ChargePeriodStart',
          rows.map(({ day }) => day),
        ),
        text(
          'ChargeCategory',
          rows.map(({ category }) => category),
        ),
        number(
          'BilledCost',
          rows.map(({ billed }) => Number(billed)),
        ),
        number(
          'EffectiveCost',
          rows.map(({ effective }) => Number(effective)),
        ),
        number(
          'PricingQuantity',
          rows.map(({ quantity }) => (quantity === null ? null : Number(quantity))),
        ),
        text(
          'PricingUnit',
          rows.map(({ unit }) => unit || null),
        ),
        { name: 'Tags', data: rows.map(({ tags }) => tags), type: 'JSON' },
      ],
      rowGroupSize: 2,
    });
    const told = await read(new Uint8Array(parquet));
    expect(told.faults).toEqual([]);
    expect(told.heads).toEqual([HEAD]);
    expect(told.rows.map(({ day, billed, quantity }) => [day, billed, quantity])).toEqual([
      ['2026-11-02', '10', '100'],
      ['2026-11-03', '0.000125', '1000000000'],
      ['2026-11-02', '10', null],
    ]);
    expect(told.said[0]![0]!.tags).toEqual({ component: 'a' });
    const cutOff = new Uint8Array(parquet).subarray(0, parquet.byteLength - 30);
    expect(await faults(cutOff)).toEqual([
      '1:1 the Parquet file is cut off or damaged: its end cannot be read',
    ]);
  });

  it('of several periods and providers is several bills', async () => {
    const told = await read(
      file(
        { ProviderName: 'Norvane' },
        { ProviderName: 'Osmere' },
        { ProviderName: 'Norvane', BillingPeriodStart: '2026-12-01', BillingPeriodEnd: '2027-01-01' },
        // The same date in another way.
        { ProviderName: 'Norvane', BillingPeriodStart: '2026-11-01T00:00:00Z' },
      ),
    );
    expect(told.heads.map(({ provider, from }) => [provider, from])).toEqual([
      ['Norvane', '2026-11-01'],
      ['Osmere', '2026-11-01'],
      ['Norvane', '2026-12-01'],
    ]);
    expect(told.rows.map(({ bill }) => bill)).toEqual([0, 1, 2, 0]);
  });
});

describe('what breaks the sums is refused', () => {
  it('by its row and column', async () => {
    expect(await faults(file({ BilledCost: '1,5' }))).toEqual([
      '2:1 BilledCost: “1,5” is no amount; write it like 1234.56',
    ]);
    expect(await faults(file({}, { BilledCost: '' }))).toEqual(['3:1 BilledCost: the amount is missing']);
    expect(await faults(file({ ChargePeriodStart: '02/11/2026' }))).toEqual([
      '2:5 ChargePeriodStart: “02/11/2026” is no date of the form 2026-11-30 or 2026-11-30T00:00:00Z',
    ]);
    expect((await faults(file({ ChargePeriodStart: '2026-02-30' })))[0]).toContain('is no date');
    expect((await faults(file({ BillingCurrency: 'dollars' })))[0]).toBe(
      '2:2 BillingCurrency: “dollars” is no currency; three letters such as USD are',
    );
    expect((await faults(file({ ChargeCategory: 'usage' })))[0]).toContain('is no category of charges');
    expect((await faults(file({ Tags: '{"a":' })))[0]).toContain('tags are written as a JSON object');
    expect((await faults(file({ Tags: '{"a":{"b":1}}' })))[0]).toContain('tags are written');
    expect((await faults(file({ PricingQuantity: 'many' })))[0]).toContain('is no quantity');
    expect((await faults(file({ BillingPeriodEnd: '2026-11-01' })))[0]).toContain('ends before it begins');
    expect((await faults(file({}, { BillingPeriodStart: '2026-11-15' })))[0]).toContain(
      'overlaps the billing period',
    );
  });

  it('where columns are missing, stand twice, or are divided by something else', async () => {
    expect(await faults('BilledCost,BillingCurrency\n1,USD')).toHaveLength(4);
    expect((await faults('BilledCost,BillingCurrency\n1,USD'))[0]).toBe(
      '1:1 BillingPeriodStart: the column “BillingPeriodStart” is missing; without it nothing can be added up',
    );
    expect(await faults('BilledCost;BillingCurrency\n1;USD')).toEqual([
      '1:1 the columns are divided by semicolons; save the file with commas between them',
    ]);
    expect((await faults('BilledCost\tBillingCurrency\n1\tUSD'))[0]).toContain('tabs');
    expect((await faults(file({}).replace('BillingCurrency', 'BilledCost')))[0]).toContain('stands twice');
  });

  it('where it is cut off, empty, too wide, or no text', async () => {
    expect(await faults('')).toEqual(['1:1 the file is empty']);
    expect((await faults(file()))[0]).toContain('the file has no rows');
    expect((await faults(`${file({})}\n1,"open`))[0]).toContain('may be cut off');
    expect(await faults(`${file({})}\n1,USD`)).toEqual(['3:2 this row has 2 cells, the first has 6']);
    expect((await faults(gzipSync(billText([rowOf()])).subarray(0, 60)))[0]).toContain('cannot be unpacked');
    expect((await faults(new Uint8Array([0xff, 0xfe, 0x41, 0x00, 0x42])))[0]).toContain('not UTF-8');
    expect((await faults(`a${',b'.repeat(600)}\n`))[0]).toContain('more than 500 cells');
    expect((await faults(`${file({})}\n"${'x'.repeat(300_000)}`))[0]).toContain(
      'longer than 200000 characters',
    );
  });

  it('and never in another way than by telling: spoilt files', async () => {
    const whole = billText([rowOf({ tags: { a: 'b' } }), rowOf({ category: 'Tax' }), rowOf()]);
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            at: fc.nat(whole.length),
            cut: fc.nat(40),
            put: fc.constantFrom('', '"', ',', '\n', '\r', '\u0000', '{', '1e99', '-', '﻿', '💡'),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        async (spoils) => {
          let text = whole;
          for (const { at, cut, put } of spoils) text = text.slice(0, at) + put + text.slice(at + cut);
          const told = await read(text);
          for (const fault of told.faults) expect(fault.message.length).toBeGreaterThan(5);
          if (told.faults.length === 0) expect(told.rows.length).toBe(told.conformance.rows);
        },
      ),
      { numRuns: 300 },
    );
  });
});
