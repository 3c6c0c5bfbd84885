/**
 * Type-to-find over everything, from one key. Screens add what they have (components, actions) through
 * `useFindable`; designs and places are always there.
 */
'use client';
import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { kindOf } from '@/engine/books';
import { writeMoney, writeNumber } from '@/platform/words';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import { Dialog } from '@/platform/ui/dialog';
import { findScore } from '@/platform/ui/find-score';
import { callApi } from '@/platform/screen/call-api';
import { lotWords } from '@/platform/words/lot-words';

export interface Findable {
  readonly key: string;
  readonly group: string;
  readonly label: string;
  readonly detail?: string;
  /** What it is found by besides, where the server did the finding. */
  readonly words?: string;
  readonly run: () => void;
}

const sources = new Map<string, readonly Findable[]>();
const listeners = new Set<() => void>();
/** What the open screen does with an offer that was found; without one, the price books are shown. */
let takesOffer: ((offer: FoundOffer) => void) | null = null;
let all: readonly Findable[] = [];

function changed(): void {
  all = [...sources.values()].flat();
  for (const listener of listeners) listener();
}

/** Adds a screen's own things to the find field while it is open. */
export function useFindable(source: string, items: readonly Findable[]): void {
  useEffect(() => {
    sources.set(source, items);
    changed();
    return () => {
      sources.delete(source);
      changed();
    };
  }, [source, items]);
}

/** Lets a screen take the offers that are found, for example to write them on its next line. */
export function useOfferTaker(take: (offer: FoundOffer) => void): void {
  useEffect(() => {
    takesOffer = take;
    return () => {
      takesOffer = null;
    };
  });
}

/** Asks the server once the typing pauses; an answer to older words is dropped. */
function useFoundOffers(search: string): readonly FoundOffer[] {
  const [found, setFound] = useState<{ readonly search: string; readonly offers: readonly FoundOffer[] }>({
    search: '',
    offers: [],
  });
  useEffect(() => {
    if (search.trim().length < 2) return;
    let current = true;
    const timer = setTimeout(() => {
      callApi<readonly FoundOffer[]>(`/api/offers?find=${encodeURIComponent(search)}`).then(
        (offers) => current && setFound({ search, offers }),
        () => undefined,
      );
    }, 120);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [search]);
  return found.search === search ? found.offers : [];
}

/** Where it is cheapest and what that is for a picturable lot: a month, a terabyte. */
function offerDetail({ kind, bookTitle, regionName, regions, price, currency }: FoundOffer): string {
  const where = regions.length > 1 ? `${regionName}, the cheapest of ${regions.length}` : regionName;
  const cost = price === null ? '' : ` · ${writeMoney(price, currency)} ${currency} for ${lotWords(kind)}`;
  return `${kindOf(kind).label} · ${bookTitle} ${where}${cost}`;
}

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

export function Find() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const asked = event.key === '/' && !isTyping(event.target);
      if (asked && !event.ctrlKey && !event.metaKey && !event.altKey) {
        event.preventDefault();
        event.stopPropagation();
        setOpen(true);
      }
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, []);
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex h-7 w-[230px] items-center justify-between rounded border border-edge bg-surface px-2.5 text-sm text-soft max-[700px]:hidden"
      >
        <span className="truncate">Find a design, part, offer, action</span>
        <kbd className="font-mono text-xs">/</kbd>
      </button>
      <Dialog open={open} title="Find" onClose={() => setOpen(false)} width={680}>
        <FindList onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

interface StarterName {
  readonly key: string;
  readonly title: string;
  readonly work: string;
}

interface FoundDesign {
  readonly id: string;
  readonly title: string;
  readonly components: number;
}

interface FoundFleet {
  readonly id: string;
  readonly title: string;
  readonly machines: number;
}

interface FoundStudy {
  readonly id: string;
  readonly title: string;
  readonly years: number;
}

