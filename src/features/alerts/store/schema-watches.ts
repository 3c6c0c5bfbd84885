/** The tables of watches as Kysely sees them. */
import type { JSONColumnType } from 'kysely';
import type { AlertKind, Watch } from '@/features/alerts/calc';
import type { AlertKnown, AlertMessage, MessageChannel } from '@/features/alerts/use/watch-ports';
import type { Timestamp } from '@/platform/data/column-types';

export interface WatchTables {
  watch: {
    id: string;
    workspace_id: string;
    revision: number;
    body: JSONColumnType<Watch>;
    changed_at: Timestamp;
    removed_at: Timestamp | null;
  };
  watch_said: { watch_id: string; period_from: string; period_to: string; kind: AlertKind; step: string };
  watch_alert: {
    id: string;
    workspace_id: string;
    watch_id: string;
    known: JSONColumnType<AlertKnown>;
    said_at: Timestamp;
    seen_at: Timestamp | null;
  };
  watch_message: {
    id: string;
    alert_id: string;
    channel: MessageChannel;
    address: string;
    subject: string;
    body: string;
    state: AlertMessage['state'];
    tries: number;
    next_at: Timestamp;
    answer: string | null;
    sent_at: Timestamp | null;
  };
  watch_day: { day: string };
  call_secret: { workspace_id: string; secret: string };
}
