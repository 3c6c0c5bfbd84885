/** The one place where the application meets the database: one pool per process, one context per request. */
import 'server-only';
import { randomUUID } from 'node:crypto';
import { connect, installationOf, LOCAL_WORKSPACE, repositories } from '@/data';
import { AppError, type Context, LiveHub, type Stores } from '@/operations';

interface Shared {
  database?: ReturnType<typeof connect>;
  installation?: string;
  stores?: Stores;
  live?: LiveHub;
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
  return (shared.live ??= new LiveHub());
}

/** For what needs no person: a link is its own entitlement. */
export function outsideContext(): Omit<Context, 'actor'> {
  return { ...stores(), now: () => new Date(), newId: randomUUID };
}

/** A local installation has one team and one person, who is an actor like any other. */
export function context(): Context {
  return {
    ...outsideContext(),
    actor: { user: 'local', workspace: LOCAL_WORKSPACE, role: 'admin' },
  };
}
