/**
 * What machines keep and send, as lines: volumes of the class that the rule says, copies of them, what leaves for the
 * internet. Each machine's part is by its GiB and its GB. Needs I16, F20, D16.
 */
import { decimal } from '@/engine/base';
import type { Component, Place } from '@/engine/design';
import type { SizeRow } from '@/engine/design';
import type { LaidMachine } from './laid';
import type { FleetPlacement } from './placement';
import { fleetLine, type Placer } from './placer';

export interface DataLines {
  readonly lines: readonly Component[];
  /** Machines without a disk of known size: nothing is counted for them. */
  readonly withoutDisk: number;
}

interface Held {
  readonly laid: LaidMachine;
  /** Whole GiB: volumes are made so. */
  readonly gib: number;
}

export function dataLines(
  placer: Placer,
  laid: readonly LaidMachine[],
  placement: FleetPlacement,
  place: Place,
  part: string,
): DataLines {
  const going = laid.filter(({ unfit }) => unfit === null);
  const ratio = placement.form.by === 'hosts' ? placement.form.storageRatio : 1;
  const held: Held[] = [];
  let withoutDisk = 0;
  for (const each of going) {
    const gib = volumeOf(each, placement) / ratio;
    if (gib > 0) held.push({ laid: each, gib: Math.max(1, Math.ceil(gib - 1e-9)) });
    else withoutDisk += 1;
  }
  const { fastFrom } = placement.disks;
  const isFast = ({ laid: { machine } }: Held): boolean =>
    fastFrom !== null && (machine.iops?.value ?? -1) >= fastFrom;
  const lines = [
    ...volumes(
      placer,
      held.filter((each) => !isFast(each)),
      placement,
      place,
      { id: `${part}-disk`, fast: false },
    ),
    ...volumes(placer, held.filter(isFast), placement, place, { id: `${part}-fast`, fast: true }),
    ...copies(placer, held, placement, place, `${part}-copies`),
    ...sent(placer, going, placement, place, `${part}-out`),
  ];
  return { lines, withoutDisk };
}

/** Where only one of both is known, that one is taken. */
function volumeOf({ machine: { storage, stored } }: LaidMachine, { disks }: FleetPlacement): number {
  const [first, second] = disks.by === 'used' ? [stored, storage] : [storage, stored];
  return (first ?? second)?.value ?? 0;
}

function volumes(
  placer: Placer,
  held: readonly Held[],
  { disks }: FleetPlacement,
  place: Place,
  { id, fast }: { readonly id: string; readonly fast: boolean },
): Component[] {
  return inLines(held, disks.pooled).map((some, at) => {
    const lineId = at === 0 ? id : `${id}-${at + 1}`;
    const gib = some.map((each) => each.gib);
    const usage = { capacity: { ...amountOf(gib, disks.pooled), unit: 'GiB' } };
    const name = fast ? 'Disks with low delay' : 'Disks';
    const line = fleetLine('block-volume', place, lineId, { name, sku: null, usage });
    const isMedium = ({ attributes }: { attributes?: Readonly<Record<string, string>> }): boolean =>
      disks.medium === 'cheapest' || attributes?.medium === disks.medium;
    const offer =
      (fast && placer.cheapest(line, ({ attributes }) => attributes?.delay === 'low')) ||
      placer.cheapest(line, isMedium) ||
      placer.cheapest(line, () => true);
    for (const { laid, gib: weight } of some) laid.portions.push({ line: lineId, weight });
    return { ...line, choice: offer ? { by: 'sku', sku: offer.sku } : { by: 'none' } };
  });
}

/** Sizes that one line of a design may list; a line more for those beyond. */
const MOST_SIZES = 2000;

function inLines(held: readonly Held[], pooled: boolean): (readonly Held[])[] {
  if (held.length === 0) return [];
  const sizes = [...new Set(held.map(({ gib }) => gib))].sort((a, b) => a - b);
  if (pooled || sizes.length <= MOST_SIZES) return [held];
  const lineOf = new Map(sizes.map((size, at) => [size, Math.floor(at / MOST_SIZES)]));
  const lines: Held[][] = [];
  for (const each of held) (lines[lineOf.get(each.gib)!] ??= []).push(each);
  return lines;
}

/** One by one, like ones counted together; or all as one. */
function amountOf(
  gib: readonly number[],
  pooled: boolean,
): { readonly amount: { readonly likely: string }; readonly sizes?: readonly SizeRow[] } {
  const amount = { likely: decimal(String(gib.reduce((sum, each) => sum + each, 0))).toString() };
  if (pooled) return { amount };
  const counts = new Map<number, number>();
  for (const each of gib) counts.set(each, (counts.get(each) ?? 0) + 1);
  const sizes = [...counts]
    .sort(([a], [b]) => a - b)
    .map(([size, count]) => ({ count: String(count), amount: String(size) }));
  return { amount, sizes };
}

function copies(
  placer: Placer,
  held: readonly Held[],
  { disks }: FleetPlacement,
  place: Place,
  id: string,
): Component[] {
  if (disks.snapshots <= 0 || held.length === 0) return [];
  const all = held.reduce((sum, { gib }) => sum + gib, 0);
  const likely = decimal(String(all)).times(String(disks.snapshots)).toDecimalPlaces(6).toString();
  const usage = { stored: { amount: { likely }, unit: 'GiB' } };
  const line = fleetLine('snapshot', place, id, { name: 'Copies of disks', sku: null, usage });
  const offer = placer.cheapest(line, () => true);
  for (const { laid, gib } of held) laid.portions.push({ line: id, weight: gib });
  return [{ ...line, choice: offer ? { by: 'sku', sku: offer.sku } : { by: 'none' } }];
}

function sent(
  placer: Placer,
  going: readonly LaidMachine[],
  { leaving }: FleetPlacement,
  place: Place,
  id: string,
): Component[] {
  const sending = going.filter(({ machine }) => (machine.sent?.value ?? 0) > 0);
  if (leaving <= 0 || sending.length === 0) return [];
  const all = sending.reduce((sum, { machine }) => sum + machine.sent!.value, 0);
  // To the kilobyte: a file writes no more digits.
  const likely = decimal(all.toPrecision(12)).times(String(leaving)).toDecimalPlaces(6).toString();
  const usage = { transferred: { amount: { likely }, unit: 'GB' } };
  const line = fleetLine('transfer-out', place, id, { name: 'Sent out', sku: null, usage });
  const offer = placer.cheapest(line, () => true);
  for (const each of sending) each.portions.push({ line: id, weight: each.machine.sent!.value });
  return [{ ...line, choice: offer ? { by: 'sku', sku: offer.sku } : { by: 'none' } }];
}
