/** The one place where the application meets the database: one pool per process, one context per request. */
import 'server-only';
import { randomUUID } from 'node:crypto';
import {
  bookRepository,
  connect,
  designRepository,
  exchangeRepository,
  importRepository,
  LOCAL_WORKSPACE,
} from '@/data';
import { AppError, type Context } from '@/operations';

type Stores = Pick<Context, 'books' | 'designs' | 'imports' | 'exchange'>;

interface Shared {
  stores?: Stores;
}

// Development reloads modules; the pool must outlive that.
const shared = ((globalThis as { wickTally?: Shared }).wickTally ??= {});

function stores(): Stores {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new AppError(
      'unavailable',
      'No database is configured. Start with ./run demo, or set DATABASE_URL.',
    );
  if (!shared.stores) {
    const db = connect(url);
    shared.stores = {
      books: bookRepository(db),
      designs: designRepository(db),
      imports: importRepository(db),
      exchange: exchangeRepository(db),
    };
  }
  return shared.stores;
}

/** A local installation has one team and one person, who is an actor like any other. */
export function context(): Context {
  return {
    actor: { user: 'local', workspace: LOCAL_WORKSPACE, role: 'admin' },
    ...stores(),
    now: () => new Date(),
    newId: randomUUID,
  };
}
