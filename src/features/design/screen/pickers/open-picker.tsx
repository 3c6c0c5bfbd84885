/** Whichever list is open over the ledger, and the edits that a choice in it means. */
'use client';
import type { RefObject } from 'react';
import { type Kind, mainMeter } from '@/engine/books';
import {
  CHOICE,
  type Component,
  type Design,
  type Edit,
  enteredByHand,
  type Section,
  type UsageEntry,
} from '@/engine/design';
import { withLikely } from '@/engine/usage';
import { tell } from '@/platform/ui/toast';
import type { PricingClient } from '@/features/design/worker/client';
import type { PickerKind } from '../columns';
import { keptRange } from '../cells/use-text';
import { placedAtOffer, placeEdits } from '../place-edits';
import type { Row } from '../rows';
import { placeText, type BookInfo } from '../book-list';
import { KindPicker } from './kind-picker';
import { OfferPicker } from './offer-picker';
import { OffersAnywhere } from './offers-anywhere';
import { PlacePicker } from './place-picker';
import { TermPicker } from './term-picker';

export interface PickerState {
  readonly what: PickerKind;
  readonly row: string;
  readonly typed: string;
  /** The cell it opens at. */
  readonly anchor: RefObject<HTMLElement | null>;
}

/** So much of it as the likely amount; its range goes with it, if it does not hold it. */
function amountEdit(
  { id, kind, usage }: Component,
  { amount, unit }: Pick<UsageEntry, 'amount' | 'unit'>,
): Edit {
  const { meter } = mainMeter(kind)!;
  const { sizes: _, ...before } = usage[meter] ?? {};
  const range = keptRange(usage[meter], unit);
  const value = { ...before, unit, amount: withLikely({ likely: amount.likely, ...range }, amount.likely) };
  return { edit: 'set-usage', id, meter, value };
}

interface OpenPickerProps {
  readonly picker: PickerState;
  readonly row: Row | undefined;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly bookList: readonly BookInfo[];
  readonly onClose: () => void;
  readonly onKind: (kind: Kind, section: Section) => void;
  readonly onStarred: (component: Component, section: Section) => void;
  readonly onForms: () => void;
  readonly onEdits: (edits: readonly Edit[]) => void;
}

export function OpenPicker(props: OpenPickerProps) {
  const { picker, row, client, design, bookList, onClose, onKind, onStarred, onEdits } = props;
  const common = { anchor: picker.anchor, typed: picker.typed, onClose };
  if (row?.kind === 'next-component') {
    return (
      <KindPicker
        {...common}
        onChoose={(kind) => onKind(kind, row.section)}
        onStarred={(component) => onStarred(component, row.section)}
        onForms={props.onForms}
      />
    );
  }
  if (row?.kind !== 'component') return null;
  const { component } = row;
  const { id } = component;
  const choose = (edit: Edit): void => {
    onClose();
    onEdits([edit]);
  };
  switch (picker.what) {
    case 'kind':
      return null;
    case 'place':
      return (
        <PlacePicker
          {...common}
          bookList={bookList}
          chosen={component.place}
          onChoose={(place) => {
            onClose();
            if (!client) return;
            placeEdits(client, design, component, place, bookList).then(onEdits, (error: Error) =>
              tell(error.message),
            );
          }}
        />
      );
    case 'term':
      return (
        <TermPicker
          {...common}
          client={client}
          design={design}
          component={component}
          onChoose={(value) => choose({ edit: 'set-component', id, field: 'term', value })}
        />
      );
    case 'offer':
      if (!component.place) {
        return (
          <OffersAnywhere
            {...common}
            component={component}
            onChoose={(offer, amount) => {
              onClose();
              onEdits([
                ...placedAtOffer(design, component, offer, bookList),
                ...(amount ? [amountEdit(component, amount)] : []),
              ]);
            }}
          />
        );
      }
      return (
        <OfferPicker
          {...common}
          client={client}
          design={design}
          component={component}
          placeName={placeText(bookList, component.place) || 'no place yet'}
          onChoose={(value, amount) => {
            onClose();
            onEdits([
              { edit: 'set-component', id, field: 'choice', value },
              ...enteredByHand(component, CHOICE),
              ...(amount ? [amountEdit(component, amount)] : []),
            ]);
          }}
        />
      );
  }
}
