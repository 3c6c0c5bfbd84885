/** Groups (kept filters, with how they overlap) and what the texts of operating systems mean for a price. */
'use client';
import Link from 'next/link';
import { useState } from 'react';
import { filterText } from '@/features/fleet/words';
import { writeNumber } from '@/platform/words';
import type { FleetGroup, FleetPlan } from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { Empty } from '@/platform/ui/empty';
import { TextEntry } from '@/platform/ui/text-entry';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import { freshId } from '../fresh-id';
import { filterAddress } from '../machines/filter-address';
import { MoreFilters } from '../machines/filter-bar';
import { useFleet } from '../room-context';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';
import { TextMeanings } from './text-meanings';

const number = (value: number): string => writeNumber(String(value));

export function GroupsScreen() {
  const { plan, id, change, undo, opening, isOpen } = useFleet();
  const values = useFleetAsked({ ask: 'values', plan });
  const [editing, setEditing] = useState<string | null>(null);
  const counts = new Map(values.answer?.groups.counts);
  const setGroups = (groups: readonly FleetGroup[]): void => change({ ...plan, groups });
  const edit = (group: FleetGroup): void =>
    setGroups(plan.groups.map((each) => (each.id === group.id ? group : each)));
  const add = (): void => {
    const group = { id: freshId('g', plan.groups), name: `Group ${plan.groups.length + 1}`, filter: {} };
    setGroups([...plan.groups, group]);
    setEditing(group.id);
  };
  const remove = (group: FleetGroup): void => {
    setGroups(plan.groups.filter(({ id: each }) => each !== group.id));
    tell(`“${group.name}” is no group any more.`, undo ? { label: 'Take it back', run: undo } : undefined);
  };
  const products = productsOf(values.answer?.products ?? [], plan.systems, plan.licences ?? {});
  const open = plan.groups.find((group) => group.id === editing);
  const overlap = values.answer?.groups;
  return (
    <>
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface">
        <div className="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-9 px-[18px] py-5 max-[1000px]:grid-cols-1">
          <section aria-labelledby="groups">
            <div className="flex items-center gap-3 border-b border-ink pb-1.5">
              <h2 id="groups" className="mr-auto text-base font-semibold">
                Groups
              </h2>
              <Button onClick={add}>New group</Button>
            </div>
            {plan.groups.length === 0 ? (
              <Empty
                title="No groups yet"
                acts={
                  <Button tone="strong" onClick={add}>
                    New group
                  </Button>
                }
              >
                A group is a filter with a name: what is placed together. A machine may be in several; it is
                never added twice. Without groups, all machines are one.
              </Empty>
            ) : (
              <table className="w-full text-sm">
                <thead>
                  <tr className="text-left text-xs text-soft">
                    <th scope="col" className="py-1 font-normal">
                      Group
                    </th>
                    <th scope="col" className="py-1 font-normal">
                      Which machines
                    </th>
                    <th scope="col" className="py-1 pr-3 text-right font-normal">
                      Machines
                    </th>
                    <th scope="col" className="py-1">
                      <span className="sr-only">Acts</span>
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {plan.groups.map((group) => (
                    <tr key={group.id} className="border-t border-line">
                      <th scope="row" className="max-w-[180px] truncate py-1 pr-3 text-left font-medium">
                        {group.name}
                      </th>
                      <td className="max-w-[260px] py-1 pr-3 text-soft">{filterText(group.filter)}</td>
                      <td className="py-1 pr-3 text-right tabular-nums">
                        <Link
                          prefetch={false}
                          className="hover:underline"
                          href={`/fleets/${id}?${filterAddress(group.filter)}`}
                          aria-label={`${counts.get(group.id) ?? '…'} machines of ${group.name}`}
                        >
                          {counts.has(group.id) ? number(counts.get(group.id)!) : '…'}
                        </Link>
                      </td>
                      <td className="py-1 text-right whitespace-nowrap">
                        <Button
                          tone="bare"
                          aria-label={`Change ${group.name}`}
                          onClick={() => setEditing(group.id)}
                        >
                          Change
                        </Button>
                        <Button
                          tone="bare"
                          aria-label={`Take ${group.name} away`}
                          onClick={() => remove(group)}
                        >
                          Take away
                        </Button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {overlap && plan.groups.length > 1 && (
              <p className="mt-2 text-sm" data-testid="overlap">
                {number(overlap.union)} machines are in a group; {number(overlap.twice)} of them in more than
                one, and they are counted once. {number(overlap.inNone)} are in none.
              </p>
            )}
          </section>
          <section aria-labelledby="systems">
            <h2 id="systems" className="border-b border-ink pb-1.5 text-base font-semibold">
              Operating systems
            </h2>
            <p className="mt-1.5 text-sm text-soft">
              What the texts of the inventory mean: whether a licence is paid for them. For what is not mapped
              none is counted, and that is said.
              {plan.placements.length === 0 &&
                ' Which licences there are is known once there is a placement.'}
            </p>
            {!values.answer && (
              <div className="mt-2">
                <Working
                  progress={opening ?? values.progress}
                  words={isOpen ? 'Looking' : 'Loading the machines'}
                />
              </div>
            )}
            {values.answer && (
              <TextMeanings
                texts={values.answer.systems}
                products={products}
                meanings={plan.systems}
                onMeanings={(systems) => change({ ...plan, systems })}
              />
            )}
            {values.answer && values.answer.licences.length > 0 && (
              <>
                <h2 className="mt-6 border-b border-ink pb-1.5 text-base font-semibold">
                  Licences of databases and other software
                </h2>
                <TextMeanings
                  texts={values.answer.licences}
                  products={products}
                  meanings={plan.licences ?? {}}
                  onMeanings={(licences) => change({ ...plan, licences })}
                />
              </>
            )}
          </section>
        </div>
      </div>
      <Dialog open={open !== undefined} title="Group" onClose={() => setEditing(null)} width={640}>
        {open && (
          <div className="overflow-y-auto px-4 py-3">
            <TextEntry
              label="Name"
              text={open.name}
              maxLength={200}
              preview={(text) => (text.trim() ? null : 'A group needs a name.')}
              commit={(text) => edit({ ...open, name: text.trim() })}
              cancel={() => undefined}
            />
            <div className="mt-3">
              <TextEntry
                label="Words: each in a name, host, cluster, system, tag or application"
                text={open.filter.words ?? ''}
                preview={() => null}
                commit={(text) => {
                  const { words: _, ...others } = open.filter;
                  edit({ ...open, filter: text.trim() ? { ...others, words: text.trim() } : others });
                }}
                cancel={() => undefined}
              />
            </div>
            <MoreFilters
              filter={open.filter}
              values={values.answer}
              onFilter={(filter) => edit({ ...open, filter })}
            />
            <p className="mt-3 text-sm text-soft">
              {filterText(open.filter)}: {counts.has(open.id) ? number(counts.get(open.id)!) : '…'} machines.
            </p>
            <Button tone="strong" className="mt-3" onClick={() => setEditing(null)}>
              Done
            </Button>
          </div>
        )}
      </Dialog>
      <TallyLine>
        <TallyFigure label="Groups">{plan.groups.length}</TallyFigure>
        <TallyFigure label="In a group">{overlap ? number(overlap.union) : '…'}</TallyFigure>
        <TallyFigure label="In more than one">{overlap ? number(overlap.twice) : '…'}</TallyFigure>
        <TallyFigure label="In none">{overlap ? number(overlap.inNone) : '…'}</TallyFigure>
      </TallyLine>
    </>
  );
}

/** Those that are sold, and those that are chosen already. */
function productsOf(sold: readonly string[], ...meanings: readonly FleetPlan['systems'][]): string[] {
  const chosen = meanings.flatMap((each) =>
    Object.values(each).flatMap((choice) => (choice.is === 'licensed' ? [choice.product] : [])),
  );
  return [...new Set([...sold, ...chosen])].sort();
}
