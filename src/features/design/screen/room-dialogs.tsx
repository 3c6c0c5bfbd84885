/** What may lie over any view of a design: conflicts, the revisions, the keys. */
'use client';
import type { Edit } from '@/engine/design';
import { Conflicts } from './conflicts';
import { HistoryDialog } from './history/history-dialog';
import type { DesignSession, SessionState } from './session/design-session';
import { Shortcuts } from './shortcuts';

export type OpenDialog = 'keys' | 'history' | null;

interface RoomDialogsProps {
  readonly id: string;
  readonly state: SessionState;
  readonly session: DesignSession;
  readonly open: OpenDialog;
  readonly onRestore: (edits: readonly Edit[], revision: number) => void;
  readonly onClose: () => void;
}

export function RoomDialogs({ id, state, session, open, onRestore, onClose }: RoomDialogsProps) {
  return (
    <>
      <Conflicts
        conflicts={state.conflicts}
        design={state.design}
        onSettle={(conflict, keep) => session.settle(conflict, keep)}
      />
      <HistoryDialog
        id={id}
        open={open === 'history'}
        design={state.design}
        revision={state.revision}
        onRestore={onRestore}
        onClose={onClose}
      />
      <Shortcuts open={open === 'keys'} onClose={onClose} />
    </>
  );
}
