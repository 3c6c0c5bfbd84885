/** Watches over bills: what is kept of them, and who is told. */
import type { AlertKind, SaidStep, Watch, WatchStanding } from '@/features/alerts/calc';

export interface StoredWatch {
  readonly id: string;
  readonly revision: number;
  readonly watch: Watch;
  readonly changedAt: string;
}

/** What was known when something was said. */
export interface AlertKnown {
  readonly watch: Watch;
  readonly bill: string;
  readonly from: string;
  readonly to: string;
  readonly kind: AlertKind;
  readonly step: string;
  readonly day: string | null;
  readonly standing: WatchStanding;
  readonly sentence: string;
}

export const MESSAGE_CHANNELS = ['mail', 'call'] as const;
export type MessageChannel = (typeof MESSAGE_CHANNELS)[number];

export interface NewMessage {
  readonly id: string;
  readonly channel: MessageChannel;
  readonly address: string;
  readonly subject: string;
  readonly body: string;
}

export interface AlertMessage extends NewMessage {
  readonly state: 'waiting' | 'sent' | 'given-up';
  readonly tries: number;
  /** What became of the newest try; null: none yet. */
  readonly answer: string | null;
  readonly sentAt: string | null;
}

export interface WatchAlert {
  readonly id: string;
  readonly watch: string;
  readonly known: AlertKnown;
  readonly at: string;
  readonly isSeen: boolean;
  readonly messages: readonly AlertMessage[];
}

export interface NewAlert {
  readonly id: string;
  readonly watch: string;
  readonly known: AlertKnown;
  readonly at: Date;
  /** Steps that count as said with it; its own is among them. */
  readonly with: readonly string[];
  readonly messages: readonly NewMessage[];
}

export interface DueMessage extends NewMessage {
  readonly workspace: string;
  /** How often it was tried, this time included. */
  readonly tries: number;
}

export type MessageOutcome =
  | { readonly state: 'sent'; readonly at: Date; readonly answer: string }
  | { readonly state: 'waiting'; readonly next: Date; readonly answer: string }
  | { readonly state: 'given-up'; readonly answer: string };

export interface WatchStore {
  /** In the order of their names. */
  list(workspace: string): Promise<StoredWatch[]>;
  find(workspace: string, id: string): Promise<StoredWatch | null>;
  /** A new one where `baseRevision` is 0. `anew`: what was said of it counts no more. Answers with its revision. */
  save(
    workspace: string,
    id: string,
    change: {
      readonly baseRevision: number;
      readonly watch: Watch;
      readonly anew: boolean;
      readonly at: Date;
    },
  ): Promise<number | 'stale'>;
  /** False: there is no such watch. */
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
  said(watch: string, period: { readonly from: string; readonly to: string }): Promise<SaidStep[]>;
  /** With its messages, whole or not at all. False: it was said already, here or by another process. */
  say(workspace: string, alert: NewAlert): Promise<boolean>;
  /** Newest first; with `bill`, of that one. */
  alerts(workspace: string, most: number, bill?: string): Promise<WatchAlert[]>;
  unseen(workspace: string): Promise<number>;
  seeAll(workspace: string, at: Date): Promise<void>;
  /** Of all workspaces; nobody else gets them until `again`. */
  takeDue(now: Date, again: Date, most: number): Promise<DueMessage[]>;
  settle(message: string, outcome: MessageOutcome): Promise<void>;
  /** True for the first who asks for this day. */
  takeDay(day: string): Promise<boolean>;
  workspaces(): Promise<string[]>;
  /** With which calls are signed; made of `fresh` where there is none. */
  secret(workspace: string, fresh: string): Promise<string>;
}

/** Mail leaves by this; a simulated one ships. */
export interface Mailer {
  send(workspace: string, mail: Mail): Promise<void>;
  /** What a simulated one keeps, the newest first; absent: mail really leaves. */
  box?(workspace: string): Promise<readonly KeptMail[]>;
}

export interface Mail {
  readonly id: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

export interface KeptMail extends Mail {
  readonly at: string;
}

/** Calls an address. Throws where nobody answered in time. */
export type WebCall = (call: {
  readonly url: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string;
}) => Promise<{ readonly status: number }>;
