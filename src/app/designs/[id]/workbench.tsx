/** The design's working screen: ledger, margin, tally line, and the lists that open from the ledger. */
'use client';
import { Redo2, Undo2 } from 'lucide-react';
import { type KeyboardEvent, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type Kind, kindOf } from '@/core/books';
import type { Component, Edit, Section } from '@/core/design';
import { Ledger, type LedgerCursor, type LedgerRow } from '@/ui/ledger';
import { Margin } from '@/ui/margin';
import { Menu } from '@/ui/menu';
import { tell } from '@/ui/toast';
import { type Findable, useFindable } from '../../find';
import { writeWhen } from '../../lib/time';
import { ledgerColumns, type PickerKind } from './columns';
import { Conflicts } from './conflicts';
import { ComponentMargin, type MarginView } from './margin/component-margin';
import { DesignMargin } from './margin/design-margin';
import { SectionMargin } from './margin/section-margin';
import { KindPicker } from './pickers/kind-picker';
import { OfferPicker } from './pickers/offer-picker';
import { PlacePicker } from './pickers/place-picker';
import { TermPicker } from './pickers/term-picker';
import { choiceAt, placeEdits } from './place-edits';
import { usePricing, usePricingClient } from './pricing';
import { newComponent, type Row, rowsOf } from './rows';
import type { SessionState } from './session/design-session';
import { hoursInMonth, placeText, type ShelfBook } from './shelf';
import { Shortcuts } from './shortcuts';
import { Tally } from './tally';
import { type Initial, useSession } from './use-session';

interface WorkbenchProps {
  readonly id: string;
  readonly initial: Initial;
  readonly shelf: readonly ShelfBook[];
}

interface OpenPicker {
  readonly what: PickerKind;
  readonly row: string;
  readonly typed: string;
}

const VIEW_OF_COLUMN: Readonly<Record<string, MarginView>> = { amount: 'adds-up', wick: 'adds-up', paid: 'paying' };
const WHOLE_DESIGN = 'design';

