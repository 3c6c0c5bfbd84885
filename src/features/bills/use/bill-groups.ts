/** A bill by service, account, region, resource, SKU, category or a tag. Need P8. */
import { type GroupedBy, groupThings, tagKeys, type ThingGroup } from '@/features/bills/calc';
import { openBill } from './bills';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

export interface BillGroups {
  readonly groups: readonly ThingGroup[];
  /** Of tags that can be grouped by. */
  readonly tags: readonly string[];
}

export async function groupBill(context: Context, id: string, by: GroupedBy): Promise<BillGroups> {
  allow(context.actor, 'groupBill');
  await openBill(context, id);
  const things = await context.bills.things(context.actor.workspace, id);
  return { groups: groupThings(things, by), tags: tagKeys(things) };
}
