/** Spend commitments, clock hour by clock hour. Rules 2 and 3. */
import type { Case } from '@/engine/usage';
import { afterSpend, inHour } from './above';
import { committedPart } from './amounts';
import { firstPrice } from './charge';
import { type Fraction, ONE, ZERO, sum } from './fraction';
import { perHourOf } from './running';
import {
  type Demand,
  type Owner,
  type Part,
  type Rest,
  type Scene,
  earlier,
  monthsOf,
  rateOf,
  plainPart,
} from './shapes';
import { type Kind, WEEK, clockHours, read, unitHours } from './week';

/** Rules 2 and 3: one after the other, clock hour by clock hour, what saves most first. Changes `rests`. */
export function spendCommitments(
  scene: Scene,
  owners: readonly Owner[],
  demands: ReadonlyMap<string, readonly Demand[]>,
  rests: Map<Demand, Rest>,
): { paid: Map<Demand, Part[]>; unused: Map<string, Fraction> } {
  const paid = new Map<Demand, Part[]>();
  const unused = new Map<string, Fraction>();
  const commitments = owners.flatMap((owner) => {
    const { component } = owner;
    const entry = component.usage.committed;
    const [demand] = demands.get(component.id)!;
    if (component.kind !== 'spend-commitment' || !entry || !demand?.committed) return [];
    const months = monthsOf(component.term);
    const term = months === null ? '' : `spend-${component.term.replace('-exchangeable', '')}`;
    const members = [...rests].flatMap(([each, rest]) => buyable(each, rest, owner, term) ?? []);
    const before = sum(members.map((each) => each.onDemand.times(unitHours(rests.get(each.demand)!.kinds!))));
    const after = sum(members.map((each) => each.committed.times(unitHours(rests.get(each.demand)!.kinds!))));
    const saving = before.isZero ? ZERO : ONE.minus(after.over(before));
    const perHour = read(entry.amount, scene.which).times(owner.count);
    return [{ owner, term, perHour, saving, part: committedPart(scene, demand, ZERO) }];
  });
  commitments.sort((a, b) => b.saving.compare(a.saving) || earlier(a.owner, b.owner));
  for (const { owner, term, perHour, part } of commitments) {
    const members = [...rests].flatMap(([each, rest]) => buyable(each, rest, owner, term) ?? []);
    members.sort(
      (a, b) =>
        a.committed.times(b.onDemand).compare(b.committed.times(a.onDemand)) || (a.id < b.id ? -1 : 1),
    );
    const money = perHour.times(owner.month);
    const cost = money.isZero ? ONE : part.monthly.over(money);
    const ahead = part.monthly.isZero ? ZERO : ONE.minus(part.recurring.over(part.monthly));
    const { covered, lost, kinds } = spend(
      perHour,
      members.map((each) => ({ ...each, kinds: rests.get(each.demand)!.kinds! })),
    );
    members.forEach((member, index) => {
      if (covered[index]!.isZero) return;
      const month = covered[index]!.times(member.demand.owner.month).over(WEEK);
      const amount = month.times(member.committed).times(cost);
      const row = boughtPart(member.demand, term, amount, owner, ahead);
      paid.set(member.demand, [...(paid.get(member.demand) ?? []), row]);
      rests.set(member.demand, afterSpend(member.demand, rests.get(member.demand)!, kinds[index]!));
    });
    unused.set(owner.component.id, perHour.isZero ? ONE : lost.over(perHour.times(WEEK)));
  }
  return { paid, unused };
}

export interface Member {
  readonly id: string;
  readonly demand: Demand;
  readonly committed: Fraction;
  readonly onDemand: Fraction;
}

/** What a spend commitment may buy: running time on demand that is sold at its committed price. */
export function buyable(demand: Demand, rest: Rest, payer: Owner, term: string): Member | null {
  const { owner, meter, quantity, rate } = demand;
  if (owner.book !== payer.book || !quantity.running || !rest.kinds) return null;
  if (owner.component.term === 'interruptible') return null;
  const found = rateOf(owner, meter.meter, term);
  if (!found) return null;
  const price = firstPrice(found.charge, owner.parts);
  if (!price) return null;
  const asked = {
    component: owner.component,
    offer: owner.offer,
    meter,
    rate: found,
    count: owner.count,
    month: owner.month,
    which: 'likely' as Case,
  };
  return {
    id: `${owner.component.id}\n${meter.meter}`,
    demand,
    committed: price.times(perHourOf(asked)),
    onDemand: (firstPrice(rate.charge, owner.parts) ?? ZERO).times(quantity.running.perHour),
  };
}

/** Clock hour by clock hour, over the kinds of weeks of all members at once. */
export function spend(perHour: Fraction, members: readonly (Member & { kinds: readonly Kind[] })[]) {
  const ends: Fraction[] = [ONE];
  for (const { kinds } of members) {
    let end = ZERO;
    for (const { share } of kinds) {
      end = end.plus(share);
      if (!ends.some((each) => each.compare(end) === 0)) ends.push(end);
    }
  }
  ends.sort((a, b) => a.compare(b));
  const covered = members.map(() => ZERO);
  const after: Kind[][] = members.map(() => []);
  let lost = ZERO;
  ends.forEach((end, index) => {
    const share = end.minus(ends[index - 1] ?? ZERO);
    const weeks = members.map(({ kinds }) => clockHours(weekBefore(kinds, end)));
    const left: { from: Fraction; to: Fraction; units: Fraction }[][] = members.map(() => []);
    for (let hour = 0; hour < 168; hour += 1) {
      let money = perHour;
      members.forEach(({ committed }, at) => {
        const steps = weeks[at]![hour]!;
        const wanted = inHour(steps);
        const all = committed.times(wanted).compare(money) <= 0;
        const bought = wanted.isZero ? ZERO : all ? wanted : money.over(committed);
        money = all ? money.minus(committed.times(wanted)) : ZERO;
        covered[at] = covered[at]!.plus(share.times(bought));
        const keeps = wanted.isZero ? ONE : wanted.minus(bought).over(wanted);
        left[at]!.push(...steps.map((step) => ({ ...step, units: step.units.times(keeps) })));
      });
      lost = lost.plus(share.times(money));
    }
    left.forEach((steps, at) => after[at]!.push({ share, steps }));
  });
  return { covered, lost, kinds: after };
}

export function weekBefore(kinds: readonly Kind[], end: Fraction): Kind['steps'] {
  let reached = ZERO;
  for (const { share, steps } of kinds) {
    reached = reached.plus(share);
    if (end.compare(reached) <= 0) return steps;
  }
  throw new Error('the shares of weeks make less than one');
}

export function boughtPart(
  { meter, rate }: Demand,
  term: string,
  amount: Fraction,
  by: Owner,
  share: Fraction,
): Part {
  const ahead = amount.times(share);
  return {
    ...plainPart(meter.meter, rate.unit, amount, { structure: 'per-unit', price: '0' }),
    term,
    recurring: amount.minus(ahead),
    bought: { by, ahead },
  };
}
