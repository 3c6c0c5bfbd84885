/** Asks the worker of the open fleet, once its machines are there. */
'use client';
import type { FleetAnswers, FleetQuestion } from '@/features/fleet/worker/fleet-protocol';
import { type Asked, useAskedOf } from '@/platform/screen/use-asked-of';
import { useFleet } from './room-context';

/** `question` null: nothing is asked. */
export function useFleetAsked<Q extends FleetQuestion>(question: Q | null): Asked<FleetAnswers[Q['ask']]> {
  const { client, isOpen } = useFleet();
  return useAskedOf<FleetAnswers[Q['ask']]>(isOpen ? client : null, question);
}
