/** Machines of one size in every form: how many of an offer have the capacity, and what does not fit. */
import { decimal } from '@/engine/base';
import type { Offer } from '@/engine/books';
import type { Component, Place } from '@/engine/design';
import { bestOfEditions, leftOut, type BuyingPlace } from './best-of-editions';
import type { MachineForm } from './form-data';
import type { FormRow, MachineWish } from './model';

const OFFICE: Component['running'] = {
  pattern: 'days',
  hoursPerDay: { likely: '10' },
  daysPerMonth: { likely: '22' },
};
/** How much of the time it sleeps where nothing else is known. */
const ASLEEP: Component['running'] = {
  pattern: 'asleep',
  share: { likely: '0.8' },
  wakeUps: { likely: '0' },
  idleMinutes: { likely: '0' },
};

function objection(form: MachineForm, { ownSystem, ownHardware, licence }: MachineWish): string | null {
  if (ownSystem === true && !form.ownSystem) return 'The provider runs the system.';
  if (ownSystem === false && form.ownSystem) return 'You would run the system yourself.';
  if (ownHardware === true && !form.ownHardware) return 'Others are on the same hardware.';
  if (licence === 'included' && form.ownEngine) return 'The engine’s licence is yours there.';
  if (ownHardware === false && form.ownHardware) return 'The whole machine is paid, used or not.';
  return null;
}

/** Servers, hosts and what the provider runs, at the size asked for. */
export function machineForms(wish: MachineWish, forms: readonly MachineForm[], shop: BuyingPlace): FormRow[] {
  return forms.flatMap((form) => {
    const against = objection(form, wish);
    if (against) return [leftOut(form, against)];
    const candidate = (offer: Offer) => {
      const count = licenceFits(offer, wish) ? countOf(form, offer, wish) : null;
      if (!count) return null;
      const sleeps = form.sleeps || offer.capabilities?.includes('sleeps') === true;
      const component = componentOf(form, offer, wish, shop.place, count, sleeps, shop.newId());
      const awake = wish.running === 'asleep' && !sleeps ? 'It cannot sleep, so it is priced always on.' : '';
      const own = wish.licence === 'brought' ? 'What your licence costs is not in the amount.' : '';
      return { component, note: [form.note, awake, own].filter(Boolean).join(' ') };
    };
    return bestOfEditions(form, shop, candidate, NONE[wish.licence ?? 'any']);
  });
}

const NONE = {
  any: undefined,
  included: 'Nothing of this size has its licence in the rate here.',
  brought: 'Nothing of this size lets you bring a licence here.',
} as const;

/** An offer that lets one bring a licence has none in its rate, where it is sold for an engine. */
function licenceFits({ capabilities, kind }: Offer, { licence, job }: MachineWish): boolean {
  const brings = capabilities?.includes('bring-licence') === true;
  if (licence === 'brought') return brings;
  return licence !== 'included' || job === 'compute' || kind !== 'relational-database' || !brings;
}

/** How many of the offer have the capacity; null: it cannot. */
function countOf(form: MachineForm, offer: Offer, { vcpu, memory, count }: MachineWish): string | null {
  const [v, m, n] = [decimal(vcpu), decimal(memory), decimal(count)];
  if (form.size === 'free') return count;
  if (offer.vcpu === null || offer.memory === null || offer.vcpu.isZero() || offer.memory.isZero())
    return null;
  if (form.size === 'shared-out') {
    const hosts = [v.times(n).dividedBy(offer.vcpu).ceil(), m.times(n).dividedBy(offer.memory).ceil()];
    return (hosts[0]!.greaterThan(hosts[1]!) ? hosts[0]! : hosts[1]!).toString();
  }
  return offer.vcpu.greaterThanOrEqualTo(v) && offer.memory.greaterThanOrEqualTo(m) ? count : null;
}

function componentOf(
  form: MachineForm,
  offer: Offer,
  wish: MachineWish,
  place: Place,
  count: string,
  sleeps: boolean,
  id: string,
): Component {
  const running = wish.running === 'office' ? OFFICE : wish.running === 'asleep' && sleeps ? ASLEEP : ALWAYS;
  return {
    id,
    name: form.label,
    kind: form.kind,
    count: { likely: count },
    place,
    choice: { by: 'sku', sku: offer.sku },
    running,
    usage: {},
    term: 'on-demand',
    ...(form.size === 'free'
      ? { size: { vcpu: { likely: wish.vcpu }, memory: { likely: wish.memory } } }
      : {}),
  };
}

const ALWAYS: Component['running'] = { pattern: 'always' };
