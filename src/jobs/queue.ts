/**
 * The queue in PostgreSQL, on pg-boss: wakes a worker of this process at once, of another within seconds. What a job is
 * and how it stands is in rows of our own (`data/job-repository.ts`); the queue only says that there is something to
 * do, so whatever it loses is found there again.
 */
import PgBoss from 'pg-boss';
import type { JobLane, JobQueue, JobStore } from '@/platform/use/job-ports';
import { type DoJob, MOST_TRIES, SILENT_SECONDS, workOff } from './worker';

const FILES = 'files';
const TOTALS = 'totals';
const REVIEWS = 'reviews';
const WATCHES = 'watches';
/** Seconds until another process looks, and until totals are worked out after an edit. */
const LOOK = 2;
const QUIET = 2;
/** Milliseconds between two looks for what was broken off; hours and number of results that are kept. */
const SWEEP = 5000;
/** Rounds of sweeping between two looks at what is due by the clock: a minute. */
const BY_THE_CLOCK = 12;
const KEPT_HOURS = 24;
const KEPT_FILES = 300;

export interface QueueWork {
  readonly file: DoJob;
  /** Works the totals of a design out and keeps them. */
  readonly totals: (workspace: string, design: string) => Promise<void>;
  /** Works out what lists show of a change review. */
  readonly review: (workspace: string, review: string) => Promise<void>;
  /** Looks at the watches of a workspace, and sends what is due. */
  readonly watch: (workspace: string) => Promise<void>;
  /** Every minute: messages that are due again, and what only a new day changes. */
  readonly byTheClock: () => Promise<void>;
  readonly failed: (error: unknown) => void;
}

interface ReviewOf {
  readonly workspace: string;
  readonly review: string;
}

interface TotalsOf {
  readonly workspace: string;
  readonly design: string;
}

export class BossQueue implements JobQueue {
  private readonly boss: PgBoss;
  private started: Promise<void> | null = null;
  private worker: string | null = null;
  private sweeping: NodeJS.Timeout | undefined;

  constructor(
    url: string,
    private readonly jobs: JobStore,
    private readonly work: QueueWork,
  ) {
    this.boss = new PgBoss({
      connectionString: url,
      schema: 'wick_queue',
      application_name: 'wick queue',
      max: 3,
      schedule: false,
      retentionDays: 1,
      deleteAfterHours: 1,
    });
    this.boss.on('error', (error) => this.work.failed(error));
  }

  /** Once; again after it failed. */
  start(): Promise<void> {
    return (this.started ??= this.begin().catch((error: unknown) => {
      this.started = null;
      throw error;
    }));
  }

  async put(id: string, lane: JobLane): Promise<void> {
    await this.start();
    await this.boss.send(FILES, { id }, { priority: lane === 'team' ? 10 : 0, expireInMinutes: 10 });
    if (this.worker) this.boss.notifyWorker(this.worker);
  }

  async totalsSoon(workspace: string, design: string): Promise<void> {
    await this.start();
    const options = { singletonKey: design, startAfter: QUIET, retryLimit: 2, retryDelay: 2 };
    await this.boss.send(TOTALS, { workspace, design }, options);
  }

  async reviewSoon(workspace: string, review: string): Promise<void> {
    await this.start();
    await this.boss.send(
      REVIEWS,
      { workspace, review },
      { singletonKey: review, retryLimit: 2, retryDelay: 2 },
    );
  }

  async watchSoon(workspace: string): Promise<void> {
    await this.start();
    await this.boss.send(WATCHES, { workspace }, { singletonKey: workspace, retryLimit: 2, retryDelay: 2 });
  }

  async stop(): Promise<void> {
    clearInterval(this.sweeping);
    if (this.started) await this.boss.stop({ graceful: false, wait: true });
  }

  private async begin(): Promise<void> {
    await this.boss.start();
    await this.boss.createQueue(FILES, { name: FILES, retryLimit: 0 });
    // One that waits for each design, however often it is edited meanwhile.
    await this.boss.createQueue(TOTALS, { name: TOTALS, policy: 'short' });
    await this.boss.createQueue(REVIEWS, { name: REVIEWS, policy: 'short' });
    await this.boss.createQueue(WATCHES, { name: WATCHES, policy: 'short' });
    const looking = { pollingIntervalSeconds: LOOK, batchSize: 1 };
    this.worker = await this.boss.work<{ id: string }>(FILES, looking, async (found) => {
      for (const { data } of found) await workOff(this.jobs, data.id, this.work.file, this.work.failed);
    });
    await this.boss.work<TotalsOf>(TOTALS, looking, async (found) => {
      for (const { data } of found) await this.work.totals(data.workspace, data.design);
    });
    await this.boss.work<ReviewOf>(REVIEWS, looking, async (found) => {
      for (const { data } of found) await this.work.review(data.workspace, data.review);
    });
    await this.boss.work<{ workspace: string }>(WATCHES, looking, async (found) => {
      for (const { data } of found) await this.work.watch(data.workspace);
    });
    let rounds = 0;
    this.sweeping = setInterval(() => {
      rounds += 1;
      this.sweep(rounds % 720 === 1).catch(this.work.failed);
      if (rounds % BY_THE_CLOCK === 1) this.work.byTheClock().catch(this.work.failed);
    }, SWEEP);
    this.sweeping.unref();
  }

  private async sweep(also: boolean): Promise<void> {
    for (const { id, lane } of await this.jobs.recover(SILENT_SECONDS, MOST_TRIES)) await this.put(id, lane);
    if (also) await this.jobs.forget(KEPT_HOURS, KEPT_FILES);
  }
}
