/** Brings a database to the newest shape, makes the local workspace and, once, loads the demo into it. */
import { randomUUID } from 'node:crypto';
import { connect } from '@/platform/data/connect';
import {
  ensureWorkspace,
  isDemoLoaded,
  LOCAL_WORKSPACE,
  markDemoLoaded,
} from '@/platform/data/workspace-repository';
import { migrate } from '@/platform/data/migrate';
import { repositories } from '@/stores/repositories';
import { plainSheets } from '@/platform/files/sheet-inventory';
import { reviewMarkdown } from '@/features/review/file/review-markdown';
import { loadDemo, loadDemoBills } from '@/demo/load-demo';
import { AppError, asAppError } from '@/platform/use/app-error';
import { type Context } from '@/stores/ports';
import { terminal } from './terminal';

function contextOn(db: ReturnType<typeof connect>): Context {
  return {
    actor: { user: 'local', workspace: LOCAL_WORKSPACE, role: 'admin' },
    ...repositories(db),
    now: () => new Date(),
    newId: randomUUID,
  };
}

/** Runs `work` on the database of `DATABASE_URL`, brought to the newest shape. */
export async function withDatabase<T>(work: (context: Context) => Promise<T>): Promise<T> {
  const url = terminal().env.DATABASE_URL;
  if (!url) {
    const message =
      'No database is named. Set DATABASE_URL, for example to the one that ./run demo shows when it starts.';
    throw new AppError('unavailable', message);
  }
  await setUpDatabase(url, { demo: false });
  const db = connect(url);
  try {
    return await work(contextOn(db));
  } finally {
    await db.destroy();
  }
}

export async function setUpDatabase(url: string, options: { readonly demo: boolean }): Promise<void> {
  const db = connect(url, null);
  try {
    await migrate(db);
    await ensureWorkspace(db, LOCAL_WORKSPACE, 'Skerrow Ferries');
    if (!options.demo) return;
    if (await isDemoLoaded(db, LOCAL_WORKSPACE)) return await loadDemoBills(contextOn(db));
    await loadDemo(contextOn(db), plainSheets, reviewMarkdown);
    await markDemoLoaded(db, LOCAL_WORKSPACE, new Date());
  } catch (error) {
    if (asAppError(error).code === 'unavailable') {
      const message =
        'The database does not answer. Check DATABASE_URL and that the server runs, then start again.';
      throw new AppError('unavailable', message, {}, error);
    }
    throw error;
  } finally {
    await db.destroy();
  }
}
