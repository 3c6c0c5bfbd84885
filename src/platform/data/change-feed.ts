/**
 * The change feed over the database's own notifications: one connection that listens, opened when somebody first wants to
 * hear, and opened again when it breaks. Saves are told by a trigger, when they are committed.
 */
import { type Kysely, sql } from 'kysely';
import pg from 'pg';
import type { ChangeFeed, ChangeHearer, FeedEvent } from '@/platform/use/change-feed';
import type { Database } from '@/stores/schema';

const CHANNEL = 'design_change';
/** Milliseconds before a broken connection is opened again; longer each time, up to the last. */
const AGAIN = [200, 1000, 3000, 10_000];

export function changeFeed(db: Kysely<Database>, url: string): ChangeFeed {
  const hearers = new Set<ChangeHearer>();
  const listener = new Listener(url, hearers);
  return {
    tell: (change) => {
      void sql`select pg_notify(${CHANNEL}, ${JSON.stringify(change)})`.execute(db).catch(() => undefined);
    },
    listen: (hearer) => {
      hearers.add(hearer);
      listener.start();
      return () => {
        hearers.delete(hearer);
        if (hearers.size === 0) listener.stop();
      };
    },
    newest: async (designs) => {
      if (designs.length === 0) return new Map();
      const rows = await db
        .selectFrom('design')
        .select(['id', 'revision'])
        .where('id', 'in', designs)
        .execute();
      return new Map(rows.map(({ id, revision }) => [id, revision]));
    },
  };
}

class Listener {
  private client: pg.Client | null = null;
  private wanted = false;
  private failures = 0;
  private hadOne = false;

  constructor(
    private readonly url: string,
    private readonly hearers: ReadonlySet<ChangeHearer>,
  ) {}

  start(): void {
    if (this.wanted) return;
    this.wanted = true;
    void this.open();
  }

  stop(): void {
    this.wanted = false;
    const { client } = this;
    this.client = null;
    client?.end().catch(() => undefined);
  }

  private async open(): Promise<void> {
    if (!this.wanted || this.client) return;
    const client = new pg.Client({
      connectionString: this.url,
      keepAlive: true,
      connectionTimeoutMillis: 10_000,
    });
    this.client = client;
    client.on('notification', ({ payload }) => this.hear(payload ?? ''));
    client.on('error', () => this.broke(client));
    client.on('end', () => this.broke(client));
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch {
      return this.broke(client);
    }
    this.failures = 0;
    if (this.hadOne) for (const hearer of this.hearers) hearer.back();
    this.hadOne = true;
  }

  private broke(client: pg.Client): void {
    if (this.client !== client) return;
    this.client = null;
    client.end().catch(() => undefined);
    if (!this.wanted) return;
    const wait = AGAIN[Math.min(this.failures, AGAIN.length - 1)]!;
    this.failures += 1;
    setTimeout(() => void this.open(), wait).unref();
  }

  private hear(payload: string): void {
    const change = readChange(payload);
    if (change) for (const hearer of this.hearers) hearer.heard(change);
  }
}

/** Null: from a newer version, or from somebody else. */
function readChange(payload: string): FeedEvent | null {
  try {
    const read = JSON.parse(payload) as Partial<FeedEvent> | null;
    const known = read?.what === 'saved' || read?.what === 'present' || read?.what === 'who';
    return known && typeof read.design === 'string' ? (read as FeedEvent) : null;
  } catch {
    return null;
  }
}
