/** The design's working screen: ledger, margin, tally line, and the lists that open from the ledger. */
'use client';
import { type KeyboardEvent, useCallback, useMemo, useState } from 'react';
import { type Kind, kindOf } from '@/core/books';
import type { Edit, Section } from '@/core/design';
import { Ledger, type LedgerCursor, type LedgerRow } from '@/ui/ledger';
import { Margin } from '@/ui/margin';
import type { FoundOffer } from '@/operations';
import { tell } from '@/ui/toast';
import { useOfferTaker } from '../../find';
import { Checklist } from './checklist/checklist';
import { useFindings } from './checklist/use-findings';
import { ledgerColumns, type PickerKind } from './columns';
import { Conflicts } from './conflicts';
import { ComponentMargin, type MarginView } from './margin/component-margin';
import { DesignMargin } from './margin/design-margin';
import { SectionMargin } from './margin/section-margin';
import { OpenPicker, type PickerState } from './pickers/open-picker';
import { withFirstChoice } from './place-edits';
import { DesignHead } from './design-head';
import { EmptyDesign } from './empty-design';
import { download, useFindItems } from './find-items';
import { usePricing, usePricingClient } from './pricing';
import { newComponent, type Row, rowsOf } from './rows';
import { hoursInMonth, placeText, type ShelfBook } from './shelf';
import { Shortcuts } from './shortcuts';
import { Tally } from './tally';
import { usePageKeys } from './use-page-keys';
import { useView } from './use-view';
import { type Initial, useSession } from './use-session';

interface WorkbenchProps {
  readonly id: string;
  readonly initial: Initial;
  readonly shelf: readonly ShelfBook[];
}

const VIEW_OF_COLUMN: Readonly<Record<string, MarginView>> = {
  amount: 'adds-up',
  wick: 'adds-up',
  paid: 'paying',
};
const WHOLE_DESIGN = 'design';

