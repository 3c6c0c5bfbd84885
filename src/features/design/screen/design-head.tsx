/** The line under the top: the design's name, whether it is saved, undo and redo, export. */
'use client';
import { History, Redo2, Undo2 } from 'lucide-react';
import { Menu } from '@/platform/ui/menu';
import { writeWhen } from '@/platform/screen/time';
import { type DesignView, DesignViews } from './design-views';
import type { SessionState } from './session/design-session';

interface DesignHeadProps {
  readonly id: string;
  readonly view: DesignView;
  readonly state: SessionState;
  /** How many have the design open, this one included. */
  readonly present: number;
  readonly onHistory: () => void;
  readonly onOpenDesign: () => void;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
  readonly onExport: (form: ExportForm) => void;
}

export type ExportForm = 'csv' | 'json' | 'xlsx' | 'pdf' | 'md';

export function DesignHead(props: DesignHeadProps) {
  const { id, view, state, present, onHistory, onOpenDesign, onUndo, onRedo, onExport } = props;
  // A report has a heading of its own, which is printed.
  const Title = view === 'report' ? 'p' : 'h1';
  const icon = 'rounded p-1.5 text-soft enabled:hover:bg-wash disabled:opacity-40';
  return (
    <div className="flex h-[46px] shrink-0 items-center gap-5 border-b border-line px-[18px] max-[700px]:h-auto max-[700px]:flex-wrap max-[700px]:gap-y-0 max-[700px]:pt-2 print:hidden">
      <Title className="min-w-0">
        <button
          type="button"
          onClick={onOpenDesign}
          title="Name, assumptions and price books"
          className="block max-w-full truncate rounded text-lg font-semibold"
        >
          {state.design.title}
        </button>
      </Title>
      <DesignViews id={id} here={view} />
      <div className="ml-auto flex items-center gap-1.5 whitespace-nowrap max-[700px]:flex-wrap max-[700px]:justify-end">
        {present > 1 && <span className="mr-1 text-xs text-soft">{present} have it open</span>}
        <SavedState state={state} />
        <button type="button" aria-label="Revisions" title="Revisions" onClick={onHistory} className={icon}>
          <History size={16} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Undo" disabled={!state.canUndo} onClick={onUndo} className={icon}>
          <Undo2 size={16} aria-hidden="true" />
        </button>
        <button type="button" aria-label="Redo" disabled={!state.canRedo} onClick={onRedo} className={icon}>
          <Redo2 size={16} aria-hidden="true" />
        </button>
        {view !== 'report' && (
          <Menu
            label="Export"
            items={[
              { label: 'XLSX', detail: 'the report, with live formulas', onSelect: () => onExport('xlsx') },
              { label: 'PDF', detail: 'the report, printed', onSelect: () => onExport('pdf') },
              { label: 'Markdown', detail: 'the report as text', onSelect: () => onExport('md') },
              { label: 'CSV', detail: 'a table with the printed amounts', onSelect: () => onExport('csv') },
              {
                label: 'JSON',
                detail: 'the design as a file; opens again here',
                onSelect: () => onExport('json'),
              },
            ]}
          />
        )}
      </div>
    </div>
  );
}

function SavedState({ state }: { readonly state: SessionState }) {
  const text = {
    saved: `Saved ${writeWhen(state.savedAt)} · revision ${state.revision}`,
    saving: 'Saving …',
    unreachable: `${state.message ?? 'No connection.'} ${
      state.keeps
        ? 'Your edits are kept and will be saved.'
        : 'This browser keeps nothing: leave this page open until they are saved.'
    }`,
    refused: state.message ?? 'The last edit was refused.',
  }[state.saving];
  const strange = state.saving === 'unreachable' || state.saving === 'refused';
  return (
    <span
      role="status"
      data-testid="saved"
      suppressHydrationWarning
      className={`mr-2 max-w-[560px] text-xs ${
        strange
          ? 'line-clamp-3 font-semibold whitespace-normal text-ember-ink max-[700px]:w-full max-[700px]:py-1'
          : 'truncate text-soft max-[700px]:sr-only'
      }`}
      title={text}
    >
      {text}
    </span>
  );
}
