/** All lines together, step by step in the order of rule 1. */
import type { Term } from '@/engine/terms';
import { restOf } from './above';
import { committedPart, onDemandPart, tiers } from './amounts';
import { credits } from './credits';
import { ZERO } from './fraction';
import { leftByAllowances } from './left';
import { type Demand, type Owner, type Part, type Scene, monthsOf, scaledMonth } from './shapes';
import { spendCommitments } from './spending';
import { Refused } from './week';

export function partsOf(
  scene: Scene,
  owners: readonly Owner[],
  demands: ReadonlyMap<string, readonly Demand[]>,
  together = true,
): Map<string, Part[] | Refused> {
  const all = owners.flatMap((owner) => demands.get(owner.component.id)!);
  const onDemand = all.filter(
    ({ rate, committed }) => (!committed || committed.byTheHour) && monthsOf(rate.term as Term) === null,
  );
  const left = leftByAllowances(scene, onDemand, together ? owners : []);
  const rests = new Map(onDemand.map((demand) => [demand, restOf(demand, left.get(demand)!)]));
  const { paid, unused } = spendCommitments(scene, owners, demands, rests);
  const amounts = tiers(scene, onDemand, left, rests);
  const parts = new Map<string, Part[] | Refused>();
  for (const owner of owners) {
    const { id } = owner.component;
    try {
      const own = demands.get(id)!.flatMap((demand) => {
        const rows: Part[] = [];
        if (demand.promised) rows.push(committedPart(scene, demand, left.get(demand)?.missing ?? ZERO));
        rows.push(...(paid.get(demand) ?? []));
        if (rests.has(demand)) rows.push(onDemandPart(demand, amounts));
        return rows;
      });
      const share = unused.get(id);
      parts.set(id, share ? own.map((part) => scaledMonth(part, share)) : own);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      parts.set(id, error);
    }
  }
  if (together) credits(scene, owners, demands, parts);
  return parts;
}
