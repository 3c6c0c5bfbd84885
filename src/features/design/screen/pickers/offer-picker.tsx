/**
 * Choosing an offer: everything the provider has of the kind, found by words, narrowed by family, processor, vCPU and
 * memory, sorted by any column. What the region does not sell is shown as such, with the nearest region that has it.
 */
'use client';
import { useMemo } from 'react';
import { kindOf } from '@/engine/books';
import type { Choice, Component, Design } from '@/engine/design';
import { Dialog } from '@/platform/ui/dialog';
import type { PricingClient } from '@/features/design/worker/client';
import type { OfferChoice } from '@/features/design/worker/protocol';
import { useAsked } from '../use-asked';
import { OfferList } from './offer-list';
import type { TypedNeed } from './typed-need';

interface OfferPickerProps {
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly component: Component;
  readonly placeName: string;
  readonly typed: string;
  readonly onChoose: (choice: Choice, amount?: TypedNeed['amount']) => void;
  readonly onClose: () => void;
}

const NONE: OfferChoice[] = [];

export function OfferPicker({
  client,
  design,
  component,
  placeName,
  typed,
  onChoose,
  onClose,
}: OfferPickerProps) {
  const question = useMemo(() => ({ ask: 'offers' as const, design, component }), [design, component]);
  const { now, trouble } = useAsked(client, question, 0);
  const rows = useMemo(() => now && [...now], [now]);
  const kind = kindOf(component.kind);
  return (
    <Dialog
      open
      title={`${kind.label} at ${placeName}`}
      description={kind.purpose}
      width={940}
      onClose={onClose}
    >
      {trouble ? (
        <p className="p-4 text-ember-ink">{trouble}</p>
      ) : (
        <OfferList
          rows={rows ?? NONE}
          isLoading={rows === null}
          component={component}
          currency={design.currency}
          typed={typed}
          onChoose={onChoose}
        />
      )}
    </Dialog>
  );
}
