/** The design's working screen: ledger, margin, tally line, and the lists that open from the ledger. */
'use client';
import { useCallback, useMemo, useState } from 'react';
import { allComponents, type Edit, type Section } from '@/core/design';
import { describeTerm } from '@/core/terms';
import { Margin } from '@/ui/margin';
import { tell } from '@/ui/toast';
import { useOfferTaker } from '../frame/find';
import { adding } from './adding';
import { Checklist } from './checklist/checklist';
import { useFindings } from './checklist/use-findings';
import { ledgerColumns, type PickerKind } from './columns';
import { usePaste } from './paste/use-paste';
import { OpenPicker, type PickerState } from './pickers/open-picker';
import { DesignHead } from './design-head';
import { LedgerPage } from './ledger-page';
import { filteredRows, NO_FILTER, repeatedIn, useHiddenColumns } from './ledger-view';
import { download, useFindItems } from './find-items';
import { usePricing, usePricingClient } from './pricing';
import { rowsOf, widestOf } from './rows';
import { useSelection } from './selection/use-selection';
import { useLive } from './session/use-live';
import { hoursInMonth, placeText, type ShelfBook } from './shelf';
import { Tally } from './tally';
import { ledgerActs } from './use-ledger-acts';
import { usePageKeys } from './use-page-keys';
import { useCursor, WHOLE_DESIGN } from './use-cursor';
import { usePlausibility } from './use-plausibility';
import { toLedger, useView } from './use-view';
import { type Initial, useSession } from './use-session';
import { type OpenDialog, WorkbenchDialogs } from './workbench-dialogs';
import { WorkbenchMargin } from './workbench-margin';

interface WorkbenchProps {
  readonly id: string;
  readonly initial: Initial;
  readonly shelf: readonly ShelfBook[];
}