export function Workbench({ id, initial, shelf }: WorkbenchProps) {
  const { session, state } = useSession(id, initial);
  const client = usePricingClient();
  const { design } = state;
  const pricing = usePricing(client, design, state.version);
  const [cursor, setCursor] = useState<LedgerCursor | null>(() => {
    const [first] = initial.design.sections;
    return first ? { row: first.id, column: 'name' } : null;
  });
  const [subject, setSubject] = useState<string>(WHOLE_DESIGN);
  const [view, setView] = useState<MarginView>('settings');
  const [marginOpen, setMarginOpen] = useState(true);
  const [picker, setPicker] = useState<PickerState | null>(null);
  const [keysOpen, setKeysOpen] = useState(false);
  const [page, showPage] = useView(id);
  const findings = useFindings(client, design, page === 'checklist');

  const rows = useMemo(() => rowsOf(design, pricing.summary), [design, pricing.summary]);
  const most = useMemo(
    () => Math.max(0, ...(pricing.summary?.sections.map((section) => Number(section.wick.high)) ?? [])),
    [pricing.summary],
  );
  const apply = useCallback(
    (edits: readonly Edit[]): boolean => {
      const refused = session.apply(edits);
      if (refused) tell(refused);
      return refused === null;
    },
    [session],
  );
  const preview = useCallback((edits: readonly Edit[]) => session.preview(edits), [session]);
  const toLedger = useCallback(() => document.querySelector<HTMLElement>('[role=grid]')?.focus(), []);
  const moveCursor = useCallback((next: LedgerCursor) => {
    setCursor(next);
    setSubject(next.row);
    setView(VIEW_OF_COLUMN[next.column] ?? 'settings');
  }, []);
  const open = useCallback((what: PickerKind, row: string, typed: string, column: string) => {
    const anchor = { current: document.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`) };
    setPicker({ what, row, typed, anchor });
  }, []);
  const addSection = useCallback(() => {
    const section: Section = { id: crypto.randomUUID(), name: 'New section', components: [] };
    apply([{ edit: 'add-section', index: session.getState().design.sections.length, section }]);
    moveCursor({ row: section.id, column: 'name', editing: { text: null } });
  }, [apply, moveCursor, session]);

  const columns = useMemo(
    () =>
      ledgerColumns({
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
    [addSection, apply, design, most, open, preview, shelf],
  );

  const takeStep = useCallback(
    (step: 'undo' | 'redo') => {
      const refused = session[step]();
      if (refused) tell(refused);
    },
    [session],
  );
  usePageKeys(takeStep, () => setKeysOpen(true));

  const remove = (row: Row): boolean => {
    const undo = { label: 'Undo', run: () => takeStep('undo') };
    if (row.kind === 'component') {
      const at = rows.findIndex((each) => each.key === row.component.id);
      if (apply([{ edit: 'remove-component', id: row.component.id }]))
        tell(`“${row.component.name}” was removed.`, undo);
      const next = rows[at + 1] ?? rows[at - 1];
      if (next) moveCursor({ row: next.key, column: cursor?.column ?? 'name' });
    } else if (row.kind === 'section') {
      if (apply([{ edit: 'remove-section', id: row.section.id }]))
        tell(`The section “${row.section.name}” was removed.`, undo);
    } else return false;
    return true;
  };
  const writeNext = (section: string): void => {
    const key = `${section}/next`;
    moveCursor({ row: key, column: 'name' });
    requestAnimationFrame(() => open('kind', key, '', 'name'));
  };
  const onKey = (event: KeyboardEvent, row: LedgerRow<Row> | undefined): boolean => {
    if (event.key === '?') return false;
    if (!row) return false;
    if (event.key === 'Delete') return remove(row.data);
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && row.data.kind !== 'next-section') {
      writeNext(row.data.section.id);
      return true;
    }
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (!event.altKey || step === 0 || row.data.kind !== 'component') return false;
    const { component, section } = row.data;
    const index = section.components.indexOf(component) + step;
    if (index >= 0 && index < section.components.length)
      apply([{ edit: 'move-component', id: component.id, section: section.id, index }]);
    return true;
  };

  const closePicker = (): void => {
    setPicker(null);
    requestAnimationFrame(toLedger);
  };
  const addOfKind = async (kind: Kind, section: Section, offer: FoundOffer | null = null): Promise<void> => {
    setPicker(null);
    const fresh = newComponent(design, section, kind, kindOf(kind).label, crypto.randomUUID());
    const { component, pins } = client
      ? await withFirstChoice(client, design, fresh, offer, shelf)
      : { component: fresh, pins: [] };
    const add: Edit = {
      edit: 'add-component',
      section: section.id,
      index: section.components.length,
      component,
    };
    apply([...pins, add]);
    moveCursor({ row: component.id, column: 'name', editing: { text: null } });
  };
  useOfferTaker((offer) => {
    const here = rows.find((row) => row.key === cursor?.row)?.data;
    const section = here && here.kind !== 'next-section' ? here.section : design.sections.at(-1);
    if (section) void addOfKind(offer.kind, section, offer);
    else tell('Add a section first; offers are written into it.');
  });

  const focused = rows.find((row) => row.key === subject)?.data ?? null;

  useFindItems({
    id,
    rows,
    moveCursor,
    toLedger,
    addSection,
    undo: () => takeStep('undo'),
    showKeys: () => setKeysOpen(true),
  });

  const shared = { design, client, version: pricing.version, total: pricing.summary?.monthly ?? null };
  return (
    <>
      <DesignHead
        id={id}
        view={page}
        open={findings.findings?.filter((each) => each.answered === null).length}
        onView={showPage}
        state={state}
        onOpenDesign={() => setSubject(WHOLE_DESIGN)}
        onUndo={() => takeStep('undo')}
        onRedo={() => takeStep('redo')}
        onExport={(form) => download(id, form)}
      />
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="relative flex min-h-0 min-w-0 flex-1">
          {page === 'checklist' && (
            <Checklist
              {...findings}
              design={design}
              apply={apply}
              onShow={(component) => {
                showPage('ledger');
                moveCursor({ row: component, column: 'name' });
              }}
            />
          )}
          {page === 'ledger' && (
            <Ledger
              label={`Ledger of ${design.title}`}
              columns={columns}
              rows={rows}
              cursor={cursor}
              onCursor={moveCursor}
              onKey={onKey}
              autoFocus
            />
          )}
          {page === 'ledger' &&
            rows.every((row) => row.data.kind !== 'component') &&
            design.sections.length > 0 && (
              <EmptyDesign
                onFirst={() => writeNext(design.sections[0]!.id)}
                onKeys={() => setKeysOpen(true)}
              />
            )}
        </div>
        <Margin label="Margin" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {focused?.kind === 'component' ? (
            <ComponentMargin
              {...shared}
              component={focused.component}
              line={focused.line}
              view={view}
              onView={setView}
              placeName={placeText(shelf, focused.component.place)}
              monthHours={hoursInMonth(design, focused.component, shelf)}
              apply={apply}
              preview={preview}
              open={(what) => open(what, focused.component.id, '', what === 'offer' ? 'what' : 'where')}
            />
          ) : focused?.kind === 'section' ? (
            <SectionMargin {...shared} section={focused.section} summary={focused.summary} />
          ) : (
            <DesignMargin
              design={design}
              client={client}
              version={pricing.version}
              summary={pricing.summary}
              shelf={shelf}
              today={state.savedAt.slice(0, 10)}
              apply={apply}
            />
          )}
        </Margin>
      </div>
      <Tally pricing={pricing} design={design} shelf={shelf} onOpen={() => setSubject(WHOLE_DESIGN)} />
      {picker && (
        <OpenPicker
          picker={picker}
          row={rows.find((row) => row.key === picker.row)?.data}
          client={client}
          design={design}
          shelf={shelf}
          onClose={closePicker}
          onKind={(kind, section) => void addOfKind(kind, section)}
          onEdits={(edits) => void apply(edits)}
        />
      )}
      <Conflicts
        conflicts={state.conflicts}
        design={design}
        onSettle={(conflict, keep) => session.settle(conflict, keep)}
      />
      <Shortcuts open={keysOpen} onClose={() => setKeysOpen(false)} />
    </>
  );
}
