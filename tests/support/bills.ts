/** Bills for tests: things and rows by hand, drawn ones, and files of them. */
import fc from 'fast-check';
import { decimal } from '@/engine/base';
import { type BillHead, type BillThing, CHARGE_CATEGORIES, type ChargedRow } from '@/features/bills/calc';
import { billCsv } from '@/features/bills/format/focus/write-bill';
import type { Upload } from '@/platform/use/tracked-import';

export const NOVEMBER = { from: '2026-11-01', to: '2026-12-01' };
export const HEAD: BillHead = { ...NOVEMBER, provider: 'Norvane', account: 'quay', currency: 'USD' };

export function rowOf(part: Partial<ChargedRow> = {}): ChargedRow {
  const money = part.billed ?? '10';
  return {
    ...{ day: '2026-11-02', category: 'Usage', isCorrection: false, service: 'Servers', sku: 'A-4' },
    ...{ meter: 'running', region: 'severn', account: 'web', resource: 'vm-1', resourceName: 'Web 1' },
    ...{ description: 'Hours', tags: {}, unit: 'Hours', listUnitPrice: '0.1', contractedUnitPrice: '0.1' },
    ...{ commitment: '', commitmentStatus: null, list: money, contracted: money, billed: money },
    ...{ effective: money, quantity: '100', ...part },
  };
}

export function thingOf(part: Partial<BillThing> = {}): BillThing {
  const { day: _, ...row } = rowOf();
  return { ...row, at: 0, rows: 1, ...part };
}

export const billText = (rows: readonly ChargedRow[], head: BillHead = HEAD): string =>
  [...billCsv(head, rows)].join('');

let uploads = 0;

export function billUpload(content: string | Uint8Array, fileName = 'bill.csv'): Upload {
  uploads += 1;
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  return {
    id: `00000000-0000-4000-9000-${String(uploads).padStart(12, '0')}`,
    fileName,
    bytesTotal: bytes.byteLength,
    source: new Blob([new Uint8Array(bytes)]).stream(),
  };
}

const cents = fc
  .integer({ min: -20_000, max: 500_000 })
  .map((value) => decimal(value).dividedBy(100).toString());
const some = (...texts: readonly string[]) => fc.constantFrom(...texts);

/** Rows that a provider may send, in few enough words that rules meet them. */
export const anyRow: fc.Arbitrary<ChargedRow> = fc
  .record({
    day: fc.integer({ min: 1, max: 30 }).map((day) => `2026-11-${String(day).padStart(2, '0')}`),
    category: fc.constantFrom(...CHARGE_CATEGORIES),
    isCorrection: fc.boolean(),
    service: some('Servers', 'Store', 'Out'),
    sku: some('A-4', 'STORE', 'OUT', ''),
    meter: some('running', 'stored', 'transferred', ''),
    region: some('severn', 'elbe'),
    account: some('web', 'data', ''),
    resource: some('vm-1', 'vm-2', 'disk/1', ''),
    unit: some('Hours', 'GB', ''),
    tags: fc.constantFrom<Record<string, string>[]>({}, { component: 'a' }, { component: 'b', team: 'x' }),
    billed: cents,
    effective: cents,
    quantity: fc.option(fc.integer({ min: 0, max: 9999 }).map(String), { nil: null }),
  })
  .map((part) => rowOf(part));

export const thingsOf = (rows: readonly ChargedRow[]): BillThing[] =>
  rows.map(({ day: _, ...row }, at) => ({ ...row, at, rows: 1 }));
