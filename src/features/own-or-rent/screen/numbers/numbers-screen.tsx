/** Every assumption of a study in one ledger: typed over, with its range; things are added, renamed and taken out. */
'use client';
import { type KeyboardEvent, useMemo, useState } from 'react';
import { studyTroubleText } from '@/features/own-or-rent/words';
import { withGuess } from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { Menu } from '@/platform/ui/menu';
import { tell } from '@/platform/ui/toast';
import { useStudy } from '../study-context';
import { StudyTally } from '../study-tally';
import { NumberMargin } from './number-margin';
import {
  hasUsual,
  type NumberRow,
  numberRows,
  PAGES,
  type Page,
  readGuess,
  unitOf,
  writeGuess,
} from './number-rows';
import { ThingMargin } from './thing-margin';
import { ADDABLE, type Addable, added, renamed, without } from './things';

export function NumbersScreen() {
  const { study, assumptions, answer, change, preview, undo } = useStudy();
  const [page, setPage] = useState<Page | 'all'>('all');
  const [words, setWords] = useState('');
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const rows = useMemo(() => numberRows(assumptions, page, words), [assumptions, page, words]);
  const focused =
    rows.find(({ key }) => key === cursor?.row)?.data ?? rows.find(({ data }) => data.is === 'number')?.data;
  const troubles = new Map((answer.answer?.troubles ?? []).map((each) => [each.at, studyTroubleText(each)]));
  const remove = (path: string): void => {
    const left = without(study, path);
    if (!left) return tell('This goes with what it is of. Take that out.');
    change(left);
    tell('It was taken out.', undo ? { label: 'Take it back', run: undo } : undefined);
  };
  const addable = (Object.keys(ADDABLE) as Addable[]).filter(
    (what) => what !== 'extra' || study.targets.length > 0,
  );
  const columns: readonly LedgerColumn<NumberRow>[] = [
    {
      key: 'name',
      head: 'Assumption',
      track: 'minmax(200px,1.6fr)',
      cell: (row) => <NameOf row={row} />,
      edit: (row) =>
        row.is === 'thing' && !row.path.includes('/parts/')
          ? {
              by: 'text',
              text: row.name.split(',')[0]!,
              label: 'Name',
              preview: (text) => (text.trim() === '' ? 'Type a name.' : null),
              commit: (text) => change(renamed(study, row.path, text.trim().slice(0, 200))),
              cancel: () => undefined,
            }
          : null,
    },
    {
      key: 'value',
      head: 'Value',
      title: 'Value, or lean / likely / heavy',
      track: '170px',
      end: true,
      cell: (row) =>
        row.is === 'number' && (
          <span
            className={`tabular-nums ${troubles.has(row.assumption.id) ? 'rounded border border-dashed border-ember px-1 text-ember-ink' : ''}`}
          >
            {writeGuess(row.assumption.value)}
          </span>
        ),
      edit: (row) =>
        row.is === 'number'
          ? {
              by: 'text',
              text: writeGuess(row.assumption.value),
              label: row.assumption.field.label,
              preview: (text) => {
                const read = readGuess(text, row.assumption.value, row.assumption);
                if ('refused' in read) return read.refused;
                preview(withGuess(study, row.assumption.id, read.guess));
                return null;
              },
              commit: (text) => {
                const read = readGuess(text, row.assumption.value, row.assumption);
                if ('guess' in read) change(withGuess(study, row.assumption.id, read.guess));
              },
              cancel: () => preview(null),
            }
          : null,
    },
    {
      key: 'unit',
      head: 'Unit',
      track: '120px',
      worth: 5,
      cell: (row) =>
        row.is === 'number' && <span className="text-soft">{unitOf(row.assumption, study)}</span>,
    },
    {
      key: 'usual',
      head: 'Usual',
      track: '84px',
      worth: 3,
      end: true,
      cell: (row) =>
        row.is === 'number' &&
        hasUsual(row.assumption) && <span className="text-soft">{row.assumption.field.default}</span>,
    },
    {
      key: 'source',
      head: 'Where such a number comes from',
      track: 'minmax(160px,1.6fr)',
      worth: 2,
      cell: (row) =>
        row.is === 'number' && (
          <span className="truncate text-soft" title={row.assumption.field.source}>
            {row.assumption.field.source}
          </span>
        ),
    },
  ];
  const onKey = (event: KeyboardEvent, row: { readonly data: NumberRow } | undefined): boolean => {
    const path = row?.data.is === 'thing' ? row.data.path : null;
    if (event.key !== 'Delete' || path === null) return false;
    remove(path);
    return true;
  };
  return (
    <>
      <div className="flex min-h-[46px] shrink-0 flex-wrap items-center gap-2 border-b border-line px-[18px] py-1.5">
        <label className="sr-only" htmlFor="number-words">
          Find an assumption
        </label>
        <input
          id="number-words"
          value={words}
          placeholder="Find an assumption"
          onChange={({ target }) => setWords(target.value)}
          className={`${INPUT} max-w-[220px]`}
        />
        <div role="group" aria-label="Which assumptions" className="flex gap-1">
          {([['all', 'All'], ...PAGES] as const).map(([key, title]) => (
            <button
              key={key}
              type="button"
              aria-pressed={page === key}
              onClick={() => setPage(key)}
              className={`h-7 rounded px-2 text-sm ${page === key ? 'bg-wash font-semibold' : 'text-soft hover:bg-wash'}`}
            >
              {title}
            </button>
          ))}
        </div>
        <div className="ml-auto">
          <Menu
            label="Add"
            items={addable.map((what) => ({
              label: ADDABLE[what],
              onSelect: () => change(added(study, what)),
            }))}
          />
        </div>
      </div>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {rows.length === 0 ? (
          <div className="flex-1 bg-surface px-[18px] py-6 text-sm text-soft">
            No assumption says “{words}”. <Button onClick={() => setWords('')}>Show all</Button>
          </div>
        ) : (
          <Ledger
            label="Assumptions"
            columns={columns}
            rows={rows}
            cursor={cursor}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        <Margin label="About the assumption" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
          {focused?.is === 'number' && (
            <NumberMargin
              key={focused.assumption.id}
              assumption={focused.assumption}
              trouble={troubles.get(focused.assumption.id) ?? null}
            />
          )}
          {focused?.is === 'thing' && (
            <ThingMargin key={focused.path} path={focused.path} onRemove={() => remove(focused.path)} />
          )}
          {focused?.is === 'page' && (
            <p className="pr-8 text-sm text-soft">Choose a line to read about it.</p>
          )}
        </Margin>
      </div>
      <StudyTally />
    </>
  );
}

function NameOf({ row }: { readonly row: NumberRow }) {
  switch (row.is) {
    case 'page':
      return <span className="font-semibold">{row.words}</span>;
    case 'thing':
      return <span className="truncate font-medium">{row.name}</span>;
    case 'number':
      return <span className="truncate">{row.assumption.field.label}</span>;
  }
}
