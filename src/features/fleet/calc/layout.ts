/**
 * Lays machines out at a place under a placement: the lines of a design that they become (like machines counted together,
 * their disks, what they send), and for each machine which part of which line is its own. The lines are priced by the
 * engine like any design, so that free amounts, tiers and least quantities count over all of them. Source: pricing rules,
 * "Fleet"; needs L7, M6 to M8, M12, I16.
 */
import type { Offer } from '@/engine/books';
import type { Component, Place, Section } from '@/engine/design';
import { dataLines } from './data-lines';
import { hostLines } from './host-lines';
import type { FleetPart, HostsUsed, LaidMachine, Layout } from './laid';
import type { FleetPlacement } from './placement';
import { fleetLine, type Placer } from './placer';

/** Told after so many machines. */
const EVERY = 2000;

/**
 * Every so many machines it says how many are done. A machine stands in one part at most.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const place = { book: 'small', region: 'severn' };
 * laying(placer, [], defaultPlacement('p', 'Here', [place]), place).next().value.sections; // => []
 */
export function* laying(
  placer: Placer,
  parts: readonly FleetPart[],
  placement: FleetPlacement,
  place: Place,
): Generator<number, Layout> {
  const counts = { off: 0, unmeasured: 0, unmapped: 0, withoutDisk: 0 };
  const machines = new Map<string, LaidMachine>();
  const sections: Section[] = [];
  let hosts: HostsUsed | null = null;
  const alone = placer.alone.under(placer, placement, place);
  let done = 0;
  for (const part of parts) {
    let laid: LaidMachine[] = [];
    for (const machine of part.machines) {
      done += 1;
      if (done % EVERY === 0) yield done;
      if (placement.withoutOff && machine.power === 'off') {
        counts.off += 1;
        continue;
      }
      const { need, offer, licences, unfit, isUnmapped } = alone(machine);
      if (isUnmapped) counts.unmapped += 1;
      laid.push({ machine, need, offer, licences, unfit, portions: [] });
    }
    const lines: Component[] = [];
    if (placement.form.by === 'hosts') {
      const packed = hostLines(placer, laid, {
        placement,
        form: placement.form,
        place,
        id: `${part.id}-host`,
      });
      lines.push(...packed.lines);
      hosts = packed.used;
      laid = [...packed.laid];
    } else lines.push(...serverLines(laid, placement, place, part.id));
    const data = dataLines(placer, laid, placement, place, part.id);
    counts.withoutDisk += data.withoutDisk;
    sections.push({ id: part.id, name: part.name, components: [...lines, ...data.lines] });
    for (const each of laid) {
      const { need, machine } = each;
      if (need.cpuBy === 'fallback' || need.memoryBy === 'fallback') counts.unmeasured += 1;
      machines.set(machine.id, each);
    }
  }
  return { placement, place, sections, machines, hosts, counts };
}

/** Like machines counted together: of one size, with the same licences. In the order of their SKU. */
function serverLines(
  laid: readonly LaidMachine[],
  placement: FleetPlacement,
  place: Place,
  part: string,
): Component[] {
  const kind = placement.form.by === 'own-host' ? 'dedicated-host' : 'server';
  const bySize = new Map<string, { offer: Offer; own: LaidMachine[] }>();
  for (const each of laid) {
    if (!each.offer) continue;
    const key = `${each.offer.sku}\n${productsOf(each)}`;
    const kept = bySize.get(key) ?? { offer: each.offer, own: [] };
    kept.own.push(each);
    bySize.set(key, kept);
  }
  return [...bySize]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, { offer, own }], at) => {
      const id = `${part}-${at + 1}`;
      for (const each of own) each.portions.push({ line: id, weight: 1 });
      const { licences } = own[0]!;
      const products = productsOf(own[0]!);
      return fleetLine(kind, place, id, {
        name: products ? `${offer.name}, with ${products}` : offer.name,
        count: own.length,
        sku: offer.sku,
        term: placement.term,
        ...(licences.length > 0 ? { licences } : {}),
      });
    });
}

const productsOf = ({ licences }: LaidMachine): string =>
  licences.map(({ product }) => product).join(' and ');
