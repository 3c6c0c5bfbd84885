/**
 * A disk that is full, really: a small file system in memory, which only root can make. Edits and imports are refused
 * with a sentence that names the disk, readings go on, and with room again everything goes on.
 */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { editDesign } from '@/features/design/use/edit-design';
import { exportDesign, importDesign, listDesigns, openDesign } from '@/features/design/use/designs';
import { writeDesign } from '@/features/design/format/design';
import { designOf } from '@tests/support/designs';
import { type Counts, noCounts } from './count';
import { importWide, placeIn, type Place, temporaryHome } from './place';

const MEGABYTES = 240;

export function canMount(): boolean {
  const home = temporaryHome();
  const mounted = mount(home);
  if (mounted) spawnSync('umount', [home]);
  fs.rmSync(home, { recursive: true, force: true });
  return mounted;
}

function mount(home: string): boolean {
  const size = ['-t', 'tmpfs', '-o', `size=${MEGABYTES}m`, 'tmpfs', home];
  return process.getuid?.() === 0 && spawnSync('mount', size).status === 0;
}

export async function tryFullDisk(edits: number): Promise<Counts> {
  const counts = noCounts();
  const home = temporaryHome();
  if (!mount(home)) throw new Error('A small file system cannot be made here.');
  const place = await placeIn(home);
  const { context } = place;
  const ballast = path.join(home, 'ballast');
  try {
    const design = await importDesign(context, writeDesign(designOf([])));
    let revision = 0;
    /** True: acknowledged. */
    const edit = async (at: number): Promise<boolean> => {
      counts.tried += 1;
      const said = await refusalOf(async () => {
        revision = (await editDesign(context, design, batch(context.newId(), revision, at))).revision;
      });
      note(counts, `edit ${at}`, said);
      return said === null;
    };
    const read = async (when: string): Promise<void> => {
      counts.tried += 1;
      const said = await refusalOf(async () => {
        await listDesigns(context);
        await exportDesign(context, design, 'json');
        const now = await openDesign(context, design);
        if (now.revision !== revision) throw new Error(`revision ${now.revision} instead of ${revision}`);
      });
      if (said === null) counts.taken += 1;
      else counts.bad.push(`reading ${when}: ${said}`);
    };
    await edit(0);
    // An import that does not fit, while there is room for everything else.
    fill(place, ballast, 20);
    counts.tried += 1;
    const said = await refusalOf(() => importWide(context, 'wide', 400_000));
    note(counts, 'import', said);
    if (said === null) counts.bad.push('the import should not have fitted');
    if ((await context.books.list(context.actor.workspace)).length > 0)
      counts.bad.push('a part of the import is there');
    await read('after an import that did not fit');
    fill(place, ballast, 0);
    for (let at = 1; at <= edits; at += 1) {
      await edit(at);
      if (at % 20 === 0) await read('on a full disk');
    }
    fs.rmSync(ballast);
    if (!(await edit(-1))) counts.bad.push('no edit with room again');
    await read('with room again');
    return counts;
  } finally {
    await place.end();
    spawnSync('umount', ['-l', home]);
    fs.rmSync(home, { recursive: true, force: true });
  }
}

const batch = (id: string, baseRevision: number, at: number): object => ({
  baseRevision,
  batch: id,
  edits: [{ edit: 'set-design', field: 'description', value: `${'x'.repeat(1800)}${at}` }],
});

/** Leaves so many megabytes. */
function fill({ home }: Place, ballast: string, left: number): void {
  fs.rmSync(ballast, { force: true });
  const { bavail, bsize } = fs.statfsSync(home);
  fs.writeFileSync(ballast, Buffer.alloc(Math.max(0, bavail * bsize - left * 1_000_000)));
}

async function refusalOf(work: () => Promise<unknown>): Promise<string | null> {
  try {
    await work();
    return null;
  } catch (thrown) {
    const error = (await import('@/platform/use/app-error')).asAppError(thrown);
    return `${error.code}: ${error.message}`;
  }
}

function note(counts: Counts, what: string, said: string | null): void {
  if (said === null) counts.taken += 1;
  else if (/^no-room: .*disk/.test(said)) counts.refused += 1;
  else counts.bad.push(`${what}: ${said}`);
}
