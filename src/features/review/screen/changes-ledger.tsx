/** The change reviews of the team: what each moves, whether its limits are kept, how it stands. */
'use client';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useEffect, useMemo, useState } from 'react';
import { addAll, decimal } from '@/engine/base';
import type { ReviewListing } from '@/features/review/use/review-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Choice, Field } from '@/platform/ui/field';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { type Findable, useFindable } from '@/platform/shell/find';
import { writeWhen } from '@/platform/screen/time';
import { Difference, LimitsMark } from './marks';
import { useReviewActs } from './review-acts';
import { type Order, ORDERS, type Shown, SHOWN, shownReviews } from './review-order';
import { ReviewsHead } from './reviews-head';
import { ChangeMargin } from './change-margin';

/** Milliseconds until it is looked again at what was still being worked out. */
const LOOK_AGAIN = 2500;

const COLUMNS: readonly Omit<LedgerColumn<ReviewListing>, 'edit'>[] = [
  {
    key: 'title',
    head: 'Change',
    track: 'minmax(170px,2.2fr)',
    cell: ({ title, change }) => (
      <span className="truncate">
        <span className="font-medium">{title || `Change ${change}`}</span>
        <span className="ml-1.5 text-soft">{change}</span>
      </span>
    ),
  },
  {
    key: 'repository',
    head: 'Repository',
    track: 'minmax(138px,1.1fr)',
    worth: 5,
    cell: ({ repository }) => <span className="truncate font-mono text-xs">{repository}</span>,
  },
  {
    key: 'branch',
    head: 'Branch',
    track: 'minmax(130px,0.9fr)',
    worth: 1,
    cell: ({ branch }) => <span className="truncate font-mono text-xs text-soft">{branch}</span>,
  },
  {
    key: 'author',
    head: 'Author',
    track: 'minmax(100px,0.8fr)',
    worth: 2,
    cell: ({ author }) => <span className="truncate text-soft">{author}</span>,
  },
  {
    key: 'limits',
    head: 'Limits',
    track: '84px',
    worth: 6,
    cell: ({ summary }) => summary && <LimitsMark state={summary.limits} />,
  },
  { key: 'phase', head: 'State', track: '70px', worth: 3, cell: ({ phase }) => phase },
  {
    key: 'age',
    head: 'Came in',
    track: '128px',
    worth: 4,
    cell: ({ createdAt }) => <span suppressHydrationWarning>{writeWhen(createdAt)}</span>,
  },
  {
    key: 'difference',
    head: 'A month more',
    track: '124px',
    end: true,
    ruled: true,
    cell: ({ summary }) =>
      summary ? (
        <Difference value={summary.difference} currency={summary.currency} strong />
      ) : (
        <span className="text-xs text-soft">working …</span>
      ),
  },
];

export function ChangesLedger({ reviews }: { readonly reviews: readonly ReviewListing[] }) {
  const router = useRouter();
  const acts = useReviewActs();
  const [shown, setShown] = useState<Shown>('open');
  const [order, setOrder] = useState<Order>('newest');
  const [words, setWords] = useState('');
  const rows = useMemo(() => shownReviews(reviews, shown, order, words), [reviews, shown, order, words]);
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const focused = rows.find(({ id }) => id === cursor?.row) ?? rows[0];
  const isWorking = reviews.some(({ summary }) => summary === null);
  useEffect(() => {
    if (!isWorking) return;
    const timer = setInterval(() => router.refresh(), LOOK_AGAIN);
    return () => clearInterval(timer);
  }, [isWorking, router]);
  const findable = useMemo<readonly Findable[]>(
    () => [
      { key: 'new-review', group: 'Actions', label: 'Review a plan', run: () => router.push('/reviews/new') },
    ],
    [router],
  );
  useFindable('reviews', findable);
  const columns = COLUMNS.map((column) => ({
    ...column,
    edit: (row: ReviewListing) => ({ by: 'open' as const, open: () => acts.open(row.id) }),
  }));
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    acts.remove(focused);
    return true;
  };
  return (
    <>
      <ReviewsHead>
        <Button tone="strong" onClick={() => router.push('/reviews/new')}>
          Review a plan
        </Button>
      </ReviewsHead>
      {reviews.length > 0 && (
        <div className="flex shrink-0 flex-wrap items-end gap-3 border-b border-line px-[18px] py-2">
          <div className="w-[220px]">
            <Field label="Words in it">
              {(field) => (
                <input {...field} value={words} onChange={(event) => setWords(event.target.value)} />
              )}
            </Field>
          </div>
          <Choice label="Shown" value={shown} options={SHOWN} onChange={setShown} />
          <Choice label="Order" value={order} options={ORDERS} onChange={setOrder} />
        </div>
      )}
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {reviews.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No change reviews yet"
              acts={
                <>
                  <Button tone="strong" onClick={() => router.push('/reviews/new')}>
                    Review a plan
                  </Button>
                  <Button onClick={() => router.push('/settings')}>Make a token for a pipeline</Button>
                </>
              }
            >
              A review says what a change of infrastructure code costs before it is merged: by resource,
              before and after. Pipelines send theirs; a plan of your own is read in this browser and never
              leaves it.
            </Empty>
          </div>
        ) : rows.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="None of them is like that"
              acts={
                <Button
                  onClick={() => {
                    setShown('all');
                    setWords('');
                  }}
                >
                  Show all
                </Button>
              }
            >
              {`There are ${reviews.length} reviews; what you ask for fits none.`}
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Change reviews"
            columns={columns}
            rows={rows.map((review) => ({ key: review.id, level: 'flat', data: review }))}
            cursor={cursor ?? { row: rows[0]!.id, column: 'title' }}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        {focused && (
          <Margin label="About the change" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <ChangeMargin review={focused} acts={acts} />
          </Margin>
        )}
      </div>
      <ChangesTally rows={rows} />
    </>
  );
}

function ChangesTally({ rows }: { readonly rows: readonly ReviewListing[] }) {
  const priced = rows.flatMap(({ summary }) => summary ?? []);
  const currencies = [...new Set(priced.map(({ currency }) => currency))];
  return (
    <TallyLine aside="A month more, of the shown ones together; each against what was there when it came in">
      <TallyFigure label="Reviews">{rows.length}</TallyFigure>
      <TallyFigure label="Limits broken">
        {priced.filter(({ limits }) => limits === 'failed').length}
      </TallyFigure>
      <TallyFigure label="Not all known">{priced.filter(({ doubts }) => doubts > 0).length}</TallyFigure>
      {currencies.map((currency) => {
        const own = priced.filter((each) => each.currency === currency);
        const sum = addAll(own.map(({ difference }) => decimal(difference))).toString();
        return (
          <TallyFigure key={currency} label={`A month more, ${currency}`}>
            <Difference value={sum} currency={currency} />
          </TallyFigure>
        );
      })}
    </TallyLine>
  );
}
