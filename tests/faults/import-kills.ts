/** The database is killed while a price book comes in: nothing of it is seen afterwards, and no file of it is left. */
import fs from 'node:fs';
import { sql } from 'kysely';
import { connect } from '@/platform/data/connect';
import { editDesign } from '@/features/design/use/edit-design';
import { importDesign, openDesign } from '@/features/design/use/designs';
import { writeDesign } from '@/features/design/format/design';
import { designOf } from '@tests/support/designs';
import { type Counts, noCounts } from './count';
import { importWide, placeIn, type Place, tablesSize, temporaryHome } from './place';

const RATES = 150_000;

export async function tryImportKills(kills: number): Promise<Counts> {
  const counts = noCounts();
  const home = temporaryHome();
  const place = await placeIn(home);
  try {
    const design = await importDesign(place.context, writeDesign(designOf([])));
    // How long one takes when nobody kills it.
    const started = performance.now();
    await importWide(place.context, 'whole', RATES);
    const whole = performance.now() - started;
    await checkpoint(place);
    const before = tablesSize(place.cluster.folder);
    for (let kill = 0; kill < kills; kill += 1) {
      counts.tried += 1;
      const at = (whole * (kill + 0.5)) / kills;
      const revision = await editOnce(place, design, kill);
      const key = `killed-${kill}`;
      const outcome = importWide(place.context, key, RATES).then(
        () => 'taken' as const,
        () => 'refused' as const,
      );
      await new Promise((resolve) => setTimeout(resolve, at));
      await killAndRevive(place);
      const became = await outcome;
      counts[became] += 1;
      const listed = await place.context.books.list(place.context.actor.workspace);
      const isThere = listed.some((book) => book.key === key);
      if (isThere !== (became === 'taken')) counts.bad.push(`kill ${kill}: ${became}, but there: ${isThere}`);
      const now = await openDesign(place.context, design);
      if (now.revision < revision) counts.bad.push(`kill ${kill}: revision ${revision} is lost`);
    }
    await checkpoint(place);
    // An import that was taken after all has its files by right.
    const grown = (tablesSize(place.cluster.folder) - before) / Math.max(1, before);
    const most = counts.taken + 0.2;
    if (grown > most) counts.bad.push(`files have grown by ${grown.toFixed(2)} of what they were`);
    return counts;
  } finally {
    await place.end();
    fs.rmSync(home, { recursive: true, force: true });
  }
}

async function editOnce({ context }: Place, design: string, at: number): Promise<number> {
  const { revision } = await openDesign(context, design);
  const edits = [{ edit: 'set-design', field: 'title', value: `Edited ${at}` }];
  return (await editDesign(context, design, { baseRevision: revision, batch: context.newId(), edits }))
    .revision;
}

async function killAndRevive({ cluster }: Place): Promise<void> {
  process.kill(cluster.pid(), 'SIGKILL');
  while (cluster.isRunning()) await new Promise((resolve) => setTimeout(resolve, 20));
  await cluster.revive();
}

/** Files of tables that were given up are emptied at a checkpoint. */
async function checkpoint({ cluster }: Place): Promise<void> {
  const db = connect(cluster.url);
  await sql`checkpoint`.execute(db);
  await db.destroy();
}
