/**
 * The room of one alternative: the views of a design that stand in it show what the alternative comes to, and what is done
 * there becomes changes of the alternative. The design itself stays as it is.
 */
'use client';
import { type ReactNode, useCallback, useMemo, useState } from 'react';
import {
  type Alternative,
  applyEdits,
  type Design,
  type DesignEdit,
  type Edit,
  recorded,
} from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { faultsOfChange } from '@/features/design/format/design';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { usePricing } from '@/features/design/screen/pricing';
import { RoomInstead, useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { added, changed } from './new-alternative';
import { SideBar } from './side-bar';
import { madeNow } from './side-design';

export function SideRoom({ side, children }: { readonly side: string; readonly children: ReactNode }) {
  const { state, client } = useRoom();
  const { design } = state;
  const alternative = design.alternatives?.find((each) => each.id === side);
  const there = alternative !== undefined;
  const question = useMemo(
    () => (there ? { ask: 'alternative' as const, design, alternative: side } : null),
    [there, design, side],
  );
  const { last, to, trouble } = useAsked(client, question, 0);
  const known = useMemo(() => to && last && { from: to.design, design: last.design }, [to, last]);
  const now = useMemo(() => known && madeNow(known, design, side), [known, design, side]);
  // Until the worker has answered what only it knows, the one before stays.
  const [shown, setShown] = useState<Design | null>(null);
  if (now && now !== shown) setShown(now);
  if (!alternative) {
    return (
      <Empty title="This alternative is not there any more">
        It was removed, perhaps by somebody else. Undo brings back what was removed here.
      </Empty>
    );
  }
  const made = now ?? shown;
  if (!made) {
    return (
      <Empty title={alternative.name}>
        <p role={trouble ? 'alert' : 'status'}>{trouble ?? 'Working out what it comes to …'}</p>
      </Empty>
    );
  }
  const refused = last?.outcomes.filter(({ why }) => why !== null).length ?? 0;
  return (
    <Opened {...{ alternative, made, refused }} key={side}>
      {children}
    </Opened>
  );
}

interface OpenedProps {
  readonly alternative: Alternative;
  readonly made: Design;
  /** So many of its changes do not apply. */
  readonly refused: number;
  readonly children: ReactNode;
}

interface Draft {
  readonly on: Design;
  readonly edits: readonly Edit[];
}

function Opened({ alternative, made, refused, children }: OpenedProps) {
  const room = useRoom();
  const { session, apply: applyToDesign, pricing: ownPricing } = room;
  const side = alternative.id;
  const [draft, setDraft] = useState<Draft | null>(null);
  const design = useMemo(() => {
    const previewed = draft?.on === made ? applyEdits(made, draft.edits) : null;
    return previewed?.ok ? previewed.value.design : made;
  }, [draft, made]);
  const version = useVersion(design);
  const pricing = usePricing(room.client, design, version);

  const apply = useCallback(
    (edits: readonly Edit[]): boolean => {
      setDraft(null);
      const current = session.getState().design;
      const own = current.alternatives?.find((each) => each.id === side);
      if (!own) return false;
      const [another] = edits;
      if (another?.edit === 'put-alternative') {
        const { name, changes } = another.alternative;
        const one = { name, changes: [...own.changes, ...changes] };
        return applyToDesign([added(current, one, another.alternative.id)]);
      }
      const fault = faultOf(made, edits);
      if (fault) tell(fault);
      if (fault) return false;
      const changes = recorded(own.changes, edits as readonly DesignEdit[]);
      return applyToDesign([changed(current, { ...own, changes })]);
    },
    [applyToDesign, made, session, side],
  );
  const preview = useCallback(
    (edits: readonly Edit[]) => setDraft(edits.length === 0 ? null : { on: made, edits }),
    [made],
  );
  const exportAs = useCallback(
    () => tell('What is exported is the design. Make the alternative a design of its own to export it.'),
    [],
  );
  const inside = {
    ...room,
    ...{ pricing, apply, preview, exportAs },
    side,
    complete: apply,
    initial: { ...room.initial, before: null },
    state: { ...room.state, design, version },
  };
  return (
    <RoomInstead room={inside}>
      <SideBar id={room.id} {...{ alternative, refused }} own={ownPricing.summary} here={pricing.summary} />
      {children}
    </RoomInstead>
  );
}

/** A sentence if it cannot be done to the alternative as it is. */
function faultOf(made: Design, edits: readonly Edit[]): string | null {
  const applied = applyEdits(made, edits);
  if (!applied.ok) return sentenceFor(applied.issue);
  const [fault] = faultsOfChange(made, applied.value.design);
  return fault ? `${fault.path}: ${fault.message}.` : null;
}

/** Grows with every change of the design. */
function useVersion(design: Design): number {
  const [seen, setSeen] = useState({ design, version: 1 });
  if (seen.design === design) return seen.version;
  const next = { design, version: seen.version + 1 };
  setSeen(next);
  return next.version;
}