export function Workbench({ id, initial, shelf }: WorkbenchProps) {
  const { session, state } = useSession(id, initial);
  const client = usePricingClient();
  const { design } = state;
  const pricing = usePricing(client, design, state.version);
  const [marginOpen, setMarginOpen] = useState(true);
  const [picker, setPicker] = useState<PickerState | null>(null);
  const [dialog, setDialog] = useState<OpenDialog>(null);
  const present = useLive(id, session);
  const [page, showPage] = useView(id);
  const findings = useFindings(client, design, page === 'checklist');

  const [filtering, setFiltering] = useState(NO_FILTER);
  const [hidden, toggleColumn] = useHiddenColumns();
  const [pasted, forgetPasted] = usePaste(page === 'ledger');

  const allRows = useMemo(() => rowsOf(design, pricing.summary), [design, pricing.summary]);
  const rows = useMemo(
    () => filteredRows(allRows, filtering, (row) => placeText(shelf, row.component.place)),
    [allRows, filtering, shelf],
  );
  const selection = useSelection(rows);
  const most = useMemo(() => widestOf(pricing.summary), [pricing.summary]);
  const apply = useCallback(
    (edits: readonly Edit[]): boolean => {
      const refused = session.apply(edits);
      if (refused) tell(refused);
      return refused === null;
    },
    [session],
  );
  const preview = useCallback((edits: readonly Edit[]) => session.preview(edits), [session]);
  const { cursor, subject, view, setView, setSubject, moveCursor } = useCursor(
    initial.design.sections[0]?.id ?? null,
    selection.move,
  );
  const open = useCallback((what: PickerKind, row: string, typed: string, column: string) => {
    const anchor = { current: document.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`) };
    setPicker({ what, row, typed, anchor });
  }, []);
  const addSection = useCallback(() => {
    const section: Section = { id: crypto.randomUUID(), name: 'New section', components: [] };
    apply([{ edit: 'add-section', index: session.getState().design.sections.length, section }]);
    moveCursor({ row: section.id, column: 'name', editing: { text: null } });
  }, [apply, moveCursor, session]);

  const repeats = useMemo(
    () =>
      repeatedIn(allComponents(design), {
        where: ({ place }) => placeText(shelf, place),
        paid: ({ term }) => describeTerm(term),
      }),
    [design, shelf],
  );
  const columns = useMemo(
    () =>
      ledgerColumns({
        repeats,
        currency: design.currency,
        most,
        apply: (edits) => void apply(edits),
        preview,
        open: (what, row, typed) => {
          const key =
            row.kind === 'component'
              ? row.component.id
              : row.kind === 'next-component'
                ? `${row.section.id}/next`
                : '';
          open(what, key, typed, { kind: 'name', offer: 'what', place: 'where', term: 'paid' }[what]);
        },
        addSection,
        explain: () => {
          setMarginOpen(true);
          setView('adds-up');
        },
        place: (component) => placeText(shelf, component.place),
        monthHours: (component) => hoursInMonth(design, component, shelf),
      }),
    [addSection, apply, design, most, open, preview, repeats, setView, shelf],
  );

  const takeStep = useCallback(
    (step: 'undo' | 'redo') => {
      const refused = session[step]();
      if (refused) tell(refused);
    },
    [session],
  );
  const undo = { label: 'Undo', run: () => takeStep('undo') };
  usePlausibility(pricing, design, undo);
  usePageKeys(takeStep, () => setDialog('keys'));

  const acts = ledgerActs({
    design,
    rows,
    cursor,
    selected: selection.components,
    apply,
    undo: undo.run,
    moveCursor,
    selectAll: selection.selectAll,
    selectNone: selection.clear,
    showKeys: () => setDialog('keys'),
    openKinds: (row) => open('kind', row, '', 'name'),
  });
  const { hereSection, addOfKind, addStarred, paste } = adding({
    design,
    rows,
    cursor,
    client,
    shelf,
    apply,
    complete: (edits, change) => void session.apply(edits, change),
    undo: undo.run,
    moveCursor,
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

  const shownColumns = useMemo(() => columns.filter(({ key }) => !hidden.has(key)), [columns, hidden]);
  const focused = rows.find((row) => row.key === subject)?.data ?? null;

  useFindItems({
    id,
    rows,
    moveCursor,
    toLedger,
    addSection,
    undo: undo.run,
    showKeys: () => setDialog('keys'),
  });

  return (
    <>
      <DesignHead
        id={id}
        view={page}
        open={findings.findings?.filter((each) => each.answered === null).length}
        onView={showPage}
        state={state}
        present={present}
        onHistory={() => setDialog('history')}
        onOpenDesign={() => setSubject(WHOLE_DESIGN)}
        onUndo={undo.run}
        onRedo={() => takeStep('redo')}
        onExport={(form) => download(id, form)}
      />
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="relative flex min-h-0 min-w-0 flex-1">
          {page === 'checklist' && (
            <Checklist
              {...findings}
              summary={pricing.summary}
              design={design}
              apply={apply}
              onShow={(component) => {
                showPage('ledger');
                moveCursor({ row: component, column: 'name' });
              }}
            />
          )}
          {page === 'ledger' && (
            <LedgerPage
              {...{ design, rows, filtering, hidden, repeats, cursor, moveCursor, acts }}
              columns={shownColumns}
              selected={selection.keys}
              onFilter={setFiltering}
              onColumn={toggleColumn}
              onKeys={() => setDialog('keys')}
            />
          )}
        </div>
        <Margin label="Margin" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          <WorkbenchMargin
            {...{ focused, design, client, pricing, shelf, view, apply, preview }}
            before={initial.before}
            selected={selection.components}
            onView={setView}
            open={(what, { id: row }) => open(what, row, '', what === 'offer' ? 'what' : 'where')}
            onFillDown={acts.fill}
            onSelectNone={selection.clear}
          />
        </Margin>
      </div>
      <Tally {...{ pricing, design, shelf, client }} onOpen={() => setSubject(WHOLE_DESIGN)} />
      {picker && (
        <OpenPicker
          picker={picker}
          row={rows.find((row) => row.key === picker.row)?.data}
          client={client}
          design={design}
          shelf={shelf}
          onClose={closePicker}
          onKind={(kind, section) => {
            setPicker(null);
            void addOfKind(kind, section);
          }}
          onForms={() => {
            setPicker(null);
            setDialog('forms');
          }}
          onStarred={(component, section) => {
            closePicker();
            addStarred(component, section);
          }}
          onEdits={(edits) => void apply(edits)}
        />
      )}
      <WorkbenchDialogs
        id={id}
        state={state}
        session={session}
        shelf={shelf}
        pasted={pasted}
        section={hereSection()}
        open={dialog}
        client={client}
        onForm={(component) => {
          setDialog(null);
          addStarred(component);
        }}
        onPaste={(components) => {
          forgetPasted();
          paste(components);
        }}
        onRestore={(edits, revision) => {
          setDialog(null);
          if (apply(edits)) tell(`The design is as it was at revision ${revision}.`, undo);
        }}
        onClose={() => {
          setDialog(null);
          forgetPasted();
        }}
      />
    </>
  );
}
