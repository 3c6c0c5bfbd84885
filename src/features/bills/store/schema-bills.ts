/** The tables of bills as Kysely sees them. */
import type { ColumnType, JSONColumnType } from 'kysely';
import type { BillSaid } from '@/features/bills/calc';
import type { Conformance } from '@/features/bills/format/focus';
import type { BillChange, BillClosing } from '@/features/bills/use/bill-ports';
import type { Numeric, Timestamp } from '@/platform/data/column-types';

export interface BillTables {
  bill: {
    id: string;
    workspace_id: string;
    provider: string;
    account: string;
    period_from: ColumnType<string, string, never>;
    period_to: ColumnType<string, string, never>;
    currency: string;
    revision: number;
    row_count: number;
    thing_count: number;
    newest: string | null;
    billed: Numeric;
    effective: Numeric;
    file_name: string;
    conformance: JSONColumnType<Conformance>;
    changed: JSONColumnType<BillChange> | null;
    closing: JSONColumnType<BillClosing> | null;
    imported_at: Timestamp;
    notes: ColumnType<Readonly<Record<string, string>>, string | undefined, string>;
  };
  bill_row: {
    bill_id: string;
    thing: number;
    line: number;
    day: string;
    list: Numeric;
    contracted: Numeric;
    billed: Numeric;
    effective: Numeric;
    quantity: Numeric | null;
  };
  bill_thing: {
    bill_id: string;
    at: number;
    said: JSONColumnType<BillSaid>;
    row_count: number;
    list: Numeric;
    contracted: Numeric;
    billed: Numeric;
    effective: Numeric;
    quantity: Numeric | null;
  };
  bill_day: {
    bill_id: string;
    thing: number;
    day: string;
    billed: Numeric;
    effective: Numeric;
    quantity: Numeric | null;
  };
  bill_service: { bill_id: string; service: string; billed: Numeric; effective: Numeric };
  bill_whole_day: { bill_id: string; day: string; is_fee: boolean; billed: Numeric; effective: Numeric };
  bill_seen: { bill_id: string; revision: number; day: string; effective: Numeric };
  bill_design: { workspace_id: string; provider: string; account: string; design_id: string };
}
