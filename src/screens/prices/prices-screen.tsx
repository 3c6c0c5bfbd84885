/** Prices over all books: what is asked above, offers in the ledger, everything about one of them in the margin. */
'use client';
import { useEffect, useMemo, useState } from 'react';
import { kindOf, lotOf, mainMeter } from '@/core/books';
import { writeMoney, writeNumber } from '@/core/display';
import type { FoundOffer } from '@/operations';
import { Empty } from '@/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor, type LedgerRow } from '@/ui/ledger';
import { Margin } from '@/ui/margin';
import { TallyFigure, TallyLine } from '@/ui/tally-line';
import { callApi } from '../lib/call-api';
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
  const rows = useMemo(
    () =>
      (answer?.found ?? []).map((data): LedgerRow<FoundOffer> => ({ key: keyOf(data), level: 'flat', data })),
    [answer],
  );
  const focused = rows.find((row) => row.key === cursor?.row)?.data ?? rows[0]?.data;
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
          <Ledger label="Offers" columns={COLUMNS} rows={rows} cursor={cursor} onCursor={setCursor} />
        )}
        {focused && (
          <Margin label="About the offer" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <OfferMargin key={keyOf(focused)} found={focused} region={asked.region} />
          </Margin>
        )}
      </div>
      <TallyLine aside="Newest revisions, each in its book’s own currency; sorted by worth, by the newest exchange rates">
        <TallyFigure label="Offers shown">
          {rows.length === LIMIT ? `first ${LIMIT}` : writeNumber(String(rows.length))}
        </TallyFigure>
        <TallyFigure label="Price books">{new Set(rows.map((row) => row.data.book)).size}</TallyFigure>
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

/** What the lot of an offer's kind is, from the unit its main meter is entered in. */
function lotWords({ kind }: FoundOffer): string {
  const meter = mainMeter(kind);
  if (!meter) return '';
  return lotOf(meter.from === 'held' ? `${meter.enteredIn}-month` : meter.enteredIn).label;
}

const COLUMNS: readonly LedgerColumn<FoundOffer>[] = [
  {
    key: 'name',
    head: 'Offer',
    track: 'minmax(150px,1.4fr)',
    cell: (row) => (
      <span className="truncate">
        {row.name}
        {row.lifecycle !== 'current' && <span className="text-soft"> · {row.lifecycle}</span>}
      </span>
    ),
  },
  { key: 'book', head: 'Provider', track: '110px', worth: 5, cell: (row) => row.bookTitle },
  {
    key: 'kind',
    head: 'Kind',
    worth: 3,
    track: 'minmax(110px,1fr)',
    cell: (row) => <span className="truncate">{kindOf(row.kind).label}</span>,
  },
  { key: 'size', head: 'Size', track: '140px', worth: 4, cell: sizeOf },
  {
    key: 'regions',
    head: 'Sold in',
    worth: 1,
    track: '86px',
    end: true,
    cell: (row) => (
      <span className="text-soft">
        {row.regions.length} {row.regions.length === 1 ? 'region' : 'regions'}
      </span>
    ),
  },
  {
    key: 'price',
    head: 'From',
    track: '124px',
    end: true,
    ruled: true,
    cell: (row) =>
      row.price === null ? (
        <span className="text-soft">see margin</span>
      ) : (
        <span className="tabular-nums">
          {writeMoney(row.price, row.currency)} <span className="text-xs text-soft">{row.currency}</span>
        </span>
      ),
  },
  {
    key: 'lot',
    head: 'for',
    worth: 2,
    track: '130px',
    cell: (row) => <span className="text-soft">{row.price === null ? '' : lotWords(row)}</span>,
  },
];
