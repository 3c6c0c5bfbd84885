/** The database, or the application, is killed while a bill comes in: what was there before is there after, whole. */
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { sql } from 'kysely';
import { billText, billUpload, rowOf } from '@tests/support/bills';
import { decimal } from '@/engine/base';
import { connect } from '@/platform/data/connect';
import { importBill } from '@/features/bills/use/import-bill';
import { listBills } from '@/features/bills/use/bills';
import { viewBill } from '@/features/bills/use/bill-view';
import { ensureProgram } from '../../scripts/bundle-cli.mjs';
import { type Counts, noCounts } from './count';
import { type Place, placeIn, temporaryHome } from './place';

const ROWS = 60_000;

const rowsOf = (count: number, billed: string) =>
  Array.from({ length: count }, (_, at) =>
    rowOf({ day: `2026-11-${String((at % 28) + 1).padStart(2, '0')}`, resource: `vm-${at % 50}`, billed }),
  );

/** Kills each of both so many times, spread over the time that an import takes. */
export async function tryBillKills(kills: number): Promise<Counts> {
  const counts = noCounts();
  const home = temporaryHome();
  const place = await placeIn(home);
  try {
    await importBill(place.context, billUpload(billText(rowsOf(500, '1'))));
    const file = path.join(home, 'bill.csv');
    fs.writeFileSync(file, billText(rowsOf(ROWS, '2')));
    const program = path.resolve(await ensureProgram('wick'));
    // How long one takes when nobody kills it; then the small one again.
    const started = performance.now();
    await applicationOn(place, program, file, null);
    const whole = performance.now() - started;
    for (let kill = 0; kill < kills; kill += 1) {
      const at = (whole * (kill + 0.7)) / (kills + 0.2);
      for (const who of ['application', 'database'] as const) {
        counts.tried += 1;
        await importBill(place.context, billUpload(billText(rowsOf(500, '1'))));
        const became =
          who === 'application'
            ? await applicationOn(place, program, file, at)
            : await databaseKilled(place, file, at);
        counts[became] += 1;
        const fault = await faultOf(place, became);
        if (fault) counts.bad.push(`${who}, kill ${kill}: ${fault}`);
      }
    }
    return counts;
  } finally {
    await place.end();
    fs.rmSync(home, { recursive: true, force: true });
  }
}

/** `after`: milliseconds until it is killed; null: it ends by itself. */
function applicationOn(
  { cluster }: Place,
  program: string,
  file: string,
  after: number | null,
): Promise<'taken' | 'refused'> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [program, 'bills', 'import', file], {
      stdio: 'ignore',
      env: { ...process.env, DATABASE_URL: cluster.url },
    });
    const timer = after === null ? undefined : setTimeout(() => child.kill('SIGKILL'), after);
    child.on('exit', (code) => {
      clearTimeout(timer);
      resolve(code === 0 ? 'taken' : 'refused');
    });
  });
}

async function databaseKilled(place: Place, file: string, after: number): Promise<'taken' | 'refused'> {
  const { cluster, context } = place;
  const outcome = importBill(context, billUpload(fs.readFileSync(file))).then(
    () => 'taken' as const,
    () => 'refused' as const,
  );
  await new Promise((resolve) => setTimeout(resolve, after));
  process.kill(cluster.pid(), 'SIGKILL');
  while (cluster.isRunning()) await new Promise((resolve) => setTimeout(resolve, 20));
  await cluster.revive();
  return outcome;
}

/** One bill, of the one file or of the other, whole; an import that was acknowledged is there. */
async function faultOf({ cluster, context }: Place, became: 'taken' | 'refused'): Promise<string | null> {
  const db = connect(cluster.url);
  try {
    // A connection that was killed is given up by the server only when it notices.
    const bills = await listBills(context);
    if (bills.length !== 1) return `${bills.length} bills are there`;
    const [bill] = bills;
    const isNew = bill!.rows === ROWS;
    if (!isNew && bill!.rows !== 500) return `${bill!.rows} rows are there`;
    if (became === 'taken' && !isNew) return 'what was acknowledged is lost';
    const { rows } = await sql<{ count: number }>`select count(*)::int as count from bill_row`.execute(db);
    if (rows[0]!.count !== bill!.rows) return `${rows[0]!.count} rows are kept of ${bill!.rows}`;
    const { laid } = await viewBill(context, bill!.id);
    const expected = isNew ? decimal(ROWS).times(2) : decimal(500);
    return expected.equals(laid.billed) ? null : `${laid.billed} are billed, not ${expected}`;
  } finally {
    await db.destroy();
  }
}
