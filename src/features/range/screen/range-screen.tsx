/** Range as a view of the design: how sure the month is, what explains its spread, one input at a time. */
'use client';
import type { Design } from '@/engine/design';
import type { RangeAnswer } from '@/features/range/calc';
import { casesText, rangeDrawing, rangeSentence, rangeTable } from '@/features/range/words';
import { writeMoney, writeNumber } from '@/platform/words';
import { decimal } from '@/engine/base';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Empty } from '@/platform/ui/empty';
import { INPUT } from '@/platform/ui/field';
import { DesignBody } from '@/features/design/screen/design-body';
import { saveText } from '@/platform/screen/save-text';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useRoom } from '@/features/design/screen/room';
import { useAskedFor } from '@/features/design/screen/use-asked-for';
import { Explained } from './explained';
import { InputsMargin } from './inputs-margin';
import { RangeRows } from './range-rows';
import { Swings } from './swings';
import { useDraws } from './use-draws';
import { useSide } from './use-side';

const DRAWS = [1000, 10_000, 50_000, 100_000] as const;

export function RangeScreen() {
  const { state, client } = useRoom();
  const { get, set } = useAskedFor();
  const alternatives = state.design.alternatives ?? [];
  const side = alternatives.find(({ id }) => id === get('of'))?.id ?? null;
  const made = useSide(client, state.design, side);
  const design = made ?? state.design;
  const seed = get('seed') ?? 'harbour';
  const draws: number = DRAWS.find((each) => String(each) === get('draws')) ?? 10_000;
  const { answer, going, trouble, stop, go } = useDraws({
    client: side && !made ? null : client,
    design,
    seed,
    draws,
  });
  return (
    <DesignBody margin={<InputsMargin inputs={answer?.inputs ?? null} isOwn={side === null} />}>
      <div className="min-h-0 min-w-0 flex-1 overflow-y-auto">
        <div className="flex flex-wrap items-end gap-x-4 gap-y-1.5 border-b border-line px-[18px] pt-2 pb-2">
          <p role="status" className="w-full pr-6 text-base" data-testid="answer">
            {trouble ?? (answer ? rangeSentence(answer) : 'Drawing …')}
          </p>
          {alternatives.length > 0 && (
            <label className="text-xs text-soft">
              of
              <select
                value={side ?? ''}
                onChange={(event) => set({ of: event.target.value || null })}
                className="mt-0.5 block h-7 max-w-[200px] rounded border border-edge bg-surface px-1.5 text-sm text-ink"
              >
                <option value="">the design</option>
                {alternatives.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          )}
          <label className="text-xs text-soft">
            draws
            <select
              value={draws}
              onChange={(event) => set({ draws: event.target.value })}
              className="mt-0.5 block h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
            >
              {DRAWS.map((each) => (
                <option key={each} value={each}>
                  {writeNumber(String(each))}
                </option>
              ))}
            </select>
          </label>
          <label className="text-xs text-soft">
            seed
            <input
              value={seed}
              onChange={(event) => set({ seed: event.target.value })}
              maxLength={40}
              className={`mt-0.5 block !w-[130px] ${INPUT}`}
            />
          </label>
          {answer && answer.done < answer.draws && (
            <div className="flex items-center gap-2 text-sm text-soft">
              <progress
                value={answer.done}
                max={answer.draws}
                aria-label="Draws done"
                className="w-[120px]"
              />
              {writeNumber(String(answer.done))} of {writeNumber(String(answer.draws))}
              {going ? <Button onClick={stop}>Stop here</Button> : <Button onClick={go}>Go on</Button>}
            </div>
          )}
          <Keep ask={side === null ? { shows: 'draws', seed, draws } : null} name="How sure the month is" />
          {answer && (
            <Button
              tone="bare"
              className="ml-auto"
              onClick={() =>
                saveText(flatTableCsv(rangeTable(answer)), `${design.title}, range.csv`, 'text/csv')
              }
            >
              CSV
            </Button>
          )}
        </div>
        {answer && answer.inputs.length === 0 && (
          <Empty title="Everything is entered as one number">
            Give what you do not know exactly a lean and a heavy value: type “3 / 4 / 6” or “3..6” in the
            ledger. Then this view shows how sure the month is, and what to measure first.
          </Empty>
        )}
        {answer && answer.inputs.length > 0 && (
          <Shown {...{ answer, design, seed, draws }} done={!going} title={design.title} />
        )}
      </div>
    </DesignBody>
  );
}

interface ShownProps {
  /** Whose range it is: the design, or one of its alternatives. */
  readonly design: Design;
  readonly answer: RangeAnswer;
  readonly seed: string;
  readonly draws: number;
  readonly done: boolean;
  readonly title: string;
}

function Shown({ answer, design: of, seed, draws, done, title }: ShownProps) {
  const { design, cumulative, currency, budget, p90Between } = answer;
  const money = (value: number): string => writeMoney(decimal(value), currency);
  const { question, ...drawing } = rangeDrawing(answer);
  return (
    <div className="space-y-5 px-[18px] py-3">
      <div className="grid gap-x-6 gap-y-3 xl:grid-cols-2">
        <div className="min-w-0">
          <h2 className="text-sm font-semibold">{question}</h2>
          <CurveChart
            label={`${question} ${rangeSentence(answer)}`}
            {...drawing}
            height={240}
            file={`${title}, range`}
          />
        </div>
        <div className="min-w-0">
          <h2 className="text-sm font-semibold">How many months cost no more than that?</h2>
          <CurveChart
            label={`How many months cost no more? ${rangeSentence(answer)}`}
            lines={[{ name: '%', points: cumulative.map((amount, per) => [amount, per] as const) }]}
            x={drawing.x}
            y={{ title: '% of draws', scale: 'linear' }}
            places={budget ? [{ at: Number(budget.amount), label: 'budget' }] : []}
            height={240}
            file={`${title}, no more than`}
          />
        </div>
      </div>
      <dl className="grid grid-cols-[repeat(auto-fill,minmax(120px,1fr))] gap-3">
        {(['p10', 'p50', 'mean', 'p80', 'p90'] as const).map((each) => (
          <div key={each}>
            <dt className="text-xs text-soft">{each === 'mean' ? 'mean' : each.toUpperCase()}</dt>
            <dd className="text-base font-semibold tabular-nums">{money(design[each])}</dd>
          </div>
        ))}
      </dl>
      <p className="max-w-[760px] text-sm text-soft">
        {writeNumber(String(answer.done))} draws from seed “{answer.seed}”: P90 lies between{' '}
        {money(p90Between[0])} and {money(p90Between[1])}, nineteen times of twenty. {casesText(answer)}{' '}
        {answer.without > 0 &&
          `${writeNumber(String(answer.without))} draws are left out: a line had no amount. `}
        {answer.notes.join(' ')}
      </p>
      {done && <Explained design={of} {...{ seed, draws, currency }} />}
      {done && <Swings design={of} {...{ seed, draws, currency }} inputs={answer.inputs} />}
      <RangeRows answer={answer} />
    </div>
  );
}
