/** What may lie over the ledger: pasted rows, and the questions that find a form to deploy in. */
'use client';
import type { Component, Section } from '@/engine/design';
import { FormsDialog } from './pickers/forms-dialog';
import { PasteDialog } from './paste/paste-dialog';
import { useRoom } from './room';

interface LedgerDialogsProps {
  readonly pasted: string | null;
  /** Where new lines go. */
  readonly section: Section | undefined;
  readonly formsOpen: boolean;
  readonly onForm: (component: Component) => void;
  readonly onPaste: (components: readonly Component[]) => void;
  readonly onClose: () => void;
}

export function LedgerDialogs({ pasted, section, formsOpen, onForm, onPaste, onClose }: LedgerDialogsProps) {
  const { state, client, bookList } = useRoom();
  const { design } = state;
  const place = section?.components.findLast((each) => each.place)?.place ?? null;
  return (
    <>
      <PasteDialog
        text={pasted}
        {...{ design, bookList, place, onPaste, onClose }}
        section={section?.name ?? ''}
      />
      <FormsDialog open={formsOpen} {...{ client, design, bookList, place, onClose }} onChoose={onForm} />
    </>
  );
}
