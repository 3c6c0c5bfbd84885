/**
 * An inventory on its way in. It stands outside the page, so that reading and keeping go on while somebody looks at other
 * places; whoever comes back finds it as far as it is.
 */
'use client';
import { useMemo, useSyncExternalStore } from 'react';
import type { Machine } from '@/features/fleet/calc';
import { type FleetClient, startFleetWorker } from '@/features/fleet/worker/fleet-client';
import type {
  FleetProgress,
  LookedAt,
  PlainMapping,
  ReadSummary,
} from '@/features/fleet/worker/fleet-protocol';
import { callApi, postJson } from '@/platform/screen/call-api';

const NO_MAPPING: PlainMapping = { chosen: {}, units: {}, roles: {} };

/** The fleet whose machines are replaced. */
export interface BringAgain {
  readonly id: string;
  readonly title: string;
  readonly machines: number;
}

export type BringStage =
  | { readonly at: 'choose' }
  | { readonly at: 'map'; readonly files: readonly File[]; readonly looks: readonly LookedAt[] }
  | {
      readonly at: 'read';
      readonly files: readonly File[];
      readonly summary: ReadSummary;
      readonly origin: string;
    }
  | { readonly at: 'kept'; readonly id: string };

export interface BringState {
  readonly stage: BringStage;
  readonly mapping: PlainMapping;
  readonly title: string;
  /** What it is at; null: it waits for somebody. */
  readonly busy: string | null;
  readonly progress: FleetProgress | null;
  readonly trouble: string | null;
}

/** All that are under way, by the fleet that they are for; new ones under nothing. */
const underway = new Map<string, BringSession>();
const heardOfAll = new Set<() => void>();
let all: readonly BringSession[] = [];

function changed(): void {
  all = [...underway.values()].filter(({ isWorth }) => isWorth);
  for (const listener of heardOfAll) listener();
}

export class BringSession {
  private state: BringState;
  private client: FleetClient | null = null;
  private stopper: AbortController | null = null;
  private readonly heard = new Set<() => void>();

  constructor(readonly again: BringAgain | null) {
    this.state = {
      stage: { at: 'choose' },
      mapping: NO_MAPPING,
      title: again?.title ?? '',
      busy: null,
      progress: null,
      trouble: null,
    };
  }

  get key(): string {
    return this.again?.id ?? '';
  }

  /** Something would be lost with it. */
  get isWorth(): boolean {
    return this.state.stage.at !== 'choose' || this.state.busy !== null;
  }

  readonly snapshot = (): BringState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.heard.add(listener);
    underway.set(this.key, this);
    return () => {
      this.heard.delete(listener);
      if (this.heard.size === 0 && !this.isWorth) this.end();
    };
  };

  end(): void {
    this.stopper?.abort();
    this.client?.close();
    this.client = null;
    if (underway.get(this.key) === this) underway.delete(this.key);
    changed();
  }

  stop(): void {
    this.stopper?.abort();
  }

  setTitle(title: string): void {
    this.set({ title });
  }

  chooseAnother(): void {
    this.set({ stage: { at: 'choose' } });
  }

  look(files: readonly File[]): Promise<void> {
    return this.attempt('Looking at the file', async (client, signal) => {
      const first = await client.ask({ ask: 'look', files, mapping: NO_MAPPING }, { signal });
      const known = await postJson<PlainMapping | null>('/api/fleets/mapping', {
        headings: headingsOf(first),
      });
      const looks = known ? await client.ask({ ask: 'look', files, mapping: known }, { signal }) : first;
      this.set({
        mapping: known ?? NO_MAPPING,
        title: this.state.title || files[0]!.name.replace(/\.\w+$/, ''),
        stage: { at: 'map', files, looks },
      });
    });
  }

  map(mapping: PlainMapping): void {
    const { stage } = this.state;
    if (stage.at !== 'map') return;
    this.set({ mapping });
    void this.worker()
      .ask({ ask: 'look', files: stage.files, mapping })
      .then(
        (looks) => {
          const now = this.state.stage;
          if (now.at === 'map') this.set({ stage: { ...now, looks } });
        },
        (error: Error) => this.set({ trouble: error.message }),
      );
  }

  read(): Promise<void> {
    const { stage, mapping, title } = this.state;
    if (stage.at !== 'map') return Promise.resolve();
    const { files, looks } = stage;
    return this.attempt('Reading', async (client, signal) => {
      const told = (progress: FleetProgress): void => this.set({ progress });
      const { again } = this;
      // What is there already, to say what is new, gone and changed.
      if (again) await client.ask({ ask: 'open', id: again.id, machines: again.machines }, { signal, told });
      const summary = await client.ask({ ask: 'read', title, files, mapping }, { signal, told });
      await callApi('/api/fleets/mapping', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ headings: headingsOf(looks), mapping }),
      });
      this.set({
        stage: { at: 'read', files, summary, origin: files.map(({ name }) => name).join(', ') },
      });
    });
  }

  typed(title: string, machines: readonly Machine[]): Promise<void> {
    return this.attempt('Making the machines', async (client, signal) => {
      const summary = await client.ask({ ask: 'typed', machines }, { signal });
      this.set({ title, stage: { at: 'read', files: [], summary, origin: 'typed by hand' } });
    });
  }

  rejected(): Promise<string> {
    return this.worker().ask({ ask: 'rejected' });
  }

  keep(): Promise<void> {
    const { stage, title } = this.state;
    if (stage.at !== 'read') return Promise.resolve();
    return this.attempt('Keeping the machines', async (client, signal) => {
      const id = this.again?.id ?? crypto.randomUUID();
      await client.ask(
        { ask: 'send', id, title: title.trim() || 'Estate', origin: stage.origin },
        { signal, told: (progress) => this.set({ progress }) },
      );
      this.set({ stage: { at: 'kept', id } });
    });
  }

  private worker(): FleetClient {
    this.client ??= startFleetWorker();
    return this.client;
  }

  private async attempt(
    busy: string,
    act: (client: FleetClient, signal: AbortSignal) => Promise<void>,
  ): Promise<void> {
    const controller = new AbortController();
    this.stopper = controller;
    this.set({ busy, progress: null, trouble: null });
    try {
      await act(this.worker(), controller.signal);
    } catch (error) {
      this.set({ trouble: error instanceof Error ? error.message : 'That did not work. Try again.' });
    } finally {
      this.set({ busy: null, progress: null });
    }
  }

  private set(part: Partial<BringState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.heard) listener();
    changed();
  }
}

const headingsOf = (looks: readonly LookedAt[]): string =>
  looks.map(({ columns }) => columns.map(({ heading }) => heading).join('\t')).join('\n') || '-';

/** The one that is under way, or a new one. */
export function useBringSession(again: BringAgain | null): readonly [BringState, BringSession] {
  const key = again?.id ?? '';
  const { title = '', machines = 0 } = again ?? {};
  const session = useMemo(() => {
    const known = underway.get(key);
    if (known && known.snapshot().stage.at !== 'kept') return known;
    return new BringSession(key === '' ? null : { id: key, title, machines });
  }, [key, title, machines]);
  return [useSyncExternalStore(session.subscribe, session.snapshot, session.snapshot), session];
}

const NONE: readonly BringSession[] = [];

/** Those that would be lost. */
export function useUnderway(): readonly BringSession[] {
  return useSyncExternalStore(
    (listener) => {
      heardOfAll.add(listener);
      return () => heardOfAll.delete(listener);
    },
    () => all,
    () => NONE,
  );
}
