/** Choosing an offer before there is a place: what every provider has of the kind, each where it is cheapest. */
'use client';
import { Command } from 'cmdk';
import { useDeferredValue, useEffect, useState } from 'react';
import { kindOf } from '@/engine/books';
import type { Component } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import { Dialog } from '@/platform/ui/dialog';
import { callApi } from '@/platform/screen/call-api';
import { lotWords } from '@/platform/words/lot-words';
import { readNeed, type TypedNeed } from './typed-need';

interface OffersAnywhereProps {
  readonly component: Component;
  readonly typed: string;
  readonly onChoose: (offer: FoundOffer, amount?: TypedNeed['amount']) => void;
  readonly onClose: () => void;
}

const LIMIT = 200;
const WAIT = 120;

interface Answer {
  readonly query: string;
  readonly found: readonly FoundOffer[];
  readonly trouble: string | null;
}

export function OffersAnywhere({ component, typed, onChoose, onClose }: OffersAnywhereProps) {
  const kind = kindOf(component.kind);
  const [search, setSearch] = useState(typed);
  const need = readNeed(useDeferredValue(search), component);
  const query = new URLSearchParams({
    kind: component.kind,
    limit: String(LIMIT),
    ...(need.words.trim() ? { text: need.words } : {}),
    ...(need.vcpu ? { vcpu: need.vcpu } : {}),
    ...(need.memory ? { memory: need.memory } : {}),
  }).toString();
  const [answer, setAnswer] = useState<Answer | null>(null);
  /** Of which answer it is: in a newer one the first is chosen again. */
  const [at, setAt] = useState({ query: '', key: '' });
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      callApi<readonly FoundOffer[]>(`/api/offers/search?${query}`).then(
        (found) => current && setAnswer({ query, found, trouble: null }),
        (error: Error) => current && setAnswer({ query, found: [], trouble: error.message }),
      );
    }, WAIT);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [query]);
  const first = answer?.found[0];
  return (
    <Dialog
      open
      title={`${kind.label}, anywhere`}
      description="Each offer where it is cheapest; taking one places the line there."
      width={760}
      onClose={onClose}
    >
      <Command
        label="Offers anywhere"
        loop
        shouldFilter={false}
        value={at.query === answer?.query ? at.key : first ? keyOf(first) : ''}
        onValueChange={(key) => setAt({ query: answer?.query ?? '', key })}
        className="flex min-h-0 flex-col"
      >
        <Command.Input
          autoFocus
          value={search}
          onValueChange={setSearch}
          placeholder={kind.size === 'none' ? 'name, provider' : 'name, provider, or a need: 4/16'}
          aria-label="Find by words"
          className="h-10 border-b border-line bg-transparent px-4 text-base outline-none"
        />
        <Command.List label="Offers" className="h-[420px] overflow-y-auto py-1">
          {answer?.trouble && <p className="px-4 py-4 text-ember-ink">{answer.trouble}</p>}
          {!answer && <p className="px-4 py-4 text-soft">Looking through the price books …</p>}
          {answer && !answer.trouble && answer.found.length === 0 && (
            <p className="px-4 py-4 text-soft">No provider has that. Take a word away or ask for less.</p>
          )}
          {answer?.found.map((offer) => (
            <Command.Item
              key={keyOf(offer)}
              value={keyOf(offer)}
              disabled={answer.query !== query}
              onSelect={() => onChoose(offer, need.amount)}
              className="mx-2 grid cursor-pointer grid-cols-[1.2fr_1fr_1.2fr_210px] gap-3 rounded px-2 py-1 text-sm data-[selected=true]:bg-wash"
            >
              <span className="truncate">{offer.name}</span>
              <span className="truncate text-soft">{sizeText(offer)}</span>
              <span className="truncate">{`${offer.bookTitle}, ${offer.regionName}`}</span>
              <span className="text-right whitespace-nowrap tabular-nums">{priceText(offer)}</span>
            </Command.Item>
          ))}
        </Command.List>
      </Command>
    </Dialog>
  );
}

const keyOf = ({ book, sku }: FoundOffer): string => `${book}/${sku}`.toLowerCase();

function sizeText({ vcpu, memory, family }: FoundOffer): string {
  return vcpu === null ? family : `${vcpu} vCPU${memory === null ? '' : `, ${memory} GiB`}`;
}

function priceText({ price, currency, kind }: FoundOffer): string {
  return price === null
    ? 'by several rates'
    : `${writeMoney(price, currency)} ${currency} for ${lotWords(kind)}`;
}