function FindList({ onDone }: { readonly onDone: () => void }) {
  const router = useRouter();
  const items = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => all,
    () => all,
  );
  const [designs, setDesigns] = useState<readonly FoundDesign[]>([]);
  useEffect(() => {
    callApi<readonly FoundDesign[]>('/api/designs').then(setDesigns, () => undefined);
  }, []);
  const [fleets, setFleets] = useState<readonly FoundFleet[]>([]);
  useEffect(() => {
    callApi<readonly FoundFleet[]>('/api/fleets').then(setFleets, () => undefined);
  }, []);
  const [studies, setStudies] = useState<readonly FoundStudy[]>([]);
  useEffect(() => {
    callApi<readonly FoundStudy[]>('/api/studies').then(setStudies, () => undefined);
  }, []);
  const [starters, setStarters] = useState<readonly StarterName[]>([]);
  useEffect(() => {
    callApi<readonly StarterName[]>('/api/starters').then(setStarters, () => undefined);
  }, []);
  const [search, setSearch] = useState('');
  const offers = useFoundOffers(search);
  const go = (path: string) => () => router.push(path);
  const every: Findable[] = [
    ...items,
    ...designs.map((design) => ({
      key: design.id,
      group: 'Designs',
      label: design.title,
      detail: `${design.components} components`,
      run: go(`/designs/${design.id}`),
    })),
    ...fleets.map(({ id, title, machines }) => ({
      key: id,
      group: 'Fleets',
      label: title,
      detail: `${writeNumber(String(machines))} machines`,
      run: go(`/fleets/${id}`),
    })),
    ...studies.map(({ id, title, years }) => ({
      key: id,
      group: 'Own or rent',
      label: title,
      detail: `${years} years`,
      run: go(`/own-or-rent/${id}`),
    })),
    ...starters.map(({ key, title, work }) => ({
      key: `starter-${key}`,
      group: 'Starters',
      label: title,
      detail: work,
      words: 'starter',
      run: go(`/designs/starters?starter=${encodeURIComponent(key)}`),
    })),
    ...offers.map((offer) => ({
      key: `${offer.book}/${offer.sku}`,
      group: 'Offers',
      label: offer.name,
      detail: offerDetail(offer),
      words: `${search} ${offer.sku}`,
      // The dialog gives the focus back first.
      run: () => void setTimeout(() => (takesOffer ? takesOffer(offer) : router.push('/books')), 50),
    })),
    { key: 'designs', group: 'Places', label: 'Designs', run: go('/designs') },
    { key: 'starters', group: 'Places', label: 'Starters', run: go('/designs/starters') },
    { key: 'fleets', group: 'Places', label: 'Fleets', run: go('/fleets') },
    { key: 'own-or-rent', group: 'Places', label: 'Own or rent', run: go('/own-or-rent') },
    { key: 'reviews', group: 'Places', label: 'Change reviews', run: go('/reviews') },
    { key: 'bills', group: 'Places', label: 'Bills', run: go('/bills') },
    { key: 'watches', group: 'Places', label: 'Watches over bills', run: go('/bills/watches') },
    { key: 'price-list', group: 'Places', label: 'Book from a price list', run: go('/books/price-list') },
    { key: 'settings', group: 'Places', label: 'Settings', run: go('/settings') },
    { key: 'prices', group: 'Places', label: 'Prices', run: go('/prices') },
    { key: 'books', group: 'Places', label: 'Price books', run: go('/books') },
  ];
  const groups = [...new Set(every.map((item) => item.group))];
  return (
    <Command
      label="Find"
      loop
      className="flex min-h-0 flex-col"
      filter={(_, words, [label = '', ...others] = []) => findScore(words, label, others)}
    >
      <Command.Input
        autoFocus
        value={search}
        onValueChange={setSearch}
        placeholder="A design, a component, an offer, an action"
        aria-label="Find"
        className="h-10 border-b border-line bg-transparent px-4 text-base outline-none"
      />
      <Command.List aria-label="Found" className="min-h-[200px] overflow-y-auto py-1">
        <Command.Empty className="px-4 py-4 text-soft">Nothing is called that.</Command.Empty>
        {groups.map((group) => (
          <Command.Group
            key={group}
            heading={group}
            className="[&_[cmdk-group-heading]]:px-4 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-soft"
          >
            {every
              .filter((item) => item.group === group)
              .map((item) => (
                <Command.Item
                  key={item.key}
                  value={`${item.group} ${item.key}`}
                  keywords={[item.label, item.detail ?? '', item.words ?? '']}
                  onSelect={() => {
                    onDone();
                    item.run();
                  }}
                  className="mx-2 flex cursor-pointer justify-between gap-4 rounded px-2 py-1 text-sm data-[selected=true]:bg-wash"
                >
                  <span className="max-w-[55%] shrink-0 truncate">{item.label}</span>
                  {item.detail && (
                    <span className="min-w-0 truncate text-soft" title={item.detail}>
                      {item.detail}
                    </span>
                  )}
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}
