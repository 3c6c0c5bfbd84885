/** What may lie over the workbench: pasted rows, conflicts, the revisions, the keys. */
'use client';
import type { Component, Edit, Section } from '@/core/design';
import { Conflicts } from './conflicts';
import { HistoryDialog } from './history/history-dialog';
import type { PricingClient } from '@/workers/client';
import { FormsDialog } from './pickers/forms-dialog';
import { PasteDialog } from './paste/paste-dialog';
import type { DesignSession, SessionState } from './session/design-session';
import type { ShelfBook } from './shelf';
import { Shortcuts } from './shortcuts';

export type OpenDialog = 'keys' | 'history' | 'forms' | null;

interface WorkbenchDialogsProps {
  readonly id: string;
  readonly state: SessionState;
  readonly session: DesignSession;
  readonly shelf: readonly ShelfBook[];
  readonly pasted: string | null;
  /** Where new lines go. */
  readonly section: Section | undefined;
  readonly open: OpenDialog;
  readonly client: PricingClient | null;
  readonly onForm: (component: Component) => void;
  readonly onPaste: (components: readonly Component[]) => void;
  readonly onRestore: (edits: readonly Edit[], revision: number) => void;
  readonly onClose: () => void;
}

export function WorkbenchDialogs(props: WorkbenchDialogsProps) {
  const { id, state, session, shelf, pasted, section, open, onClose } = props;
  const { design } = state;
  return (
    <>
      <PasteDialog
        text={pasted}
        design={design}
        shelf={shelf}
        section={section?.name ?? ''}
        place={section?.components.findLast((each) => each.place)?.place ?? null}
        onPaste={props.onPaste}
        onClose={onClose}
      />
      <Conflicts
        conflicts={state.conflicts}
        design={design}
        onSettle={(conflict, keep) => session.settle(conflict, keep)}
      />
      <HistoryDialog
        id={id}
        open={open === 'history'}
        design={design}
        revision={state.revision}
        onRestore={props.onRestore}
        onClose={onClose}
      />
      <FormsDialog
        open={open === 'forms'}
        client={props.client}
        design={design}
        shelf={shelf}
        place={section?.components.findLast((each) => each.place)?.place ?? null}
        onChoose={props.onForm}
        onClose={onClose}
      />
      <Shortcuts open={open === 'keys'} onClose={onClose} />
    </>
  );
}
