/**
 * A stand-in for a code forge: changes that are asked for, their discussion with one comment, the check that has to pass.
 * Its pipeline runs the very command; what it says is updated in place.
 */
'use client';
import Link from 'next/link';
import { useState } from 'react';
import type { ForgeChange } from '@/features/review/use/forge-ports';
import { Empty } from '@/platform/ui/empty';
import { postJson } from '@/platform/screen/call-api';
import { CheckMark } from './check-mark';
import { type ForgeAct, ForgeDiscussion } from './forge-discussion';
import { ReviewsHead } from './reviews-head';

interface KeptReview {
  readonly id: string;
  readonly repository: string;
  readonly change: string;
}

interface ForgeProps {
  readonly changes: readonly ForgeChange[];
  readonly kept: readonly KeptReview[];
}

const keyOf = ({ repository, change }: Pick<ForgeChange, 'repository' | 'change'>): string =>
  `${repository} ${change}`;

export function ForgeScreen({ changes: first, kept }: ForgeProps) {
  const [changes, setChanges] = useState(first);
  const [chosen, setChosen] = useState(() => {
    const open = first.find(({ phase }) => phase === 'open') ?? first[0];
    return open ? keyOf(open) : '';
  });
  const [acting, setActing] = useState<ForgeAct | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const change = changes.find((each) => keyOf(each) === chosen);
  const act = async (which: ForgeAct, of: ForgeChange): Promise<void> => {
    setActing(which);
    setTrouble(null);
    try {
      const { repository, change: named } = of;
      const next = await postJson<ForgeChange>(`/api/forge/${which}`, { repository, change: named });
      setChanges((before) => before.map((each) => (keyOf(each) === keyOf(next) ? next : each)));
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
    setActing(null);
  };
  const review = change && kept.find((each) => keyOf(each) === chosen);
  return (
    <>
      <ReviewsHead />
      {changes.length === 0 ? (
        <div className="flex-1 bg-surface">
          <Empty title="No code forge is connected">
            A stand-in with the repositories of the demo is there when the demo was started. Any pipeline can
            send its reviews with a token; the settings make one.
          </Empty>
        </div>
      ) : (
        <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
          <nav
            aria-label="Changes in the forge"
            className="w-[312px] shrink-0 overflow-y-auto border-r border-line bg-page px-3 py-2 max-[700px]:max-h-[34%] max-[700px]:w-full max-[700px]:border-r-0 max-[700px]:border-b"
          >
            <p className="px-2 pb-2 text-xs text-soft">
              A stand-in for the forge your code lives in, so that the whole way can be tried here.
            </p>
            {[...new Set(changes.map(({ repository }) => repository))].map((repository) => (
              <section key={repository} className="mb-3">
                <h2 className="border-b border-ink px-2 py-1 font-mono text-xs">{repository}</h2>
                <ul>
                  {changes
                    .filter((each) => each.repository === repository)
                    .map((each) => (
                      <li key={each.change}>
                        <button
                          type="button"
                          aria-current={keyOf(each) === chosen ? 'true' : undefined}
                          onClick={() => {
                            setChosen(keyOf(each));
                            setTrouble(null);
                          }}
                          className={`flex w-full items-baseline gap-2 rounded px-2 py-1 text-left text-sm hover:bg-wash ${keyOf(each) === chosen ? 'bg-wash font-semibold' : ''}`}
                        >
                          <span className="min-w-0 flex-1">
                            {each.title} <span className="font-normal text-soft">{each.change}</span>
                          </span>
                          {each.phase === 'merged' ? (
                            <span className="shrink-0 text-xs font-normal text-soft">merged</span>
                          ) : (
                            <CheckMark check={each.check} short />
                          )}
                        </button>
                      </li>
                    ))}
                </ul>
              </section>
            ))}
          </nav>
          <div
            className="min-w-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
            tabIndex={0}
            role="region"
            aria-label="The change"
          >
            {change && (
              <ForgeDiscussion
                change={change}
                acting={acting}
                trouble={trouble}
                onAct={(which) => void act(which, change)}
              >
                {review && (
                  <Link
                    href={`/reviews/${review.id}`}
                    prefetch={false}
                    className="inline-flex h-7 items-center rounded px-2.5 text-sm font-medium text-brand hover:bg-wash"
                  >
                    Open the review
                  </Link>
                )}
              </ForgeDiscussion>
            )}
          </div>
        </div>
      )}
    </>
  );
}
