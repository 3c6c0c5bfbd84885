/** The one place where the application meets the database: one pool per process, one context per request. */
import 'server-only';
import { randomUUID } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import { changeFeed } from '@/platform/data/change-feed';
import { connect } from '@/platform/data/connect';
import { installationOf, LOCAL_WORKSPACE } from '@/platform/data/workspace-repository';
import { repositories } from '@/stores/repositories';
import type { Desk, Lane } from '@/desk/protocol';
import { deskOf, ThreadDesk } from '@/desk/threads';
import { type Actor } from '@/platform/use/actor';
import { AppError } from '@/platform/use/app-error';
import { type Context, type Stores } from '@/stores/ports';
import { LiveHub } from '@/features/design/use/live';
import { loadBooks } from '@/features/price-books/use/load-books';
import { evaluateWatches } from '@/features/alerts/use/watches';
import { refreshReview } from '@/features/review/use/reviews';
import { refreshTotals } from '@/features/design/use/designs';
import { sendMessages, watchTheDay } from '@/features/alerts/use/watch-messages';
import { BossQueue } from '@/jobs';
import { standInFeed } from '@/demo/bills';
import { standInForge } from '@/demo/forge';
import { simulatedMailer } from '@/demo/mailbox';
import { DEMO_MAPS } from '@/demo/maps';
import { log } from './lib/log';
import { runCommand } from './lib/run-command';
import { webCall } from './lib/web-call';

interface Shared {
  database?: ReturnType<typeof connect>;
  installation?: string;
  stores?: Stores;
  live?: LiveHub;
  desk?: Desk;
  queue?: BossQueue;
}

// Development reloads modules; the pool must outlive that.
const shared = ((globalThis as { wickTally?: Shared }).wickTally ??= {});

function database(): ReturnType<typeof connect> {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new AppError(
      'unavailable',
      'No database is configured. Start with ./run demo, or set DATABASE_URL.',
    );
  return (shared.database ??= connect(url));
}

function stores(): Stores {
  return (shared.stores ??= repositories(database()));
}

/** The name of this installation: what browsers keep belongs to it. */
export async function installation(): Promise<string> {
  return (shared.installation ??= await installationOf(database()));
}

export function liveHub(): LiveHub {
  return (shared.live ??= new LiveHub(changeFeed(database(), process.env.DATABASE_URL!), randomUUID()));
}

const MOST_WAITING: Readonly<Record<Lane, number>> = { team: 20, stranger: 6, background: 10_000 };

function deskThread(): Worker {
  // Bundled when the application is started (`scripts/lib/desk.ts`).
  const program = process.env.WICK_DESK;
  if (!program) {
    const message = 'A part of the application is missing. Start it with ./run serve, which makes it.';
    throw new AppError('unavailable', message);
  }
  return new Worker(/* turbopackIgnore: true */ program, {
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  });
}

/** Where what is heavy is done, in threads of their own. */
export function desk(): Desk {
  return (shared.desk ??= deskOf(
    new ThreadDesk({ start: deskThread, patience: 60_000, most: MOST_WAITING }),
    new ThreadDesk({ start: deskThread, patience: 300_000, most: MOST_WAITING }),
  ));
}

/** For what needs no person: a link is its own entitlement. */
export function outsideContext(): Omit<Context, 'actor'> {
  return {
    ...stores(),
    now: () => new Date(),
    newId: randomUUID,
    queue: queue(),
    price: (workspace, design, urgency) =>
      desk().ask('summary', { workspace, design }, { lane: urgency === 'soon' ? 'team' : 'background' }),
    sumUp: (workspace, review) => desk().ask('review-summary', { workspace, review }),
    forge: standInForge(stores().standIn),
    feed: standInFeed(stores().standIn, (workspace, design) => loadBooks(stores().books, workspace, design)),
    mailer: simulatedMailer(stores().standIn),
    webCall,
    mayBeCalled: mayBeCalled(),
    runCommand,
    shippedMaps: DEMO_MAPS,
  };
}

/** Hosts beyond this machine that watches may call. */
const mayBeCalled = (): string[] =>
  (process.env.WICK_MAY_CALL ?? '').split(',').flatMap((host) => (host.trim() ? [host.trim()] : []));

/** Who asks. A local installation has one team and one person, who is an actor like any other. */
function actorOf(_headers: Headers | null): Actor {
  return { user: 'local', workspace: LOCAL_WORKSPACE, role: 'admin' };
}

/** For a route: the stores, and whoever sent the request as the actor. */
export function contextFor(request: Request): Context {
  return { ...outsideContext(), actor: actorOf(request.headers) };
}

/** For a page, which is rendered for whoever asked for it. */
export function context(): Context {
  return { ...outsideContext(), actor: actorOf(null) };
}

/** What outlives a request, in PostgreSQL: whichever process has time works it off. */
function queue(): BossQueue {
  return (shared.queue ??= new BossQueue(process.env.DATABASE_URL!, stores().jobs, {
    file: (work, { signal, tell }) => desk().ask(work.what, work.given as never, { signal, tell }),
    totals: (workspace, design) =>
      refreshTotals({ ...outsideContext(), actor: { user: 'totals', workspace, role: 'admin' } }, design),
    review: (workspace, review) =>
      refreshReview({ ...outsideContext(), actor: { user: 'reviews', workspace, role: 'pipeline' } }, review),
    watch: async (workspace) => {
      const context = outsideContext();
      await evaluateWatches({ ...context, actor: { user: 'watches', workspace, role: 'pipeline' } });
      await sendMessages(context);
    },
    byTheClock: async () => {
      const context = outsideContext();
      await watchTheDay(context);
      await sendMessages(context);
    },
    failed: (error) => logOnce(error),
  }));
}

/** Milliseconds in which the same failure of the queue is said once: it looks every few seconds. */
const SAID_AGAIN = 60_000;
const saidAt = new Map<string, number>();

function logOnce(error: unknown): void {
  const text = error instanceof Error ? error.message : String(error);
  if (Date.now() - (saidAt.get(text) ?? 0) < SAID_AGAIN) return;
  if (saidAt.size > 100) saidAt.clear();
  saidAt.set(text, Date.now());
  log.error({ err: error }, 'work of the queue failed');
}

/** With the process, so that what another one left is found. A database that is not there yet is asked again. */
export function startQueue(): void {
  if (!process.env.DATABASE_URL) return;
  queue()
    .start()
    .catch(() => void setTimeout(startQueue, 5000).unref());
}
