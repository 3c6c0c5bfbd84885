/** A study of a fleet: its machines are loaded and placed here, beside the page. */
'use client';
import { useEffect, useRef, useState } from 'react';
import type { FleetPlan } from '@/features/fleet/calc';
import type { Study } from '@/features/own-or-rent/calc';
import { useFleetWorker } from '@/features/fleet/screen/fleet-worker';
import { callApi } from '@/platform/screen/call-api';
import { useAskedOf } from '@/platform/screen/use-asked-of';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { ChoiceRow, Choices, type FleetChoice, machinesText } from './choices';

interface FromFleetProps {
  readonly fleets: readonly FleetChoice[];
  readonly start: string;
  /** It is made at once; null, or none that can be: somebody chooses. */
  readonly first: string | null;
  readonly onMade: (study: Study) => void;
}

export function FromFleet({ fleets, start, first, onMade }: FromFleetProps) {
  const [chosen, setChosen] = useState<FleetChoice | null>(
    () => fleets.find(({ id, placements }) => id === first && placements > 0) ?? null,
  );
  return (
    <>
      {chosen && (
        <Making key={chosen.id} fleet={chosen} start={start} onMade={onMade} onStop={() => setChosen(null)} />
      )}
      <Choices nothing="There is no fleet yet. Bring in an inventory, or type a few numbers.">
        {fleets.map((fleet) => (
          <ChoiceRow
            key={fleet.id}
            title={fleet.title}
            detail={
              fleet.placements === 0
                ? `${machinesText(fleet.machines)}; it has no placement yet: say first what it may become`
                : `${machinesText(fleet.machines)} under ${fleet.placements} placements; each group moves by itself`
            }
            disabled={chosen !== null || fleet.placements === 0}
            onChoose={() => setChosen(fleet)}
          />
        ))}
      </Choices>
    </>
  );
}

interface MakingProps {
  readonly fleet: FleetChoice;
  readonly start: string;
  readonly onMade: (study: Study) => void;
  readonly onStop: () => void;
}

function Making({ fleet, start, onMade, onStop }: MakingProps) {
  const { client, isOpen, opening } = useFleetWorker(fleet.id, fleet.machines);
  const [plan, setPlan] = useState<FleetPlan | null>(null);
  const [missing, setMissing] = useState<string | null>(null);
  useEffect(() => {
    callApi<{ plan: FleetPlan }>(`/api/fleets/${fleet.id}`).then(
      (found) => setPlan(found.plan),
      (error: Error) => setMissing(error.message),
    );
  }, [fleet.id]);
  const asked = useAskedOf<Study>(isOpen ? client : null, plan && { ask: 'study', plan, start });
  const made = useRef(false);
  // Whoever comes back to this page chooses, and does not make a second one unasked.
  useEffect(() => window.history.replaceState(null, '', '/own-or-rent/new'), []);
  useEffect(() => {
    if (!asked.answer || made.current) return;
    made.current = true;
    onMade(asked.answer);
  }, [asked.answer, onMade]);
  return (
    <div className="mb-3">
      <Working
        progress={asked.progress ?? opening}
        words={`Placing ${fleet.title}`}
        onStop={() => {
          asked.stop();
          onStop();
        }}
      />
      <Trouble trouble={missing ?? asked.trouble} again={asked.again} />
    </div>
  );
}
