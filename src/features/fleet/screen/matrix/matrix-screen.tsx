/** Groups under placements, side by side: what each costs, why they differ, the best mix; any cell becomes a design. */
'use client';
import Link from 'next/link';
import { useState } from 'react';
import { type PlainCell } from '@/features/fleet/words';
import { writeMoney, writeNumber } from '@/platform/words';
import { UNION } from '@/features/fleet/calc';
import { Amount } from '@/platform/ui/amount';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { Wick } from '@/platform/ui/wick';
import type { MatrixAnswer } from '@/features/fleet/worker/fleet-protocol';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { FleetFiles } from '../fleet-files';
import { NothingPlaced } from '../nothing-placed';
import { useFleet } from '../room-context';
import { Trouble } from '@/platform/screen/trouble';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';
import { Average } from './average';
import { CellMargin } from './cell-margin';

export function MatrixScreen() {
  const { plan, id, opening, isOpen } = useFleet();
  const asked = useFleetAsked(plan.placements.length > 0 ? { ask: 'matrix', plan } : null);
  const [at, setAt] = useState<{ readonly group: string; readonly placement: string } | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const files = useFileMaking(`/api/fleets/${id}/file`, '/api/jobs');
  if (plan.placements.length === 0) {
    return (
      <NothingPlaced title="Nothing to compare yet" id={id}>
        Here the groups of this fleet stand under its placements, side by side. It takes one placement at
        least.
      </NothingPlaced>
    );
  }
  const { answer } = asked;
  const chosen =
    answer?.cells.find((cell) => cell.group === at?.group && cell.placement === at.placement) ??
    answer?.cells[0];
  const whole =
    answer && (answer.groups.length > 1 ? answer.cells.filter(({ group }) => group === UNION) : answer.cells);
  const best = whole?.filter(isWhole).sort((a, b) => Number(a.monthly) - Number(b.monthly))[0];
  return (
    <>
      <FileMakingLine {...files} />
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="min-w-0 flex-1 overflow-auto bg-surface">
          <div className="flex flex-wrap items-center gap-3 border-b border-line px-[18px] py-2">
            <h2 className="mr-auto text-base font-semibold">What would each group cost, placed how?</h2>
            {(!isOpen || asked.isWaiting) && (
              <Working
                progress={opening ?? asked.progress}
                onStop={asked.isWaiting ? asked.stop : undefined}
              />
            )}
            {answer && (
              <Link href={`/own-or-rent/new?fleet=${id}`} className="text-sm text-brand hover:underline">
                Own or rent
              </Link>
            )}
            {answer && <FleetFiles files={files} />}
          </div>
          <Trouble trouble={asked.trouble} again={asked.again} />
          {answer && (
            <>
              <Table
                answer={answer}
                chosen={chosen}
                onChoose={(cell) => setAt({ group: cell.group, placement: cell.placement })}
              />
              <div className="max-w-[880px] space-y-2 px-[18px] py-4 text-sm">
                {answer.groups.length > 1 && (
                  <p data-testid="overlap">
                    The groups have {number(answer.overlap.union)} machines, each counted once
                    {answer.overlap.twice > 0
                      ? `; one by one they have ${number(answer.overlap.union + answer.overlap.twice)}, because some are in several`
                      : ''}
                    .
                    {answer.overlap.inNone > 0 &&
                      ` ${number(answer.overlap.inNone)} machines of the fleet are in no group.`}
                  </p>
                )}
                {answer.mix && (
                  <section aria-label="The best mix">
                    <h3 className="text-sm font-semibold">The best mix</h3>
                    <p>{answer.mix.text}</p>
                    <ul className="mt-1 list-disc pl-5 text-soft">
                      {answer.mix.chosen.map(({ group, placement, machines }) => (
                        <li key={group}>
                          {answer.groups.find((each) => each.id === group)?.name} ({number(machines)} machines
                          that no group before has):{' '}
                          {plan.placements.find((each) => each.id === placement)?.name}
                        </li>
                      ))}
                    </ul>
                    <p className="mt-1 text-xs text-soft">
                      Traffic between providers and the work of running several ways at once are not in it.
                    </p>
                  </section>
                )}
                <Average />
              </div>
            </>
          )}
          {!answer && !asked.trouble && isOpen && (
            <p className="px-[18px] py-6 text-sm text-soft">Every group is placed machine by machine.</p>
          )}
        </div>
        {chosen && answer && (
          <Margin label="About the cell" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <CellMargin key={`${chosen.group} ${chosen.placement}`} cell={chosen} answer={answer} />
          </Margin>
        )}
      </div>
      <TallyLine
        aside={`Each amount is that of the design the group becomes; ${plan.currency} a month, without tax`}
      >
        <TallyFigure label="Groups">{plan.groups.length || 'all machines'}</TallyFigure>
        <TallyFigure label="Placements">{plan.placements.length}</TallyFigure>
        {best && (
          <TallyFigure label="Least for all of it">
            <Amount value={best.printed} currency={plan.currency} />{' '}
            <span className="text-xs font-normal text-soft">
              {plan.currency} · {plan.placements.find((each) => each.id === best.placement)?.name}
            </span>
          </TallyFigure>
        )}
      </TallyLine>
    </>
  );
}

