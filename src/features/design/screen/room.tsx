/**
 * One design, opened: its session, what prices it, and what is the same over all of its views. Stands above them, so
 * that going from ledger to checklist or report and back keeps undo, the cursor and the filter.
 */
'use client';
import { useRouter, useSelectedLayoutSegment } from 'next/navigation';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import type { Edit, LetGo } from '@/engine/design';
import { tell } from '@/platform/ui/toast';
import { type PricingClient, warmPricing } from '@/features/design/worker/client';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { DesignHead, type ExportForm } from './design-head';
import type { DesignView } from './design-views';
import { download } from './find-items';
import { type Filtering, NO_FILTER } from './ledger-view';
import { type Pricing, usePricing, usePricingClient } from './pricing';
import { type OpenDialog, RoomDialogs } from './room-dialogs';
import type { DesignSession, SessionState } from './session/design-session';
import { useLive } from './session/use-live';
import type { BookInfo } from './book-list';
import { firstPlace, type Place, WHOLE_DESIGN } from './use-cursor';
import { usePageKeys } from './use-page-keys';
import { usePlausibility } from './use-plausibility';
import { type Initial, useSession } from './use-session';

export interface DesignRoom {
  readonly id: string;
  /** The alternative whose room it is; null: the design's own. */
  readonly side: string | null;
  readonly initial: Initial;
  readonly bookList: readonly BookInfo[];
  readonly session: DesignSession;
  readonly state: SessionState;
  readonly client: PricingClient | null;
  readonly pricing: Pricing;
  readonly apply: (edits: readonly Edit[]) => boolean;
  /** Completes a change that was just made; one undo takes both back, if nothing came between. */
  readonly complete: (edits: readonly Edit[], change: readonly Edit[]) => void;
  readonly preview: (edits: readonly Edit[]) => void;
  readonly undo: { readonly label: string; readonly run: () => void };
  readonly showKeys: () => void;
  /** Exports that are not the report as it is shown. */
  readonly exportAs: (form: ExportForm) => void;
  readonly place: Place;
  readonly setPlace: (change: (before: Place) => Place) => void;
  readonly filtering: Filtering;
  readonly setFiltering: (filtering: Filtering) => void;
  readonly marginOpen: boolean;
  readonly toggleMargin: () => void;
  readonly openMargin: () => void;
}

// As early as can be: whoever opens a design waits for its prices.
warmPricing();

const Room = createContext<DesignRoom | null>(null);

export function useRoom(): DesignRoom {
  const room = useContext(Room);
  if (!room) throw new Error('a view of a design stands in its room');
  return room;
}

/** Another room for the views inside: of an alternative, which is a design made of this one. */
export function RoomInstead({ room, children }: { readonly room: DesignRoom; readonly children: ReactNode }) {
  return <Room value={room}>{children}</Room>;
}

interface DesignRoomProps {
  readonly id: string;
  readonly initial: Initial;
  readonly bookList: readonly BookInfo[];
  readonly children: ReactNode;
}

export function DesignRoomOf({ id, initial, bookList, children }: DesignRoomProps) {
  const router = useRouter();
  const view = viewOf(useSelectedLayoutSegment());
  const { session, state } = useSession(id, initial);
  const client = usePricingClient();
  const pricing = usePricing(client, state.design, state.version);
  const present = useLive(id, session);
  const [dialog, setDialog] = useState<OpenDialog>(null);
  const [place, setPlace] = useState<Place>(() => firstPlace(initial.design.sections[0]?.id ?? null));
  const [filtering, setFiltering] = useState(NO_FILTER);
  const [marginOpen, setMarginOpen] = useState(true);
  const files = useFileMaking(`/api/designs/${id}/report`, '/api/jobs');

  const takeStep = useCallback(
    (step: 'undo' | 'redo') => {
      const refused = session[step]();
      if (refused) tell(refused);
    },
    [session],
  );
  const apply = useCallback(
    (edits: readonly Edit[]): boolean => {
      const [gone, ...more] = session.lettingGo(edits);
      const refused = session.apply(edits);
      if (refused) tell(refused);
      else if (gone) tell(letGoText(gone, more.length), { label: 'Undo', run: () => takeStep('undo') });
      return refused === null;
    },
    [session, takeStep],
  );
  const complete = useCallback(
    (edits: readonly Edit[], change: readonly Edit[]) => void session.apply(edits, change),
    [session],
  );
  const preview = useCallback((edits: readonly Edit[]) => session.preview(edits), [session]);
  const undo = useMemo(() => ({ label: 'Undo', run: () => takeStep('undo') }), [takeStep]);
  const showKeys = useCallback(() => setDialog('keys'), []);
  const openMargin = useCallback(() => setMarginOpen(true), []);
  const { begin } = files;
  const exportAs = useCallback(
    (form: ExportForm) => (form === 'csv' || form === 'json' ? download(id, form) : begin(form)),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- a new function each time, which does the same
    [id],
  );
  usePlausibility(pricing, state.design, undo);
  usePageKeys(takeStep, showKeys);

  const room: DesignRoom = {
    side: null,
    ...{ id, initial, bookList, session, state, client, pricing, apply, preview, undo, showKeys, exportAs },
    ...{ complete, place, setPlace, filtering, setFiltering, marginOpen },
    toggleMargin: () => setMarginOpen(!marginOpen),
    openMargin,
  };
  return (
    <Room value={room}>
      <DesignHead
        {...{ id, view, state, present }}
        onHistory={() => setDialog('history')}
        onOpenDesign={() => {
          setPlace((before) => ({ ...before, subject: WHOLE_DESIGN }));
          if (view === 'report') router.push(`/designs/${id}`);
        }}
        onUndo={undo.run}
        onRedo={() => takeStep('redo')}
        onExport={exportAs}
      />
      <FileMakingLine {...files} />
      {children}
      <RoomDialogs
        {...{ id, state, session }}
        open={dialog}
        onRestore={(edits, revision) => {
          setDialog(null);
          if (apply(edits)) tell(`The design is as it was at revision ${revision}.`, undo);
        }}
        onClose={() => setDialog(null)}
      />
    </Room>
  );
}

const VIEWS = ['alternatives', 'load', 'paying', 'range', 'checklist', 'report'] as const;

function viewOf(segment: string | null): DesignView {
  // Bare rates are one more way to compare.
  if (segment === 'rates') return 'alternatives';
  return VIEWS.find((each) => each === segment) ?? 'ledger';
}

function letGoText({ name, label }: LetGo, more: number): string {
  const others = more === 0 ? '' : `, and ${more} more`;
  return `${label} of “${name}”${others}: follows its driver no more.`;
}
