/** One axis for the design, a section or a line: asked of the worker, answered in a sentence and a table. */
'use client';
import { useMemo, useState } from 'react';
import { type Axis, type AxisRow, OF_ONE_LINE } from '@/features/compare/calc/axes';
import type { Design, Scope } from '@/engine/design';
import { readScope } from '@/features/design/format/scope-text';
import { axisSentence } from '@/features/compare/words';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { residencesOf } from '@/features/design/screen/book-list';
import { useRoom } from '@/features/design/screen/room';
import { ScopeSelect } from '@/features/design/screen/scope-select';
import { useAsked } from '@/features/design/screen/use-asked';
import { AxisTable } from './axis-table';
import { added } from './new-alternative';
import { TakeAlong } from './take-along';

const WHOLE: Scope = { of: 'all' };

interface AxisViewProps {
  readonly axis: Axis;
  /** `all`, `section ID` or `line ID`, as it stands in the address. */
  readonly of: string;
  readonly onOf: (of: string) => void;
}

export function AxisView({ axis, of, onOf }: AxisViewProps) {
  const { state, client, bookList, apply, undo } = useRoom();
  const { design } = state;
  const [onlyWhole, setOnlyWhole] = useState(false);
  const within = design.assumptions.residence ?? '';
  const setWithin = (place: string): void =>
    void apply([{ edit: 'set-assumption', field: 'residence', value: place === '' ? null : place }]);
  const ofLine = OF_ONE_LINE.includes(axis);
  const reach = ofLine && !of.startsWith('line ') ? firstLine(design) : of;
  const question = useMemo(
    () => (reach === null ? null : { ask: 'axis' as const, design, axis, what: readScope(reach) ?? WHOLE }),
    [design, axis, reach],
  );
  const { to, last, trouble } = useAsked(client, question, 120);
  const answer = last && to?.axis === axis ? last : null;
  const take = ({ label, changes }: AxisRow): void => {
    const id = crypto.randomUUID();
    if (apply([added(design, { name: label, changes }, id)])) tell(`“${label}” is an alternative now.`, undo);
  };
  const places = residencesOf(
    bookList.flatMap(({ regions }) => regions),
    design.assumptions.residence,
  );
  const field = 'h-7 max-w-[220px] rounded border border-edge bg-surface px-1.5 text-sm text-ink';
  return (
    <>
      <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (answer ? axisSentence(answer) : 'Pricing all of it …')}
        </p>
        <ScopeSelect label="for" {...{ design }} value={reach ?? ''} onlyLines={ofLine} onChange={onOf} />
        {answer?.rows.some(({ facts }) => facts.country) && (
          <label className="flex items-center gap-1.5 text-sm text-soft">
            data stays in
            <select value={within} onChange={(event) => setWithin(event.target.value)} className={field}>
              <option value="">any country</option>
              {places.map((place) => (
                <option key={place}>{place}</option>
              ))}
            </select>
          </label>
        )}
        <label className="flex items-center gap-1.5 text-sm text-soft">
          <input
            type="checkbox"
            checked={onlyWhole}
            onChange={(event) => setOnlyWhole(event.target.checked)}
            className="accent-brand"
          />
          only what lacks nothing
        </label>
        {reach !== null && <TakeAlong query={String(new URLSearchParams({ axis, of: reach }))} />}
      </div>
      {answer && answer.rows.length === 0 ? (
        <Empty title="Nothing to put beside it">
          {ofLine
            ? 'This line has no size or form that could be another: it has no offer yet, or its kind comes in one only.'
            : 'There is no line with an amount here yet.'}
        </Empty>
      ) : (
        answer && <AxisTable {...{ answer, onlyWhole, within }} onTake={take} />
      )}
    </>
  );
}

function firstLine(design: Design): string | null {
  const line = design.sections.flatMap(({ components }) => components)[0];
  return line ? `line ${line.id}` : null;
}
