/** The design's working screen: ledger, margin, tally line, and the lists that open from the ledger. */
'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Section } from '@/engine/design';
import { tell } from '@/platform/ui/toast';
import { useOfferTaker } from '@/platform/shell/find';
import { adding } from './adding';
import type { PickerKind } from './columns';
import { DesignBody } from './design-body';
import { DesignViewMargin } from './design-view-margin';
import { useFindItems } from './find-items';
import { LedgerDialogs } from './ledger-dialogs';
import { LedgerPage } from './ledger-page';
import { useHiddenColumns } from './ledger-view';
import { usePaste } from './paste/use-paste';
import { OpenPicker, type PickerState } from './pickers/open-picker';
import { useRoom } from './room';
import { useSelection } from './selection/use-selection';
import { toLedger } from './to-ledger';
import { useCursor } from './use-cursor';
import { ledgerActs } from './use-ledger-acts';
import { useLedgerColumns, useLedgerRows } from './use-ledger-table';

export function LedgerScreen() {
  const { initial, bookList, state, client, pricing, ...room } = useRoom();
  const { apply, complete, preview, undo, showKeys, exportAs, filtering } = room;
  const { design } = state;
  const sectionCount = design.sections.length;
  const [picker, setPicker] = useState<PickerState | null>(null);
  const [formsOpen, setFormsOpen] = useState(false);
  const [hidden, toggleColumn] = useHiddenColumns();
  const [pasted, forgetPasted] = usePaste(true);
  const rows = useLedgerRows(design, pricing.summary, filtering, bookList);
  const selection = useSelection(rows);
  const { cursor, subject, view, setView, moveCursor } = useCursor(room.place, room.setPlace, selection.move);
  const open = useCallback((what: PickerKind, row: string, typed: string, column: string) => {
    const anchor = { current: document.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`) };
    setPicker({ what, row, typed, anchor });
  }, []);
  const addSection = useCallback(() => {
    const section: Section = { id: crypto.randomUUID(), name: 'New section', components: [] };
    apply([{ edit: 'add-section', index: sectionCount, section }]);
    moveCursor({ row: section.id, column: 'name', editing: { text: null } });
  }, [apply, moveCursor, sectionCount]);
  const { columns, repeats } = useLedgerColumns({ open, addSection, setView });

  const acts = ledgerActs({
    ...{ design, rows, cursor, apply, moveCursor, showKeys },
    selected: selection.components,
    undo: undo.run,
    selectAll: selection.selectAll,
    selectNone: selection.clear,
    openKinds: (row) => open('kind', row, '', 'name'),
  });
  const { hereSection, addOfKind, addStarred, paste } = adding({
    ...{ design, rows, cursor, client, bookList, apply, complete, moveCursor },
    undo: undo.run,
  });

  const closePicker = (): void => {
    setPicker(null);
    requestAnimationFrame(toLedger);
  };
  useOfferTaker((offer) => {
    const section = hereSection();
    if (section) void addOfKind(offer.kind, section, offer);
    else tell('Add a section first; offers are written into it.');
  });
  useFindItems({ rows, moveCursor, toLedger, addSection, undo: undo.run, showKeys, exportAs });

  const shownColumns = useMemo(() => columns.filter(({ key }) => !hidden.has(key)), [columns, hidden]);
  const focused = rows.find((row) => row.key === subject)?.data ?? null;
  return (
    <>
      <DesignBody
        margin={
          <DesignViewMargin
            id={room.id}
            {...{ focused, design, client, pricing, bookList, view, apply, preview }}
            before={initial.before}
            selected={selection.components}
            onView={setView}
            open={(what, { id: row }) => open(what, row, '', what === 'offer' ? 'what' : 'where')}
            onFillDown={acts.fill}
            onSelectNone={selection.clear}
          />
        }
      >
        <LedgerPage
          {...{ design, rows, filtering, hidden, repeats, cursor, moveCursor, acts }}
          columns={shownColumns}
          selected={selection.keys}
          onFilter={room.setFiltering}
          onColumn={toggleColumn}
          onKeys={showKeys}
        />
      </DesignBody>
      {picker && (
        <OpenPicker
          {...{ picker, client, design, bookList }}
          row={rows.find((row) => row.key === picker.row)?.data}
          onClose={closePicker}
          onKind={(kind, section) => {
            setPicker(null);
            void addOfKind(kind, section);
          }}
          onForms={() => {
            setPicker(null);
            setFormsOpen(true);
          }}
          onStarred={(component, section) => {
            closePicker();
            addStarred(component, section);
          }}
          onEdits={(edits) => void apply(edits)}
        />
      )}
      <LedgerDialogs
        {...{ pasted, formsOpen }}
        section={hereSection()}
        onForm={(component) => {
          setFormsOpen(false);
          addStarred(component);
        }}
        onPaste={(components) => {
          forgetPasted();
          paste(components);
        }}
        onClose={() => {
          setFormsOpen(false);
          forgetPasted();
        }}
      />
    </>
  );
}