const number = (value: number): string => writeNumber(String(value));
const isWhole = ({ unpriced, unfit }: PlainCell): boolean => unpriced === 0 && unfit.length === 0;

interface TableProps {
  readonly answer: MatrixAnswer;
  readonly chosen: PlainCell | undefined;
  readonly onChoose: (cell: PlainCell) => void;
}

function Table({ answer, chosen, onChoose }: TableProps) {
  const { plan } = useFleet();
  const most = Math.max(
    1,
    ...answer.cells
      .filter(({ group }) => group !== UNION)
      .flatMap(({ monthly, installed }) => [Number(monthly), Number(installed ?? 0)]),
  );
  const mostOfAll = Math.max(
    1,
    ...answer.cells.flatMap(({ monthly, installed }) => [Number(monthly), Number(installed ?? 0)]),
  );
  return (
    <div tabIndex={0} role="region" aria-label="Groups under placements" className="overflow-x-auto">
      <table className="w-full text-sm" style={{ minWidth: 200 + plan.placements.length * 178 }}>
        <thead>
          <tr className="border-b border-ink text-left align-bottom">
            <th scope="col" className="min-w-[170px] px-[18px] py-1.5 text-xs font-normal text-soft">
              Group
            </th>
            {plan.placements.map(({ id, name }) => (
              <th
                key={id}
                scope="col"
                className="w-[178px] border-l border-line px-3 py-1.5 text-right text-sm font-semibold"
              >
                <span className="line-clamp-2">{name}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {answer.groups.map((group) => {
            const isAll = group.id === UNION;
            return (
              <tr
                key={group.id}
                className={isAll ? 'border-t border-ink font-semibold' : 'border-b border-line'}
              >
                <th scope="row" className="px-[18px] py-2 text-left align-top font-medium">
                  {group.name}
                  <span className="block text-xs font-normal text-soft">
                    {number(group.machines)} machines
                  </span>
                </th>
                {plan.placements.map(({ id, name }) => {
                  const cell = answer.cells.find((each) => each.group === group.id && each.placement === id);
                  return (
                    <td
                      key={id}
                      className={`border-l border-line p-0 align-top ${cell === chosen ? 'bg-wash' : ''}`}
                    >
                      {cell && (
                        <button
                          type="button"
                          aria-pressed={cell === chosen}
                          aria-label={`${group.name} under ${name}: ${writeMoney(cell.printed, answer.currency)} ${answer.currency} a month`}
                          onClick={() => onChoose(cell)}
                          className={`block w-full px-3 py-2 text-right hover:bg-wash ${isAll ? 'double-line' : ''}`}
                        >
                          <CellText cell={cell} currency={answer.currency} most={isAll ? mostOfAll : most} />
                        </button>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function CellText({
  cell,
  currency,
  most,
}: {
  readonly cell: PlainCell;
  readonly currency: string;
  readonly most: number;
}) {
  const { printed, monthly, ifMeasured, reason, unfit, unpriced, hosts } = cell;
  const missing = unfit.reduce((sum, { count }) => sum + count, 0);
  const others = [monthly, ifMeasured ?? monthly].map(Number);
  return (
    <>
      <Amount value={printed} currency={currency} />
      <Wick
        values={{ low: String(Math.min(...others)), likely: monthly, high: String(Math.max(...others)) }}
        currency={currency}
        most={most}
        height={12}
      />
      <span className="block text-xs font-normal text-soft">
        {hosts && `${hosts.paid} hosts · `}
        {reason || (cell.machines === 0 ? 'no machines' : '\u00a0')}
      </span>
      {(missing > 0 || unpriced > 0) && (
        <span className="mt-0.5 inline-block rounded border border-dashed border-ember px-1 text-xs font-normal text-ember-ink">
          {missing > 0 && `${number(missing)} do not fit`}
          {missing > 0 && unpriced > 0 && ', '}
          {unpriced > 0 && `${unpriced} lines not priced`}
        </span>
      )}
    </>
  );
}
