/** Exchange-rate tables as CSV: `date,from,to,rate`, one row a pair. */
import { parse } from 'csv-parse/sync';
import { z } from 'zod';
import { type Checked, type Fault, faultsOf, refused } from '@/platform/formats/faults';
import { amountText, currency, isoDate } from '@/platform/formats/fields';

const row = z
  .object({
    date: isoDate,
    from: currency,
    to: currency,
    rate: amountText.refine((text) => !(Number(text) <= 0), 'must be above zero'),
  })
  .refine(({ from, to }) => from !== to, 'must be between two currencies');

export type ExchangeRateRow = z.infer<typeof row>;

const MOST_ROWS = 20_000;
const COLUMNS = ['date', 'from', 'to', 'rate'];

export function readExchangeCsv(text: string): Checked<ExchangeRateRow[]> {
  let records: { record: Record<string, string>; info: { lines: number } }[];
  try {
    records = parse(text, { bom: true, columns: true, info: true, trim: true, skip_empty_lines: true });
  } catch (error) {
    const line = (error as { lines?: number }).lines;
    return refused([
      { path: '', message: 'The file is not valid CSV.', ...(line ? { line, column: 1 } : {}) },
    ]);
  }
  const missing = COLUMNS.filter((column) => records[0] && !(column in records[0].record));
  if (records.length === 0 || missing.length > 0) {
    const message = `The first row must name the columns ${COLUMNS.join(', ')}, and rows must follow.`;
    return refused([{ path: '', message }]);
  }
  if (records.length > MOST_ROWS) {
    return refused([{ path: '', message: `The file has more than ${MOST_ROWS} rows.` }]);
  }
  const faults: Fault[] = [];
  const rows: ExchangeRateRow[] = [];
  const seen = new Set<string>();
  for (const { record, info } of records) {
    const place = { line: info.lines, column: 1 };
    const checked = row.safeParse(record);
    if (!checked.success) {
      faults.push(...faultsOf(checked.error).map((fault) => ({ ...fault, ...place })));
      continue;
    }
    const { date, from, to, rate } = checked.data;
    const key = `${date} ${from} ${to}`;
    if (seen.has(key)) faults.push({ path: '', message: `${key} stands twice`, ...place });
    seen.add(key);
    rows.push({ date, from, to, rate });
  }
  return faults.length > 0 ? refused(faults) : { ok: true, value: rows };
}
