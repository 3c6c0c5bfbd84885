/** Takes the bills of a file, in one transaction: rows by COPY into a partition of their own, then things and sums by day. */
import { type Kysely, sql } from 'kysely';
import type pg from 'pg';
import type { BillHead, BillSaid } from '@/features/bills/calc';
import { decimal } from '@/engine/base';
import type { BillRead, BillSink, SunkRow } from '@/features/bills/format/focus';
import { AppError } from '@/platform/use/app-error';
import { type BillChange, type ImportedBill } from '@/features/bills/use/bill-ports';
import { CopyRows } from '@/platform/data/copy-rows';
import type { Database } from '@/stores/schema';

const ROW_COLUMNS = ['thing', 'line', 'day', 'list', 'contracted', 'billed', 'effective', 'quantity'];
const THINGS_AT_ONCE = 5000;
/** What is bought, put right, taxed or credited is known by its day, and is no use of it. */
const IS_FEE = `(said->>'category' <> 'Usage' or (said->>'isCorrection')::boolean)`;
/** Days that an import tells of. */
const MOST_DAYS_TOLD = 10;

/** The partition that holds a bill's rows; only ever made of an id of ours. */
export const billPartition = (id: string, revision: number): string =>
  `bill_row_${id.replaceAll('-', '')}_${revision}`;

interface Known {
  readonly revision: number;
  readonly row_count: number;
  readonly billed: string;
}

interface Written {
  readonly id: string;
  readonly head: BillHead;
  readonly revision: number;
  readonly before: Known | null;
  readonly things: BillSaid[];
}

export class BillWriter implements BillSink {
  private readonly bills: Written[] = [];
  private copy: { readonly bill: number; readonly rows: CopyRows } | null = null;

  constructor(
    private readonly db: Kysely<Database>,
    private readonly client: pg.PoolClient,
    private readonly workspace: string,
    private readonly newId: () => string,
  ) {}

  async bill(number: number, head: BillHead): Promise<void> {
    await this.endCopy();
    // Two imports of one account wait for one another, so that the second replaces the first as a whole.
    await sql`select pg_advisory_xact_lock(hashtextextended(${`bill ${this.workspace} ${head.provider} ${head.account}`}, 0))`.execute(
      this.db,
    );
    const known = await this.db
      .selectFrom('bill')
      .select(['id', 'period_from', 'period_to', 'revision', 'row_count', 'billed', 'closing'])
      .where('workspace_id', '=', this.workspace)
      .where('provider', '=', head.provider)
      .where('account', '=', head.account)
      .where('currency', '=', head.currency)
      .where('period_from', '<', head.to)
      .where('period_to', '>', head.from)
      .execute();
    const same = known.find(
      ({ period_from, period_to }) => period_from === head.from && period_to === head.to,
    );
    if (same?.closing) throw isClosed(head);
    const other = known.find((each) => each !== same);
    if (other) throw overlaps(head, other.period_from, other.period_to);
    const id = same?.id ?? this.newId();
    const revision = (same?.revision ?? 0) + 1;
    await this.client.query(`
      create table ${billPartition(id, revision)} (like bill_row);
      alter table ${billPartition(id, revision)} alter column bill_id set default '${id}',
        add constraint ${billPartition(id, revision)}_is_one check (bill_id = '${id}');
    `);
    this.bills[number] = { id, head, revision, before: same ?? null, things: [] };
  }

  thing(bill: number, number: number, said: BillSaid): void {
    this.bills[bill]!.things[number] = said;
  }

  async rows(rows: readonly SunkRow[]): Promise<void> {
    let [from, lines] = [0, ''];
    for (let at = 0; at <= rows.length; at += 1) {
      const row = rows[at];
      if (at > from && row?.bill !== rows[from]!.bill) {
        await (await this.copyInto(rows[from]!.bill)).writeText(lines);
        [from, lines] = [at, ''];
      }
      // What stands here is checked: numbers, dates and plain amounts.
      if (row)
        lines += `${row.thing}\t${row.line}\t${row.day}\t${row.list}\t${row.contracted}\t${row.billed}\t${row.effective}\t${row.quantity ?? '\\N'}\n`;
    }
  }