export function Workbench({ id, initial, shelf }: WorkbenchProps) {
  const { session, state } = useSession(id, initial);
  const client = usePricingClient();
  const { design } = state;
  const pricing = usePricing(client, design, state.version);
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [subject, setSubject] = useState<string>(WHOLE_DESIGN);
  const [view, setView] = useState<MarginView>('settings');
  const [marginOpen, setMarginOpen] = useState(true);
  const [picker, setPicker] = useState<OpenPicker | null>(null);
  const [keysOpen, setKeysOpen] = useState(false);
  const anchor = useRef<HTMLElement | null>(null);

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
    anchor.current = document.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`);
    setPicker({ what, row, typed });
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
          const key = row.kind === 'component' ? row.component.id : row.kind === 'next-component' ? `${row.section.id}/next` : '';
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
  useEffect(() => {
    const onKeyDown = (event: globalThis.KeyboardEvent): void => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (typing) return;
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        takeStep(event.shiftKey ? 'redo' : 'undo');
      } else if (event.key === '?') {
        event.preventDefault();
        setKeysOpen(true);
      }
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [takeStep]);

  const remove = (row: Row): boolean => {
    const undo = { label: 'Undo', run: () => takeStep('undo') };
    if (row.kind === 'component') {
      const at = rows.findIndex((each) => each.key === row.component.id);
      if (apply([{ edit: 'remove-component', id: row.component.id }])) tell(`“${row.component.name}” was removed.`, undo);
      const next = rows[at + 1] ?? rows[at - 1];
      if (next) moveCursor({ row: next.key, column: cursor?.column ?? 'name' });
    } else if (row.kind === 'section') {
      if (apply([{ edit: 'remove-section', id: row.section.id }])) tell(`The section “${row.section.name}” was removed.`, undo);
    } else return false;
    return true;
  };
  const onKey = (event: KeyboardEvent, row: LedgerRow<Row> | undefined): boolean => {
    if (event.key === '?') return false;
    if (!row) return false;
    if (event.key === 'Delete') return remove(row.data);
    if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && row.data.kind !== 'next-section') {
      const key = `${row.data.section.id}/next`;
      moveCursor({ row: key, column: 'name' });
      requestAnimationFrame(() => open('kind', key, '', 'name'));
      return true;
    }
    const step = event.key === 'ArrowUp' ? -1 : event.key === 'ArrowDown' ? 1 : 0;
    if (!event.altKey || step === 0 || row.data.kind !== 'component') return false;
    const { component, section } = row.data;
    const index = section.components.indexOf(component) + step;
    if (index >= 0 && index < section.components.length) apply([{ edit: 'move-component', id: component.id, section: section.id, index }]);
    return true;
  };

  const closePicker = (): void => {
    setPicker(null);
    requestAnimationFrame(toLedger);
  };
  const addOfKind = async (kind: Kind, section: Section): Promise<void> => {
    setPicker(null);
    const fresh = newComponent(design, section, kind, kindOf(kind).label, crypto.randomUUID());
    const choice = client && fresh.place ? await choiceAt(client, design, fresh, fresh.place) : null;
    const component = choice ? { ...fresh, choice } : fresh;
    apply([{ edit: 'add-component', section: section.id, index: section.components.length, component }]);
    moveCursor({ row: component.id, column: 'name', editing: { text: null } });
  };

  const chosenRow = rows.find((row) => row.key === picker?.row)?.data;
  const picked: Component | null = chosenRow?.kind === 'component' ? chosenRow.component : null;
  const focused = rows.find((row) => row.key === subject)?.data ?? null;

  const findable = useMemo<readonly Findable[]>(() => {
    const act = (key: string, label: string, run: () => void, detail?: string): Findable => ({ key, group: 'Actions', label, run, detail });
    const later = (run: () => void) => () => void setTimeout(run, 50);
    return [
      ...rows.flatMap((row): Findable[] =>
        row.data.kind !== 'component'
          ? []
          : [
              {
                key: row.key,
                group: 'In this design',
                label: row.data.component.name,
                detail: kindOf(row.data.component.kind).label,
                run: later(() => {
                  moveCursor({ row: row.key, column: 'name' });
                  toLedger();
                }),
              },
            ],
      ),
      act('undo', 'Undo', () => takeStep('undo'), 'Ctrl Z'),
      act('section', 'Add a section', later(addSection)),
      act('csv', 'Export as CSV', () => download(id, 'csv')),
      act('json', 'Export as JSON', () => download(id, 'json')),
      act('keys', 'Show the keys', later(() => setKeysOpen(true)), '?'),
    ];
  }, [addSection, id, moveCursor, rows, takeStep, toLedger]);
  useFindable('design', findable);

  const shared = { design, client, version: pricing.version };
  return (
    <>
      <DesignHead
        state={state}
        onOpenDesign={() => setSubject(WHOLE_DESIGN)}
        onUndo={() => takeStep('undo')}
        onRedo={() => takeStep('redo')}
        onExport={(form) => download(id, form)}
      />
      <div className="flex min-h-0 flex-1">
        <Ledger label={`Ledger of ${design.title}`} columns={columns} rows={rows} cursor={cursor} onCursor={moveCursor} onKey={onKey} autoFocus />
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
            <DesignMargin {...shared} summary={pricing.summary} shelf={shelf} today={state.savedAt.slice(0, 10)} apply={apply} />
          )}
        </Margin>
      </div>
      <Tally pricing={pricing} design={design} shelf={shelf} onOpen={() => setSubject(WHOLE_DESIGN)} />
      {picker?.what === 'kind' && chosenRow?.kind === 'next-component' && (
        <KindPicker anchor={anchor} typed={picker.typed} onChoose={(kind) => void addOfKind(kind, chosenRow.section)} onClose={closePicker} />
      )}
      {picker?.what === 'place' && picked && (
        <PlacePicker
          anchor={anchor}
          shelf={shelf}
          chosen={picked.place}
          typed={picker.typed}
          onClose={closePicker}
          onChoose={(place) => {
            closePicker();
            if (client) void placeEdits(client, design, picked, place, shelf).then(apply, (error: Error) => tell(error.message));
          }}
        />
      )}
      {picker?.what === 'term' && picked && (
        <TermPicker
          anchor={anchor}
          client={client}
          design={design}
          component={picked}
          typed={picker.typed}
          onClose={closePicker}
          onChoose={(term) => {
            closePicker();
            apply([{ edit: 'set-component', id: picked.id, field: 'term', value: term }]);
          }}
        />
      )}
      {picker?.what === 'offer' && picked && (
        <OfferPicker
          client={client}
          design={design}
          component={picked}
          placeName={placeText(shelf, picked.place) || 'no place yet'}
          typed={picker.typed}
          onClose={closePicker}
          onChoose={(choice) => {
            closePicker();
            apply([{ edit: 'set-component', id: picked.id, field: 'choice', value: choice }]);
          }}
        />
      )}
      <Conflicts conflicts={state.conflicts} design={design} onSettle={(conflict, keep) => session.settle(conflict, keep)} />
      <Shortcuts open={keysOpen} onClose={() => setKeysOpen(false)} />
    </>
  );
}

function download(id: string, form: 'csv' | 'json'): void {
  const link = document.createElement('a');
  link.href = `/api/designs/${id}/export?form=${form}`;
  link.click();
}

interface DesignHeadProps {
  readonly state: SessionState;
  readonly onOpenDesign: () => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onExport: (form: 'csv' | 'json') => void;
}

function DesignHead({ state, onOpenDesign, onUndo, onRedo, onExport }: DesignHeadProps) {
  const icon = 'rounded p-1.5 text-soft enabled:hover:bg-wash disabled:opacity-40';
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-3 border-b border-line px-[18px]">
      <h1 className="min-w-0">
        <button type="button" onClick={onOpenDesign} title="Name, assumptions and price books" className="block max-w-full truncate rounded text-lg font-semibold">
          {state.design.title}
        </button>
      </h1>
      <div className="ml-auto flex items-center gap-1.5 whitespace-nowrap">
        <SavedState state={state} />
        <button type="button" aria-label="Undo" disabled={!state.canUndo} onClick={onUndo} className={icon}>
          <Undo2 size={16} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Redo" disabled={!state.canRedo} onClick={onRedo} className={icon}>
          <Redo2 size={16} aria-hidden="true" />
        </button>
        <Menu
          label="Export"
          items={[
            { label: 'CSV', detail: 'a table with the printed amounts', onSelect: () => onExport('csv') },
            { label: 'JSON', detail: 'the design as a file; opens again here', onSelect: () => onExport('json') },
          ]}
        />
      </div>
    </div>
  );
}

function SavedState({ state }: { readonly state: SessionState }) {
  const text = {
    saved: `Saved ${writeWhen(state.savedAt)} · revision ${state.revision}`,
    saving: 'Saving …',
    unreachable: 'No connection. Your edits are kept and will be saved.',
    refused: state.message ?? 'The last edit was refused.',
  }[state.saving];
  const strange = state.saving === 'unreachable' || state.saving === 'refused';
  return (
    <span role="status" suppressHydrationWarning className={`mr-2 max-w-[560px] truncate text-xs ${strange ? 'font-semibold text-ember-ink' : 'text-soft'}`} title={text}>
      {text}
    </span>
  );
}
