/** Rows into a table by COPY, as fast as PostgreSQL takes them. */
import { once } from 'node:events';
import { finished } from 'node:stream/promises';
import type pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';

export type Cell = string | null;

export class CopyRows {
  private readonly stream: ReturnType<typeof copyFrom>;
  private failed: Error | null = null;
  private underWay: Promise<unknown> = Promise.resolve();
  private readonly done: Promise<void>;

  /** Nothing else may be asked of the client until `end` has returned. `table` and `columns` are our own names. */
  constructor(client: pg.PoolClient, table: string, columns: readonly string[]) {
    this.stream = client.query(copyFrom(`copy ${table} (${columns.join(', ')}) from stdin`));
    this.done = finished(this.stream);
    this.done.catch((error: Error) => (this.failed = error));
  }

  async write(rows: readonly (readonly Cell[])[]): Promise<void> {
    if (rows.length > 0) await this.writeText(rows.map(lineOf).join(''));
  }

  /**
   * Lines made by `lineOf`. Returns while they are still on their way, so that the next can be made meanwhile; waits
   * for those before.
   */
  async writeText(lines: string): Promise<void> {
    await this.underWay;
    if (this.failed) throw this.failed;
    if (this.stream.write(lines)) return;
    this.underWay = Promise.race([once(this.stream, 'drain'), this.done]);
    this.underWay.catch(() => undefined);
  }

  async end(): Promise<void> {
    await this.underWay.catch(() => undefined);
    if (!this.stream.writableEnded) this.stream.end();
    await this.done;
  }
}

const SPECIAL = /[\\\t\n\r]/;
const ESCAPED: Readonly<Record<string, string>> = { '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' };

export function cell(value: Cell): string {
  if (value === null) return '\\N';
  return SPECIAL.test(value) ? value.replace(/[\\\t\n\r]/g, (each) => ESCAPED[each]!) : value;
}

function lineOf(cells: readonly Cell[]): string {
  return `${cells.map(cell).join('\t')}\n`;
}