  private async copyInto(bill: number): Promise<CopyRows> {
    if (this.copy?.bill !== bill) {
      await this.endCopy();
      const { id, revision } = this.bills[bill]!;
      this.copy = { bill, rows: new CopyRows(this.client, billPartition(id, revision), ROW_COLUMNS) };
    }
    return this.copy!.rows;
  }

  private async endCopy(): Promise<void> {
    const { copy } = this;
    this.copy = null;
    await copy?.rows.end();
  }

  /** Ends the copy whatever became of it, so that the client can roll back. */
  async abandon(): Promise<void> {
    await this.endCopy().catch(() => undefined);
  }

  async end({ conformance }: BillRead, fileName: string, at: Date): Promise<ImportedBill[]> {
    await this.endCopy();
    const imported: ImportedBill[] = [];
    for (const bill of this.bills)
      imported.push(await this.settle(bill, { conformance: JSON.stringify(conformance), fileName, at }));
    return imported;
  }

  private async settle(
    { id, head, revision, before, things }: Written,
    file: { readonly conformance: string; readonly fileName: string; readonly at: Date },
  ): Promise<ImportedBill> {
    const table = billPartition(id, revision);
    const daysBefore = before ? await this.daySums(id) : null;
    if (before) await this.clear(id, before.revision);
    const values = {
      ...{ revision, thing_count: things.length, file_name: file.fileName, imported_at: file.at },
      conformance: file.conformance,
      ...{ row_count: 0, newest: null, billed: '0', effective: '0', changed: null, closing: null },
    };
    await this.db
      .insertInto('bill')
      .values({
        ...{ id, workspace_id: this.workspace, provider: head.provider, account: head.account },
        ...{ period_from: head.from, period_to: head.to, currency: head.currency, ...values },
      })
      .onConflict((conflict) => conflict.column('id').doUpdateSet(values))
      .execute();
    await this.client.query(`
      insert into bill_day (bill_id, thing, day, billed, effective, quantity)
      select '${id}', thing, day, sum(billed), sum(effective), sum(quantity) from ${table} group by thing, day;
      create index ${table}_thing on ${table} (thing, line);
      analyze ${table};
      alter table bill_row attach partition ${table} for values in ('${id}');
      alter table ${table} drop constraint ${table}_is_one;
    `);
    await this.writeThings(id, table, things);
    await this.writeWholeDays(id);
    const { rows } = await this.client.query<{
      rows: number;
      newest: string | null;
      billed: string;
      effective: string;
    }>(`
      update bill set
        row_count = (select count(*) from ${table}),
        newest = (select max(day) from ${table}
          where thing in (select at from bill_thing where bill_id = '${id}' and said->>'category' = 'Usage')
          and day < period_to),
        billed = (select sum(billed) from ${table}),
        effective = (select sum(effective) from ${table})
      where id = '${id}' returning row_count as rows, newest, billed, effective;
    `);
    await this.client.query(`
      insert into bill_seen (bill_id, revision, day, effective)
      select '${id}', ${revision}, day, sum(bill_day.effective)
      from bill_day join bill_thing using (bill_id) where bill_id = '${id}' and at = thing and said->>'category' = 'Usage'
      group by day;
    `);
    const sums = rows[0]!;
    const changed = daysBefore && changeOf(before!, sums, daysBefore, await this.daySums(id));
    if (changed)
      await this.db
        .updateTable('bill')
        .set({ changed: JSON.stringify(changed) })
        .where('id', '=', id)
        .execute();
    return { ...head, id, revision, rows: sums.rows, billed: sums.billed, changed };
  }

