/** The one place where the application meets the database: one pool per process, one context per request. */
import 'server-only';
import { randomUUID } from 'node:crypto';
import { Worker } from 'node:worker_threads';
import { changeFeed, connect, installationOf, LOCAL_WORKSPACE, repositories } from '@/data';
import type { Desk, Lane } from '@/desk/protocol';
import { deskOf, ThreadDesk } from '@/desk/threads';
import {
  type Actor,
  AppError,
  type Context,
  LiveHub,
  priceAfterEdit,
  type Stores,
  WhenQuiet,
} from '@/operations';
import { log } from './lib/log';

interface Shared {
  database?: ReturnType<typeof connect>;
  installation?: string;
  stores?: Stores;
  live?: LiveHub;
  desk?: Desk;
  totals?: WhenQuiet;
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
    new ThreadDesk({ start: deskThread, patience: 180_000, most: MOST_WAITING }),
  ));
}

/** For what needs no person: a link is its own entitlement. */
export function outsideContext(): Omit<Context, 'actor'> {
  return {
    ...stores(),
    now: () => new Date(),
    newId: randomUUID,
    price: (workspace, design, urgency) =>
      desk().ask('summary', { workspace, design }, { lane: urgency === 'soon' ? 'team' : 'background' }),
  };
}

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

/** Totals of lists, once nobody has edited for a moment; a list that comes earlier works them out itself. */
export function totalsSoon(): WhenQuiet {
  return (shared.totals ??= new WhenQuiet((id) =>
    priceAfterEdit(context(), id).catch((error: unknown) =>
      log.error({ err: error }, 'totals were not brought up to date'),
    ),
  ));
}
