/** A change review: what is broken first, then the ledger of differences by module; the margin explains what is focused. */
'use client';
import { useMemo, useState } from 'react';
import { Choice } from '@/platform/ui/field';
import { Ledger, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { CommitChoice } from './commit-choice';
import { LimitsStrip } from './limits-strip';
import { ModuleMargin } from './margin/module-margin';
import { MonthMargin } from './margin/month-margin';
import { ResourceMargin } from './margin/resource-margin';
import { reviewColumns } from './review-columns';
import { useReview } from './review-context';
import { type Listed, LISTED, reviewItems } from './review-rows';
import { ReviewTally } from './review-tally';
import { WhatIfs } from './what-ifs';

export function ReviewScreen() {
  const { answer } = useReview();
  const [listed, setListed] = useState<Listed>('changes');
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const told = answer.answer;
  const rows = useMemo(() => (told ? reviewItems(told.review, listed, folded) : []), [told, listed, folded]);
  const onFold = (module: string): void => {
    const next = new Set(folded);
    if (!next.delete(module)) next.add(module);
    setFolded(next);
  };
  const focused = rows.find(({ key }) => key === cursor?.row)?.data;
  return (
    <>
      {told && <LimitsStrip limits={told.limits} currency={told.review.currency} />}
      <div className="flex shrink-0 flex-wrap items-end gap-3 border-b border-line px-[18px] py-2">
        <Choice label="Listed" value={listed} options={LISTED} onChange={setListed} />
        <CommitChoice />
        <WhatIfs />
      </div>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {told ? (
          <Ledger
            label="What changes"
            columns={reviewColumns({
              answer: told,
              onFold,
              onOpen: () => setMarginOpen(true),
              onAll: () => setListed('all'),
            })}
            rows={rows}
            cursor={cursor}
            onCursor={setCursor}
            autoFocus
          />
        ) : (
          <div className="min-w-0 flex-1 bg-surface px-[18px] py-3">
            {!answer.trouble && <Working progress={answer.progress} words="Working out both sides" />}
            <Trouble trouble={answer.trouble} again={answer.again} />
          </div>
        )}
        <Margin label="About what is chosen" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {told && answer.trouble && <Trouble trouble={answer.trouble} again={answer.again} />}
          {focused?.is === 'resource' ? (
            <ResourceMargin key={focused.row.address} row={focused.row} />
          ) : focused?.is === 'module' ? (
            <ModuleMargin module={focused} />
          ) : (
            told && <MonthMargin answer={told} />
          )}
        </Margin>
      </div>
      <ReviewTally />
    </>
  );
}
