/** The placements of a fleet: one beside the other in words, what two differ in, and the settings of the one that is open. */
'use client';
import { useState } from 'react';
import { settingText } from '@/features/fleet/words';
import {
  defaultPlacement,
  type FleetPlacement,
  PLACEMENT_SETTINGS,
  placementDifferences,
} from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { tell } from '@/platform/ui/toast';
import { freshId } from '../fresh-id';
import { useFleet } from '../room-context';
import { PlacementForm } from './placement-form';

export function PlacementsScreen() {
  const { plan, books, names, change, undo } = useFleet();
  const [openId, setOpenId] = useState<string | null>(plan.placements[0]?.id ?? null);
  const open = plan.placements.find(({ id }) => id === openId) ?? plan.placements[0];
  const set = (placements: readonly FleetPlacement[]): void => change({ ...plan, placements });
  const first = books.find(({ regions }) => regions.length > 0);
  const add = (): void => {
    if (!first) return;
    const id = freshId('p', plan.placements);
    const place = { book: first.key, region: first.regions[0]!.code };
    set([...plan.placements, defaultPlacement(id, `${first.title}, ${first.regions[0]!.name}`, [place])]);
    setOpenId(id);
  };
  const copy = (from: FleetPlacement): void => {
    const id = freshId('p', plan.placements);
    set([...plan.placements, { ...from, id, name: `${from.name}, another`.slice(0, 200) }]);
    setOpenId(id);
  };
  const remove = (gone: FleetPlacement): void => {
    set(plan.placements.filter(({ id }) => id !== gone.id));
    tell(`“${gone.name}” was taken away.`, undo ? { label: 'Take it back', run: undo } : undefined);
  };
  if (plan.placements.length === 0) {
    return (
      <div className="min-h-0 flex-1 bg-surface">
        <Empty
          title="No placements yet"
          acts={
            <Button tone="strong" disabled={!first} onClick={add}>
              New placement
            </Button>
          }
        >
          {first
            ? 'A placement says where machines go, in which form, how large they become and how that is paid. Make one, copy it and change one thing: both stand side by side.'
            : 'There are no price books yet. Bring one in first: machines are placed by its offers.'}
        </Empty>
      </div>
    );
  }
  const base = plan.placements[0]!;
  return (
    <>
      <div className="flex min-h-0 flex-1 max-[900px]:flex-col max-[900px]:overflow-y-auto">
        <div className="w-[430px] shrink-0 overflow-y-auto border-r border-line bg-surface max-[900px]:w-full max-[900px]:overflow-visible">
          <div className="flex items-center gap-2 border-b border-ink px-[18px] py-2">
            <h2 className="mr-auto text-base font-semibold">Placements</h2>
            <Button onClick={add}>New placement</Button>
          </div>
          <ul>
            {plan.placements.map((placement) => {
              const isOpen = placement.id === open?.id;
              const differs = placementDifferences(base, placement);
              const texts =
                placement === base
                  ? PLACEMENT_SETTINGS.map((setting) =>
                      settingText({ setting, value: placement[setting] }, names),
                    )
                  : differs.map(({ setting, after }) => settingText({ setting, value: after }, names));
              return (
                <li
                  key={placement.id}
                  className={`border-b border-line px-[18px] py-2 ${isOpen ? 'bg-wash' : ''}`}
                >
                  <button
                    type="button"
                    aria-pressed={isOpen}
                    onClick={() => setOpenId(placement.id)}
                    className="block w-full text-left"
                  >
                    <span className="block truncate text-sm font-semibold">{placement.name}</span>
                    <span className="block text-xs text-soft">
                      {placement !== base &&
                        (texts.length > 0 ? `Unlike “${base.name}”: ` : `The same as “${base.name}”.`)}
                      {texts.join(' · ')}
                    </span>
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
        {open && (
          <div className="min-w-0 flex-1 overflow-y-auto bg-surface px-[18px] py-3">
            <div className="mb-3 flex items-center justify-end gap-2">
              <Button onClick={() => copy(open)}>Copy</Button>
              <Button onClick={() => remove(open)}>Take away</Button>
            </div>
            <PlacementForm
              key={open.id}
              placement={open}
              onPlacement={(next) => set(plan.placements.map((each) => (each.id === next.id ? next : each)))}
            />
          </div>
        )}
      </div>
      <TallyLine
        aside={`Prices: ${plan.books.map(({ book, revision }) => `${names.book(book)}, revision ${revision}`).join('; ')}`}
      >
        <TallyFigure label="Placements">{plan.placements.length}</TallyFigure>
      </TallyLine>
    </>
  );
}
