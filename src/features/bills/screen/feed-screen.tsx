/** The billing feed: how far it is, and taking what it delivers next. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { FeedState } from '@/features/bills/use/feed-ports';
import type { ImportedBill } from '@/features/bills/use/bill-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Trouble } from '@/platform/screen/trouble';
import { postJson } from '@/platform/screen/call-api';
import { BillsHead } from './bills-head';
import { importedWords } from './bill-acts';

const STEPS = [
  [1, 'The next day'],
  [7, 'The next week'],
  [31, 'All that is left of a month'],
] as const;

export function FeedScreen({ feed }: { readonly feed: FeedState | null }) {
  const router = useRouter();
  const [isFetching, setFetching] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [imported, setImported] = useState<readonly ImportedBill[]>([]);
  const fetchDays = async (days: number): Promise<void> => {
    setFetching(true);
    setTrouble(null);
    try {
      setImported(await postJson<ImportedBill[]>('/api/bills/feed', { days }));
      router.refresh();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
    setFetching(false);
  };
  const isOver = feed !== null && feed.day !== null && feed.day >= feed.last;
  return (
    <>
      <BillsHead />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="Billing feed"
      >
        {feed === null ? (
          <Empty title="No billing feed is connected">
            Bills come in as files. A feed would deliver them day by day by itself.
          </Empty>
        ) : (
          <>
            <p className="max-w-[760px] text-base text-soft">
              The feed of <span className="font-mono text-sm">{feed.account}</span> delivers the month so far,
              every day anew: rows that come late and what was put right replace what was there before.
            </p>
            <p className="mt-4 text-lg font-semibold" role="status" data-testid="feed-day">
              {feed.day === null
                ? 'Nothing has come yet.'
                : `It has come until ${feed.day}${isOver ? ', its last day.' : '.'}`}
            </p>
            <div className="mt-3 flex flex-wrap gap-2">
              {STEPS.map(([days, label], at) => (
                <Button
                  key={days}
                  tone={at === 0 ? 'strong' : undefined}
                  disabled={isFetching || isOver}
                  onClick={() => void fetchDays(days)}
                >
                  {label}
                </Button>
              ))}
            </div>
            {isFetching && (
              <p role="status" className="mt-3 text-sm text-soft">
                Bringing it in …
              </p>
            )}
            <Trouble trouble={trouble} again={() => setTrouble(null)} />
            {imported.length > 0 && (
              <section aria-label="What came" className="mt-5 max-w-[760px]">
                <h2 className="border-b border-ink pb-1 text-base font-semibold">What came</h2>
                <ul className="text-sm">
                  {imported.map((bill) => (
                    <li key={`${bill.id} ${bill.revision}`} className="border-b border-line py-1">
                      {importedWords(bill)}
                    </li>
                  ))}
                </ul>
                <div className="mt-3">
                  <Button onClick={() => router.push(`/bills/${imported.at(-1)!.id}`)}>
                    Open the newest
                  </Button>
                </div>
              </section>
            )}
          </>
        )}
      </div>
    </>
  );
}
