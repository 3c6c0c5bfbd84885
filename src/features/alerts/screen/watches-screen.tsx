/** Watches: what each stands at, which step comes next and when, and what has been said. */
'use client';
import { type KeyboardEvent, useState } from 'react';
import { watchedSentence, watchedWords, writeWatched } from '@/features/alerts/words';
import { writeReach, writeShare } from '@/platform/words';
import type { Watch } from '@/features/alerts/calc';
import type { ShownWatch } from '@/features/alerts/use/watches';
import type { WatchChoices } from '@/features/alerts/use/watch-choices';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { BillsHead } from '@/features/bills/screen/bills-head';
import { StepBar } from './step-bar';
import { useWatchActs } from './watch-acts';
import { WatchForm } from './watch-form';
import { WatchMargin } from './watch-margin';

interface WatchesProps {
  readonly watches: readonly ShownWatch[];
  readonly choices: readonly WatchChoices[];
  readonly unseen: number;
}

export function WatchesScreen({ watches, choices, unseen }: WatchesProps) {
  const acts = useWatchActs();
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  // Null: no dialog; else what is changed, or a new one under its id.
  const [form, setForm] = useState<{ readonly id: string; readonly watch: ShownWatch | null } | null>(null);
  const focused = watches.find(({ id }) => id === cursor?.row) ?? watches[0];
  const names = namesOf(choices);
  const begin = (): void => setForm({ id: crypto.randomUUID(), watch: null });
  const save = async (watch: Watch): Promise<void> => {
    await acts.save(form!.id, form!.watch?.revision ?? 0, watch);
    setForm(null);
  };
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    acts.remove(focused.id, focused.watch.name);
    return true;
  };
  const over = watches.filter(
    ({ watched }) => watched.state === 'watching' && Number(watched.standing.share) >= 1,
  );
  const cannot = watches.filter(({ watched }) => watched.state === 'cannot');
  return (
    <>
      <BillsHead unseen={unseen}>
        <Button tone="strong" onClick={begin} disabled={choices.length === 0}>
          Watch something
        </Button>
      </BillsHead>
      {watches.length === 0 ? (
        <Empty title="Nothing is watched yet">
          {choices.length === 0
            ? 'As soon as a bill is here, a threshold can be set on it: a budget, a line of the design, what is included, a tag.'
            : 'A watch says it before the period closes: at half, at four fifths and at all of a budget, once each.'}
        </Empty>
      ) : (
        <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
          <Ledger
            label="Watches"
            columns={columnsOf(names)}
            rows={watches.map((watch) => ({ key: watch.id, level: 'flat', data: watch }))}
            cursor={cursor ?? { row: watches[0]!.id, column: 'name' }}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
          <Margin label="About the watch" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            {focused && (
              <WatchMargin
                key={focused.id}
                watch={focused}
                names={names}
                design={designOf(choices, focused.watch)}
                onChange={() => setForm({ id: focused.id, watch: focused })}
                onDelete={() => acts.remove(focused.id, focused.watch.name)}
              />
            )}
          </Margin>
        </div>
      )}
      {watches.length > 0 && (
        <TallyLine>
          <TallyFigure label="Watched">{String(watches.length)}</TallyFigure>
          <TallyFigure label="At their limit">{String(over.length)}</TallyFigure>
          {cannot.length > 0 && (
            <TallyFigure label="Cannot be watched now">{String(cannot.length)}</TallyFigure>
          )}
        </TallyLine>
      )}
      <Dialog
        open={form !== null}
        title={form?.watch ? 'Change the watch' : 'Watch something'}
        width={520}
        onClose={() => setForm(null)}
      >
        {form && <WatchForm key={form.id} watch={form.watch} choices={choices} onSave={save} />}
      </Dialog>
    </>
  );
}

const designOf = (choices: readonly WatchChoices[], { provider, account }: Watch): string | null =>
  choices.find((each) => each.provider === provider && each.account === account)?.design?.id ?? null;

function namesOf(choices: readonly WatchChoices[]): ReadonlyMap<string, string> {
  return new Map(
    choices.flatMap(({ sections, components }) =>
      [...sections, ...components].map(({ id, name }) => [id, name]),
    ),
  );
}

function columnsOf(names: ReadonlyMap<string, string>): LedgerColumn<ShownWatch>[] {
  return [
    {
      key: 'name',
      head: 'Watch',
      track: 'minmax(150px,1.2fr)',
      cell: ({ watch }) => <span className="truncate font-medium">{watch.name}</span>,
    },
    {
      key: 'what',
      head: 'What',
      track: 'minmax(170px,1.4fr)',
      worth: 2,
      cell: ({ watch }) => <span className="truncate">{watchedWords(watch, names)}</span>,
    },
    {
      key: 'bar',
      head: 'How far',
      track: 'minmax(140px,1fr)',
      worth: 4,
      cell: ({ watch, watched }) =>
        watched.state === 'watching' ? (
          <StepBar
            label={watchedSentence(watch, watched)}
            share={Number(watched.standing.share)}
            steps={[]}
          />
        ) : (
          <span className="text-soft">–</span>
        ),
    },
    {
      key: 'next',
      head: 'Next',
      track: 'minmax(130px,1fr)',
      worth: 5,
      cell: ({ watched }) => <span className="truncate">{nextWords(watched)}</span>,
    },
    {
      key: 'value',
      head: 'Now',
      track: '168px',
      end: true,
      worth: 3,
      cell: ({ watched }) =>
        watched.state === 'watching' ? writeWatched(watched.standing.value, watched.standing.unit) : '–',
    },
    {
      key: 'share',
      head: 'Share',
      track: '100px',
      end: true,
      ruled: true,
      cell: ({ watched }) =>
        watched.state === 'watching' ? (
          <span className={Number(watched.standing.share) >= 1 ? 'font-semibold text-ember-ink' : ''}>
            {writeReach(watched.standing.share)}
          </span>
        ) : (
          <span className="text-ember-ink">cannot</span>
        ),
    },
  ];
}

function nextWords(watched: ShownWatch['watched']): string {
  if (watched.state === 'cannot') return 'cannot be watched now';
  const { coming, reached } = watched.standing;
  if (coming[0]) return `${writeShare(coming[0].step)} on ${coming[0].day.slice(5)}`;
  const last = reached.at(-1);
  return last ? `reached ${writeShare(last.step)}` : 'none in sight';
}
