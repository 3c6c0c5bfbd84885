/** The page's side of its fleet worker. */
import { AskingClient } from '@/platform/workers/asking-client';
import type { FleetAnswers, FleetQuestion } from './fleet-protocol';

export type FleetClient = AskingClient<FleetQuestion, FleetAnswers>;

export function fleetClientOn(worker: Worker): FleetClient {
  return new AskingClient(worker, 'fleets');
}

export function startFleetWorker(): FleetClient {
  return fleetClientOn(new Worker(new URL('./fleet.worker.ts', import.meta.url), { type: 'module' }));
}
