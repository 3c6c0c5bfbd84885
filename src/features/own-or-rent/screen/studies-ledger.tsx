/** The studies of the team: name, where from, last change; make, open, copy, delete with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { yearsWords } from '@/features/own-or-rent/words';
import type { StudyListing } from '@/features/own-or-rent/use/study-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { type Findable, useFindable } from '@/platform/shell/find';
import { writeWhen } from '@/platform/screen/time';
import { useStudyActs } from './study-acts';

export function StudiesLedger({ studies }: { readonly studies: readonly StudyListing[] }) {
  const router = useRouter();
  const acts = useStudyActs();
  const [cursor, setCursor] = useState<LedgerCursor | null>(
    studies[0] ? { row: studies[0].id, column: 'title' } : null,
  );
  const [marginOpen, setMarginOpen] = useState(true);
  const focused = studies.find(({ id }) => id === cursor?.row) ?? studies[0];
  const make = (): void => router.push('/own-or-rent/new');
  const findable = useMemo<readonly Findable[]>(
    () => [
      {
        key: 'new-study',
        group: 'Actions',
        label: 'Hold owning against renting',
        run: () => router.push('/own-or-rent/new'),
      },
    ],
    [router],
  );
  useFindable('studies', findable);
  const columns: readonly LedgerColumn<StudyListing>[] = [
    {
      key: 'title',
      head: 'Study',
      track: 'minmax(180px,2fr)',
      cell: (row) => <span className="truncate font-medium">{row.title}</span>,
      edit: (row) => ({ by: 'open', open: () => acts.open(row.id) }),
    },
    {
      key: 'origin',
      head: 'From',
      track: 'minmax(120px,1.4fr)',
      worth: 2,
      cell: (row) => <span className="truncate text-soft">{row.origin}</span>,
    },
    {
      key: 'changed',
      head: 'Last change',
      track: '140px',
      worth: 3,
      cell: (row) => <span suppressHydrationWarning>{writeWhen(row.updatedAt)}</span>,
    },
    { key: 'years', head: 'Years', track: '70px', worth: 4, end: true, cell: (row) => row.years },
    { key: 'parts', head: 'Parts', track: '70px', worth: 4, end: true, cell: (row) => row.parts },
    { key: 'variants', head: 'Variants', track: '86px', end: true, ruled: true, cell: (row) => row.variants },
  ];
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    acts.remove(focused);
    return true;
  };
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center gap-2 border-b border-line px-[18px]">
        <h1 className="mr-auto text-lg font-semibold">Own or rent</h1>
        <Button tone="strong" onClick={make}>
          New study
        </Button>
      </div>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {studies.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No studies yet"
              acts={
                <>
                  <Button tone="strong" onClick={make}>
                    Start from a fleet
                  </Button>
                  <Button onClick={() => router.push('/own-or-rent/new?how=totals')}>
                    Type a few totals
                  </Button>
                </>
              }
            >
              A study holds owning against renting for three to seven years, month by month: what stands there
              and is replaced, what it would cost elsewhere, the move, and what the answer hangs on.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Studies"
            columns={columns}
            rows={studies.map((study) => ({ key: study.id, level: 'flat', data: study }))}
            cursor={cursor}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        {focused && (
          <Margin label="About the study" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <h2 className="pr-8 text-base font-semibold break-words">{focused.title}</h2>
            <p className="mt-1 text-sm break-words text-soft">
              {`Over ${yearsWords(focused.years)}, in ${focused.currency}`}
              {focused.origin && `. From: ${focused.origin}`}.
            </p>
            <div className="mt-4 flex flex-wrap gap-2">
              <Button tone="strong" onClick={() => acts.open(focused.id)}>
                Open
              </Button>
              <Button onClick={() => acts.copy(focused)}>Copy</Button>
              <Button onClick={() => acts.remove(focused)}>Delete</Button>
            </div>
            <p className="mt-4 text-xs text-soft">Enter opens · Delete deletes, and can be taken back</p>
          </Margin>
        )}
      </div>
      <TallyLine>
        <TallyFigure label="Studies">{studies.length}</TallyFigure>
      </TallyLine>
    </>
  );
}
