/** Prices over all books: what is asked above, offers in the ledger, everything about one of them in the margin. */
'use client';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { type Kind, KIND_CODES, kindOf } from '@/engine/books';
import { writeMoney, writeNumber } from '@/platform/words';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor, type LedgerRow } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { callApi } from '@/platform/screen/call-api';
import { lotWords } from '@/platform/words/lot-words';
import { OfferMargin } from './offer-margin';
import { type Asked, NOTHING_ASKED, SearchBar, type SearchPlace } from './search-bar';

const LIMIT = 300;
const WAIT = 150;

export function PricesScreen({ books }: { readonly books: readonly SearchPlace[] }) {
  const [asked, setAsked] = useState<Asked>(NOTHING_ASKED);
  const [answer, setAnswer] = useState<{ found: readonly FoundOffer[]; trouble: string | null } | null>(null);
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  useEffect(() => {
    let current = true;
    const query = new URLSearchParams(
      Object.entries(asked).filter(([, value]) => value.trim() !== '') as [string, string][],
    );
    query.set('limit', String(LIMIT));
    const timer = setTimeout(() => {
      callApi<readonly FoundOffer[]>(`/api/offers/search?${query}`).then(
        (found) => current && setAnswer({ found, trouble: null }),
        (error: Error) => current && setAnswer({ found: [], trouble: error.message }),
      );
    }, WAIT);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [asked]);
  const found = useMemo(() => answer?.found ?? [], [answer]);
  const rows = useMemo(() => rowsOf(found), [found]);
  const columns = useMemo(() => columnsFor((kind) => setAsked((before) => ({ ...before, kind }))), []);
  const focused = found.find((offer) => keyOf(offer) === cursor?.row) ?? found[0];
  return (
    <>
      <SearchBar books={books} asked={asked} onAsk={setAsked} />
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {answer && rows.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty title={books.length === 0 ? 'No price books yet' : 'Nothing found'}>
              {answer.trouble ??
                (books.length === 0
                  ? 'Prices are searched in the newest revision of every price book; bring one in first.'
                  : 'No offer has everything that is asked for. Take a word away or ask for less.')}
            </Empty>
          </div>
        ) : (
          <Ledger label="Offers" columns={columns} rows={rows} cursor={cursor} onCursor={setCursor} />
        )}
        {focused && (
          <Margin label="About the offer" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <OfferMargin key={keyOf(focused)} found={focused} region={asked.region} />
          </Margin>
        )}
      </div>
      <TallyLine aside="Newest revisions, each in its book’s own currency; sorted by worth, by the newest exchange rates">
        <TallyFigure label="Offers shown">
          {found.length === LIMIT ? `first ${LIMIT}` : writeNumber(String(found.length))}
        </TallyFigure>
        <TallyFigure label="Price books">{new Set(found.map((offer) => offer.book)).size}</TallyFigure>
      </TallyLine>
    </>
  );
}

function keyOf(offer: FoundOffer): string {
  return `${offer.book}/${offer.sku}`;
}

function sizeOf({ vcpu, memory }: FoundOffer): string {
  return vcpu === null ? '' : `${vcpu} vCPU${memory === null ? '' : `, ${memory} GiB`}`;
}

/** Kinds have nothing in common that they could be sorted by; within one all prices are for the same lot. */
type Row = { readonly kind: Kind; readonly count: number } | FoundOffer;

const isKind = (row: Row): row is Extract<Row, { count: number }> => 'count' in row;

function rowsOf(found: readonly FoundOffer[]): LedgerRow<Row>[] {
  return KIND_CODES.flatMap((kind): LedgerRow<Row>[] => {
    const own = found.filter((offer) => offer.kind === kind);
    if (own.length === 0) return [];
    const head = { key: kind, level: 'head', data: { kind, count: own.length } } as const;
    return [head, ...own.map((data) => ({ key: keyOf(data), level: 'line', data }) as const)];
  });
}

/** As many as are shown of a kind where nothing is asked. */
const FEW = 5;

function columnsFor(onKind: (kind: Kind) => void): readonly LedgerColumn<Row>[] {
  const ofOffer = (cell: (offer: FoundOffer) => ReactNode) => (row: Row) => (isKind(row) ? null : cell(row));
  return [
    {
      key: 'name',
      head: 'Offer',
      track: 'minmax(150px,1.4fr)',
      cell: (row) =>
        isKind(row) ? (
          <span className="truncate">{kindOf(row.kind).label}</span>
        ) : (
          <span className="truncate">
            {row.name}
            {row.lifecycle !== 'current' && <span className="text-soft"> · {row.lifecycle}</span>}
          </span>
        ),
      edit: (row) => (isKind(row) ? { by: 'open', open: () => onKind(row.kind) } : null),
    },
    { key: 'book', head: 'Provider', track: '110px', worth: 5, cell: ofOffer((offer) => offer.bookTitle) },
    {
      key: 'size',
      head: 'Size',
      track: '140px',
      worth: 4,
      cell: (row) =>
        isKind(row) ? (
          <span className="truncate text-xs font-normal text-soft">
            {row.count === FEW && 'the cheapest five'}
          </span>
        ) : (
          sizeOf(row)
        ),
    },
    {
      key: 'where',
      head: 'Cheapest in',
      worth: 3,
      track: 'minmax(110px,1fr)',
      cell: ofOffer(({ regionName, regions }) => (
        <span className="truncate">
          {regionName}
          {regions.length > 1 && <span className="text-soft"> of {regions.length}</span>}
        </span>
      )),
    },
    {
      key: 'price',
      head: 'From',
      track: '124px',
      end: true,
      ruled: true,
      cell: ofOffer(({ price, currency }) =>
        price === null ? (
          <span className="text-soft">see margin</span>
        ) : (
          <span className="tabular-nums">
            {writeMoney(price, currency)} <span className="text-xs text-soft">{currency}</span>
          </span>
        ),
      ),
    },
    {
      key: 'lot',
      head: 'for',
      worth: 2,
      track: '140px',
      cell: (row) =>
        isKind(row) ? <span className="font-normal text-soft">{lotWords(row.kind)}</span> : null,
    },
  ];
}
