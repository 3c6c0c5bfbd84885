/**
 * One machine under a placement at a place, before it is known what stands beside it: what it needs, which size it takes,
 * why none. It is the same in every group, so it is found once for all of them. Source: pricing rules, "Match"; needs L7,
 * M7, M8.
 */
import type { Offer } from '@/engine/books';
import type { LicenceChoice, Place } from '@/engine/design';
import type { UnfitWhy } from './laid';
import type { Machine } from './model';
import type { FleetPlacement } from './placement';
import { needOf, type SizedNeed, sizedNeed } from './sizing-rule';
import { licencesNeeded } from './licences-needed';
import type { Systems } from './systems';
import type { FleetMatcher } from './matcher';

export interface MachineAlone {
  readonly need: SizedNeed;
  readonly offer: Offer | null;
  readonly licences: readonly LicenceChoice[];
  readonly unfit: UnfitWhy | null;
  /** Nobody said what its system or one of its licences means: nothing is counted for it. */
  readonly isUnmapped: boolean;
}

/** What machines are asked with. */
interface Asked {
  readonly world: { readonly systems: Systems; readonly licences?: Systems };
  matcher(place: Place, kind: 'server' | 'dedicated-host'): FleetMatcher | undefined;
  licencesOf(products: readonly LicenceChoice[]): readonly LicenceChoice[];
}

/** What a machine's own answer hangs on; names, disks and traffic are not among it. */
function keyOf(placement: FleetPlacement, place: Place): string {
  const { rule, least, allowed, form, licences, softwareLicences, term } = placement;
  return JSON.stringify([rule, least, allowed, form.by, licences, softwareLicences, term, place]);
}

/** As installed, by the rule and as if measured, of one placement at a time. */
const WAYS_KEPT = 5;

/** Kept for the last few ways, so that a hundred thousand machines under many placements do not fill the memory. */
export class MachinesAlone {
  private readonly kept = new Map<string, WeakMap<Machine, MachineAlone>>();

  /** Answers machine by machine; the placement and the place are looked at once. */
  under(placer: Asked, placement: FleetPlacement, place: Place): (machine: Machine) => MachineAlone {
    const key = keyOf(placement, place);
    const known = this.kept.get(key) ?? new WeakMap<Machine, MachineAlone>();
    this.kept.delete(key);
    this.kept.set(key, known);
    const [oldest] = this.kept.keys();
    if (this.kept.size > WAYS_KEPT && oldest !== undefined) this.kept.delete(oldest);
    return (machine) => {
      const found = known.get(machine);
      if (found) return found;
      const made = aloneUnder(placer, machine, placement, place);
      known.set(machine, made);
      return made;
    };
  }
}

function aloneUnder(placer: Asked, machine: Machine, placement: FleetPlacement, place: Place): MachineAlone {
  const { rule, least, allowed, form, term } = placement;
  const need = atLeast(sizedNeed(machine, rule), least);
  const needed = licencesNeeded(machine, placement, placer.world);
  const licences = placer.licencesOf(needed.products);
  const made = (offer: Offer | null, unfit: UnfitWhy | null): MachineAlone => ({
    need,
    offer,
    licences,
    unfit,
    isUnmapped: needed.isUnmapped,
  });
  if (needed.isNotSold) return made(null, 'system');
  // Where hosts are packed, which one it is shows later.
  if (form.by === 'hosts') return made(null, null);
  const matcher = placer.matcher(place, form.by === 'own-host' ? 'dedicated-host' : 'server');
  const wanted = needOf(need, allowed);
  const match = matcher?.match(wanted, term, licences);
  if (match) return made(match.offer, null);
  if (licences.length > 0 && matcher?.match(wanted, term)) return made(null, 'licence');
  return made(
    null,
    term !== 'on-demand' && matcher?.match(wanted, 'on-demand', licences) ? 'term' : 'no-size',
  );
}

function atLeast(need: SizedNeed, least: FleetPlacement['least']): SizedNeed {
  if (Number(need.vcpu) >= least.vcpu && Number(need.memory) >= least.memory) return need;
  return {
    ...need,
    vcpu: Number(need.vcpu) < least.vcpu ? String(least.vcpu) : need.vcpu,
    memory: Number(need.memory) < least.memory ? String(least.memory) : need.memory,
  };
}
