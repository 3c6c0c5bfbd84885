/** Files of bills by hand, and what reading them gives. */
import type { BillHead, BillSaid } from '@/features/bills/calc';
import { type BillRead, readBill, type SunkRow } from '@/features/bills/format/focus';

interface Sunk {
  readonly heads: BillHead[];
  readonly said: BillSaid[][];
  readonly rows: SunkRow[];
}

export async function read(
  content: string | Uint8Array,
  chunk = 700,
): Promise<Omit<BillRead, 'rows'> & Sunk> {
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  const sunk: Sunk = { heads: [], said: [], rows: [] };
  async function* source(): AsyncGenerator<Uint8Array> {
    for (let at = 0; at < bytes.byteLength; at += chunk) yield bytes.subarray(at, at + chunk);
  }
  const result = await readBill(source(), {
    bill: async (number, head) => {
      sunk.heads[number] = head;
      sunk.said[number] = [];
    },
    thing: (bill, number, said) => void (sunk.said[bill]![number] = said),
    rows: async (rows) => void sunk.rows.push(...rows),
  });
  return { ...result, ...sunk };
}

export const faults = async (content: string | Uint8Array): Promise<string[]> =>
  (await read(content)).faults.map(
    ({ line, column, path, message }) => `${line}:${column} ${path ? `${path}: ` : ''}${message}`,
  );
export const findings = async (content: string): Promise<string[]> =>
  (await read(content)).conformance.findings
    .filter(({ kind }) => kind !== 'missing-column')
    .map(({ kind, column, rows, firstLine }) => `${kind} ${column} ${rows} ${firstLine}`);

/** A file of chosen cells: the first row names them. */
export const file = (...rows: readonly Readonly<Record<string, string>>[]): string => {
  const whole = {
    ...{
      BilledCost: '1',
      BillingCurrency: 'USD',
      BillingPeriodStart: '2026-11-01',
      BillingPeriodEnd: '2026-12-01',
    },
    ...{ ChargePeriodStart: '2026-11-02T00:00:00Z', ChargeCategory: 'Usage' },
  };
  const columns = [...new Set([...Object.keys(whole), ...rows.flatMap((row) => Object.keys(row))])];
  const quoted = (text: string): string => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return [
    columns.join(','),
    ...rows.map((row) => columns.map((name) => quoted({ ...whole, ...row }[name] ?? '')).join(',')),
  ].join('\n');
};
