/** Cells of the matrix as plain data, and hosts as they are told. */
import type { Decimal } from '@/core/base';
import { differenceReason, type HostsTold } from '@/core/display';
import type { FleetPlan, HostsUsed, MatrixCell, UnfitWhy } from '@/core/fleet';
import { halfAwayFromZero, minorDigits } from '@/core/money';
import type { PlainCell } from './fleet-protocol';

const SHOWN = 5;

export function hostsTold(used: HostsUsed, machines: number): HostsTold {
  const { hosts, room, spare, least, paid } = used;
  const share = (read: (host: HostsUsed['hosts'][number]) => number, one: number): number =>
    hosts.reduce((sum, host) => sum + read(host), 0) / (one * Math.max(1, paid));
  const filled = Math.max(
    share(({ vcpu }) => vcpu, room.vcpu),
    share(({ memory }) => memory, room.memory),
  );
  const bites = paid === least && least > hosts.length + spare;
  const each = (filled * paid) / Math.max(1, machines);
  return {
    machines,
    hosts: hosts.length,
    paid,
    least,
    spare,
    filled,
    fullFrom: bites && each > 0 ? Math.floor((least - spare - 1) / each) + 1 : null,
  };
}

export const printed = (amount: Decimal, currency: string): string =>
  halfAwayFromZero(amount, minorDigits(currency)).toString();

export function plainCell(
  { group, cell, installed, ifMeasured }: MatrixCell,
  first: MatrixCell | undefined,
  plan: FleetPlan,
): PlainCell {
  const { layout, monthly, kinds, machines, unfit } = cell;
  const byWhy = new Map<UnfitWhy, string[]>();
  const names = layout.machines;
  for (const { id, why } of unfit)
    byWhy.set(why, [...(byWhy.get(why) ?? []), names.get(id)?.machine.name ?? id]);
  return {
    group,
    placement: cell.placement,
    place: cell.place,
    monthly: monthly.toString(),
    printed: printed(monthly, plan.currency),
    kinds: {
      compute: kinds.compute.toString(),
      licences: kinds.licences.toString(),
      storage: kinds.storage.toString(),
      transfer: kinds.transfer.toString(),
    },
    machines,
    mean: machines > 0 ? monthly.dividedBy(machines).toString() : null,
    installed: installed?.toString() ?? null,
    ifMeasured: ifMeasured?.toString() ?? null,
    unpriced: cell.unpriced,
    unfit: [...byWhy].map(([why, some]) => ({ why, count: some.length, some: some.slice(0, SHOWN) })),
    ...layout.counts,
    hosts: layout.hosts && hostsTold(layout.hosts, machines),
    reason: first && first.cell !== cell ? differenceReason(first.cell.kinds, kinds) : '',
  };
}