  private async clear(id: string, revision: number): Promise<void> {
    await this.client.query(`drop table ${billPartition(id, revision)}`);
    await this.db.deleteFrom('bill_thing').where('bill_id', '=', id).execute();
    await this.db.deleteFrom('bill_day').where('bill_id', '=', id).execute();
    await this.db.deleteFrom('bill_service').where('bill_id', '=', id).execute();
    await this.db.deleteFrom('bill_whole_day').where('bill_id', '=', id).execute();
  }

  private async writeThings(id: string, table: string, things: readonly BillSaid[]): Promise<void> {
    await this.client.query('create temp table bill_said (at int, said jsonb) on commit drop');
    for (let from = 0; from < things.length; from += THINGS_AT_ONCE) {
      const part = things.slice(from, from + THINGS_AT_ONCE).map((said, at) => ({ at: from + at, said }));
      await this.client.query(
        `insert into bill_said select (row->>'at')::int, row->'said' from jsonb_array_elements($1::jsonb) as row`,
        [JSON.stringify(part)],
      );
    }
    await this.client.query(`
      insert into bill_thing (bill_id, at, said, row_count, list, contracted, billed, effective, quantity)
      select '${id}', at, said, row_count, list, contracted, billed, effective, quantity from bill_said join (
        select thing, count(*), sum(list), sum(contracted), sum(billed), sum(effective), sum(quantity)
        from ${table} group by thing
      ) as sums (thing, row_count, list, contracted, billed, effective, quantity) on sums.thing = at;
      drop table bill_said;
      insert into bill_service (bill_id, service, billed, effective)
      select '${id}', said->>'service', sum(billed), sum(effective) from bill_thing
      where bill_id = '${id}' group by said->>'service';
    `);
  }

  private async writeWholeDays(id: string): Promise<void> {
    await this.client.query(`
      analyze bill_thing, bill_day;
      insert into bill_whole_day (bill_id, day, is_fee, billed, effective)
      select '${id}', day, ${IS_FEE} as is_fee, sum(bill_day.billed), sum(bill_day.effective)
      from bill_day join bill_thing on bill_thing.bill_id = bill_day.bill_id and at = thing
      where bill_day.bill_id = '${id}' group by day, is_fee;
    `);
  }

  private async daySums(id: string): Promise<Map<string, string>> {
    const rows = await this.db
      .selectFrom('bill_day')
      .select(['day', sql<string>`sum(billed)`.as('billed')])
      .where('bill_id', '=', id)
      .groupBy('day')
      .execute();
    return new Map(rows.map(({ day, billed }) => [day, billed]));
  }
}

function changeOf(
  before: Known,
  after: { readonly rows: number; readonly billed: string },
  daysBefore: ReadonlyMap<string, string>,
  daysAfter: ReadonlyMap<string, string>,
): BillChange {
  const days = [...new Set([...daysBefore.keys(), ...daysAfter.keys()])].map((day) => ({
    day,
    before: decimal(daysBefore.get(day) ?? '0').toFixed(),
    after: decimal(daysAfter.get(day) ?? '0').toFixed(),
  }));
  const by = ({ before: from, after: to }: (typeof days)[number]) => decimal(to).minus(from).abs();
  return {
    rows: after.rows - before.row_count,
    billed: decimal(after.billed).minus(before.billed).toFixed(),
    days: days
      .filter((day) => !by(day).isZero())
      .sort((a, b) => by(b).comparedTo(by(a)) || (a.day < b.day ? -1 : 1))
      .slice(0, MOST_DAYS_TOLD),
  };
}

const named = ({ provider, account, from }: BillHead): string =>
  `The bill of ${provider} ${account} from ${from}`;

const isClosed = (head: BillHead): AppError =>
  new AppError('conflict', `${named(head)} is closed. Open its period again before it is brought in anew.`);

const overlaps = (head: BillHead, from: string, to: string): AppError =>
  new AppError(
    'conflict',
    `${named(head)} overlaps the period ${from} to ${to} that is here already. Delete that one first if it was wrong.`,
  );
