/**
 * A second pricing of a whole design, written from the pricing rules alone: plain, exact, without caches, and unable to
 * explain itself. It is the specification in code; the core must give the same amounts. "Rule n" is a point of "Where
 * two rules meet".
 */
import type { Component, Design } from '@/core/design';
import type { Agreement, Term } from '@/core/terms';
import type { Case } from '@/core/usage';
import type { OfferRow, PriceBookFile, RateRow } from '@/formats';
import { chargeOf, type ChargeRow, firstPrice, type Parts } from './charge';
import { f, type Fraction, least, most, ONE, sum, ZERO } from './fraction';
import { KINDS, type Meter, metersOf } from './kinds';
import {
  hoursOf,
  monthHours,
  perHourOf,
  type Quantity,
  quantityOf,
  type Running,
  unitsByHours,
  type UnitsFor,
} from './quantity';
import { convert } from './units';
import { change, clockHours, type Kind, read, Refused, unitHours, WEEK } from './week';

export interface When {
  /** 0 is the first month. */
  readonly month: number;
  readonly date: string | null;
}

export interface ReferenceLine {
  readonly id: string;
  readonly monthly: Fraction;
  readonly list: Fraction;
  readonly resale: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
  readonly once: Fraction;
  /** Of its month, what other lines paid ahead. */
  readonly ahead: readonly { readonly by: string; readonly amount: Fraction }[];
  readonly committed: {
    readonly months: number;
    readonly recurring: Fraction;
    readonly upfront: Fraction;
  } | null;
  readonly early: RateRow['early'] | null;
}

export interface ReferencePriced {
  /** Null: it has no amount. */
  readonly lines: ReadonlyMap<string, ReferenceLine | null>;
  readonly monthly: Fraction;
  readonly list: Fraction;
  readonly resale: Fraction;
  readonly gross: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
}

const COMMITTED = /^(12|36)-(none|part|all)(-exchangeable)?$/;

function monthsOf(term: Term): number | null {
  const match = COMMITTED.exec(term);
  return match ? Number(match[1]) : null;
}

interface Owner {
  readonly component: Component;
  readonly book: PriceBookFile;
  readonly offer: OfferRow;
  readonly region: string;
  readonly count: Fraction;
  readonly month: Fraction;
  readonly parts: Parts | null;
}

/** Committed units of one meter: what is paid every hour. */
interface Committed {
  readonly rate: RateRow;
  /** Committed units, and those that only the least number adds. */
  readonly units: Fraction;
  readonly missing: Fraction;
  readonly least: Fraction;
  /** What they are charged for, in the rate's unit. */
  readonly amount: Fraction;
  readonly quantity: Quantity;
  /** False: the meter is no running time, and committed as a whole. */
  readonly byTheHour: boolean;
}

interface Demand {
  readonly owner: Owner;
  readonly meter: Meter;
  readonly rate: RateRow;
  readonly quantity: Quantity;
  /** What is promised, and (unless that is nothing) what it takes off the use. */
  readonly promised: Committed | null;
  readonly committed: Committed | null;
}

/** A part of a line, in the book's currency. */
interface Part {
  readonly meter: string;
  readonly unit: string;
  readonly term: string;
  readonly monthly: Fraction;
  readonly recurring: Fraction;
  readonly upfront: Fraction;
  readonly once: Fraction;
  /** Whose money pays it, and how much of it left ahead. */
  readonly bought: { readonly by: Owner; readonly ahead: Fraction } | null;
  readonly committed: ReferenceLine['committed'];
  readonly early: RateRow['early'] | null;
  /** The month at agreed prices; null: none. */
  readonly at: ((charge: ChargeRow) => Fraction) | null;
}

export function referencePrice(
  design: Design,
  books: readonly PriceBookFile[],
  which: Case,
  when?: When,
): ReferencePriced {
  const { start } = design.assumptions;
  const at = when ?? { month: 0, date: start ? `${start}-01` : null };
  return new Pricing(design, books, which, at).price();
}

class Pricing {
  private readonly lines = new Map<string, ReferenceLine | null>();
  /** Contracted, in the book's currency and in the design's. */
  private readonly spent = new Map<string, { inBook: Fraction; inDesign: Fraction }>();

  constructor(
    private readonly design: Design,
    private readonly books: readonly PriceBookFile[],
    private readonly which: Case,
    private readonly when: When,
  ) {}

  price(): ReferencePriced {
    const components = this.design.sections.flatMap((section) => section.components);
    const owners: Owner[] = [];
    const demands = new Map<string, Demand[]>();
    for (const component of components) {
      this.attempt(component.id, () => {
        if (component.kind === 'custom') {
          this.write(component, null, this.ownLine(component));
          return;
        }
        const owner = this.owner(component);
        const own = this.demands(owner);
        this.exchange(owner.book.book.currency);
        owners.push(owner);
        demands.set(component.id, own);
      });
    }
    const isShare = (owner: Owner): boolean =>
      demands.get(owner.component.id)!.some(({ rate }) => rate.charge.structure === 'share-of-spend');
    const plain = owners.filter((owner) => !isShare(owner));
    const parts = this.partsOf(plain, demands);
    for (const owner of plain) {
      this.attempt(owner.component.id, () => {
        const own = parts.get(owner.component.id)!;
        if (own instanceof Refused) throw own;
        this.write(owner.component, owner, own);
      });
    }
    this.shares(owners.filter(isShare), demands);
    return this.totals(components);
  }

  private attempt(id: string, work: () => void): void {
    try {
      work();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      this.lines.set(id, null);
    }
  }

  private totals(components: readonly Component[]): ReferencePriced {
    const all = components.flatMap(({ id }) => this.lines.get(id) ?? []);
    const add = (take: (line: ReferenceLine) => Fraction): Fraction => sum(all.map(take));
    const { contingency, tax } = this.design.assumptions;
    const monthly = add((line) => line.monthly);
    return {
      lines: this.lines,
      monthly,
      list: add((line) => line.list),
      resale: add((line) => line.resale),
      gross: monthly.times(ONE.plus(f(contingency ?? '0'))).times(ONE.plus(f(tax ?? '0'))),
      recurring: add((line) => line.recurring),
      upfront: add((line) => line.upfront),
    };
  }

  // From a component to what it asks of its rates.

  private owner(component: Component): Owner {
    const { place, choice } = component;
    if (!place) throw new Refused('place.missing');
    const pin = this.design.books.find((each) => each.book === place.book);
    const book = this.books.find(
      (each) => each.book.key === pin?.book && each.revision.number === pin.revision,
    );
    if (!book || !book.regions.some(({ code }) => code === place.region)) throw new Refused('place');
    const count = read(component.count, this.which);
    const { size } = component;
    const parts = size && {
      vcpu: read(size.vcpu, this.which),
      memory: read(size.memory, this.which),
      gpu: size.gpu ? read(size.gpu, this.which) : null,
    };
    const base = {
      component,
      book,
      region: place.region,
      count,
      month: this.monthOf(book),
      parts: parts ?? null,
    };
    if (choice.by === 'none') throw new Refused('choice.missing');
    const offer = choice.by === 'sku' ? this.named(base, choice.sku) : this.cheapest(base);
    const owner = { ...base, offer };
    checkSize(owner);
    return owner;
  }

  private named(base: Omit<Owner, 'offer'>, sku: string): OfferRow {
    const offer = base.book.offers.find((each) => each.sku === sku);
    if (!offer || offer.kind !== base.component.kind || offer.lifecycle === 'announced')
      throw new Refused('offer');
    if (!sold(base, offer)) throw new Refused('offer.not-in-region');
    return offer;
  }

  /** Rule 11: what the whole line would really pay, by itself. */
  private cheapest(base: Omit<Owner, 'offer'>): OfferRow {
    const { choice } = base.component;
    if (choice.by !== 'cheapest') throw new Refused('choice');
    const { need } = choice;
    let best: { offer: OfferRow; cost: Fraction } | null = null;
    for (const offer of base.book.offers) {
      if (offer.kind !== base.component.kind || !sold(base, offer)) continue;
      const fits =
        f(offer.vcpu ?? '0').compare(f(need.vcpu)) >= 0 &&
        f(offer.memory ?? '0').compare(f(need.memory)) >= 0 &&
        (!need.family || offer.family === need.family) &&
        (!offer.burstable || need.allowBurstable) &&
        (offer.lifecycle === 'current' || (offer.lifecycle === 'retiring' && need.allowRetiring)) &&
        (need.capabilities ?? []).every((each) => offer.capabilities?.includes(each)) &&
        Object.entries(need.attributes ?? {}).every(([name, value]) => offer.attributes?.[name] === value);
      if (!fits) continue;
      try {
        const owner = { ...base, offer };
        checkSize(owner);
        const demands = new Map([[base.component.id, this.demands(owner)]]);
        const own = this.partsOf([owner], demands, false).get(base.component.id)!;
        if (own instanceof Refused) continue;
        const cost = sum(own.map((part) => this.contracted(part, owner.component, owner).monthly));
        if (!best || isCheaper(cost, offer, best.cost, best.offer)) best = { offer, cost };
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
      }
    }
    if (!best) throw new Refused('need.nothing-fits');
    return best.offer;
  }

  private monthOf(book: PriceBookFile): Fraction {
    const { month } = this.design.assumptions;
    if (month.hours === 'book') return f(book.book.monthHours);
    if (month.hours !== 'calendar') return f(month.hours);
    // Whole days between the first of this month and the first of the next.
    const days =
      (Date.UTC(month.year, month.month, 1) - Date.UTC(month.year, month.month - 1, 1)) / 86_400_000;
    return f(days * 24);
  }

  private demands(owner: Owner): Demand[] {
    const { component, offer } = owner;
    const { term } = component;
    const licences = component.licences ?? [];
    for (const { product, how } of licences) {
      if (how === 'brought' && !offer.capabilities?.includes('bring-licence')) throw new Refused('licence');
      if (how === 'included' && !rateOf(owner, `licence.${product}`, 'on-demand'))
        throw new Refused('licence');
    }
    const found: Demand[] = [];
    let committedMeters = 0;
    let interruptible = false;
    for (const meter of metersOf(component.kind, licences)) {
      const listed =
        term === 'interruptible'
          ? (rateOf(owner, meter.meter, 'interruptible') ?? rateOf(owner, meter.meter, 'on-demand'))
          : rateOf(owner, meter.meter, 'on-demand');
      const rate = listed && this.inCase(listed);
      const promised = monthsOf(term) === null ? undefined : rateOf(owner, meter.meter, term);
      if (!rate && !promised) {
        if (!meter.required && !component.usage[meter.meter]) continue;
        throw new Refused('rate.missing');
      }
      if (rate?.term === 'interruptible') interruptible = true;
      const asked = { component, offer, meter, count: owner.count, month: owner.month, which: this.which };
      const quantity = rate ? (quantityOf({ ...asked, rate }) ?? { amount: ZERO }) : null;
      const committed = promised ? this.committed(owner, meter, promised, rate ?? null, quantity) : null;
      if (committed) committedMeters += 1;
      found.push({
        owner,
        meter,
        // Without an on-demand rate nothing runs above; the committed rate stands in for what is never charged.
        rate: rate ?? promised!,
        quantity: quantity ?? { amount: ZERO },
        promised: committed,
        // Nothing committed: all of it is on demand.
        committed: committed?.byTheHour && committed.units.plus(committed.missing).isZero ? null : committed,
      });
    }
    if (monthsOf(term) !== null && committedMeters === 0) throw new Refused('term.not-offered');
    if (found.length === 0 || (term === 'interruptible' && !interruptible))
      throw new Refused('term.not-offered');
    return found;
  }

  /** An interruptible price moves with the case. */
  private inCase(rate: RateRow): RateRow {
    if (!rate.range || this.which === 'likely') return rate;
    const price = this.which === 'lean' ? rate.range.low : rate.range.high;
    return { ...rate, charge: { structure: 'per-unit', price } };
  }

  /** Rule 5: units bought, committed or not, are counted together; what is missing is committed, once. */
  private committed(
    owner: Owner,
    meter: Meter,
    rate: RateRow,
    onDemand: RateRow | null,
    demanded: Quantity | null,
  ): Committed {
    const { component, offer, count, month } = owner;
    const asked = { component, offer, meter, rate, count, month, which: this.which };
    const own = quantityOf(asked);
    if (!own) throw new Refused('usage.missing');
    if (!own.running) {
      const total = rate.minimums?.total;
      const amount = total == null || own.amount.isZero ? own.amount : most(own.amount, f(total));
      const quantity = { ...own, amount };
      return { rate, units: amount, missing: ZERO, least: ZERO, amount, quantity, byTheHour: false };
    }
    const used = demanded?.running?.used ?? own.running.used;
    const units = committedUnits(component, count, this.which);
    const floor = most(f(rate.minimums?.count ?? '0'), f(onDemand?.minimums?.count ?? '0'));
    const hours = used.flatMap(({ steps }) => clockHours(steps));
    const missing = hours.reduce((largest, hour) => {
      const running = inHour(hour);
      if (running.isZero && units.isZero) return largest;
      return most(largest, floor.minus(most(units, running)));
    }, ZERO);
    const paid = units.plus(missing);
    const amount = paid.times(month).times(own.running.perHour);
    const promised = {
      rate,
      units,
      missing,
      least: floor,
      amount,
      quantity: { ...own, amount },
      byTheHour: true,
    };
    if (
      !onDemand &&
      used.some(({ steps }) => above(promised, steps, ONE).some((step) => step.units.above0()))
    ) {
      throw new Refused('rate.missing');
    }
    return promised;
  }

  // From demands to the parts of lines, over all of them: rule 1.

  private partsOf(
    owners: readonly Owner[],
    demands: ReadonlyMap<string, readonly Demand[]>,
    together = true,
  ): Map<string, Part[] | Refused> {
    const all = owners.flatMap((owner) => demands.get(owner.component.id)!);
    const onDemand = all.filter(
      ({ rate, committed }) => (!committed || committed.byTheHour) && monthsOf(rate.term as Term) === null,
    );
    const left = this.leftByAllowances(onDemand, together ? owners : []);
    const rests = new Map(onDemand.map((demand) => [demand, restOf(demand, left.get(demand)!)]));
    const { paid, unused } = this.spendCommitments(owners, demands, rests);
    const amounts = this.tiers(onDemand, left, rests);
    const parts = new Map<string, Part[] | Refused>();
    for (const owner of owners) {
      const { id } = owner.component;
      try {
        const own = demands.get(id)!.flatMap((demand) => {
          const rows: Part[] = [];
          if (demand.promised) rows.push(this.committedPart(demand, left.get(demand)?.missing ?? ZERO));
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
    if (together) this.credits(owners, demands, parts);
    return parts;
  }

  /** Minimums of the month and allowances, by pool: rules 1, 5 and 9. */
  private leftByAllowances(demands: readonly Demand[], granting: readonly Owner[]): Map<Demand, Left> {
    const left = new Map<Demand, Left>();
    for (const demand of demands) {
      const { rate } = demand;
      const pool = poolOf(demand, demands);
      const inOwn = (other: Demand, amount: Fraction): Fraction =>
        amount.times(convert(other.rate.unit, rate.unit)!);
      const used = sum(pool.map((other) => inOwn(other, usedBy(other))));
      const bought = sum(pool.map((other) => inOwn(other, boughtBy(other))));
      const free = sum(
        pool.filter(({ committed }) => !committed).map((other) => inOwn(other, usedBy(other))),
      );
      const floor = rate.minimums?.total == null ? ZERO : f(rate.minimums.total);
      const missing = bought.isZero ? ZERO : most(ZERO, floor.minus(bought));
      const all = used.plus(bought.isZero ? ZERO : missing.times(free.over(bought)));
      const included = this.included(demand, demands, pool, granting);
      const share = all.isZero ? ONE : most(ZERO, all.minus(included)).over(all);
      const own = bought.isZero ? ZERO : missing.times(boughtBy(demand)).over(bought);
      left.set(demand, { share, missing: own });
    }
    return left;
  }

  private included(
    demand: Demand,
    demands: readonly Demand[],
    pool: readonly Demand[],
    granting: readonly Owner[],
  ): Fraction {
    const { rate } = demand;
    const { countAllowances, allowanceShare } = this.design.assumptions;
    if (!countAllowances) return ZERO;
    const ended = rate.allowanceMonths != null && this.when.month >= rate.allowanceMonths;
    const own = rate.allowance === null || ended ? ZERO : f(rate.allowance).times(f(allowanceShare ?? '1'));
    const wide = isPooled(rate) && rate.pool !== 'region';
    const skus = isPooled(rate) ? [...new Set(pool.map((other) => other.rate.sku))] : [rate.sku];
    const granted = sum(
      granting
        .filter((owner) => owner.book === demand.owner.book && (wide || owner.region === rate.region))
        .flatMap((owner) =>
          (owner.offer.grants ?? []).map((grant) => {
            const factor =
              grant.meter === rate.meter && skus.includes(grant.sku) && convert(grant.unit, rate.unit);
            return factor ? f(grant.amount).times(owner.count).times(factor) : ZERO;
          }),
        ),
    );
    if (isPooled(rate) || granted.isZero) return own.plus(granted);
    // Counted by component: the grant is shared out by quantity, once.
    const sharing = demands.filter(
      (other) =>
        !isPooled(other.rate) &&
        other.owner.book === demand.owner.book &&
        other.rate.sku === rate.sku &&
        other.rate.meter === rate.meter &&
        other.rate.region === rate.region,
    );
    const total = sum(sharing.map((other) => other.quantity.amount));
    return own.plus(total.isZero ? granted : granted.times(demand.quantity.amount).over(total));
  }

  /** Rules 2 and 3: one after the other, clock hour by clock hour, what saves most first. Changes `rests`. */
  private spendCommitments(
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
      const before = sum(
        members.map((each) => each.onDemand.times(unitHours(rests.get(each.demand)!.kinds!))),
      );
      const after = sum(
        members.map((each) => each.committed.times(unitHours(rests.get(each.demand)!.kinds!))),
      );
      const saving = before.isZero ? ZERO : ONE.minus(after.over(before));
      const perHour = read(entry.amount, this.which).times(owner.count);
      return [{ owner, term, perHour, saving, part: this.committedPart(demand, ZERO) }];
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

  /** What is on demand, at the tiers that the pool reaches, after sustained use, under caps: rules 4, 7, 9. */
  private tiers(
    demands: readonly Demand[],
    left: ReadonlyMap<Demand, Left>,
    rests: ReadonlyMap<Demand, Rest>,
  ): (demand: Demand, agreed?: ChargeRow) => Fraction {
    return (demand, agreed) => {
      const { rate, quantity, owner } = demand;
      const charge = agreed ?? rate.charge;
      const rest = rests.get(demand)!;
      const ranks = rest.ranks;
      const cap = rate.monthlyCap == null ? null : f(rate.monthlyCap);
      if (cap && ranks && charge.structure === 'per-unit') {
        const hourly = f(charge.price).times(convert('hour', rate.unit)!);
        return sum(
          ranks.map(({ units, hours }) => {
            const counted = rate.sustained ? sustained(hours, rate.sustained, owner.month) : hours;
            return units.times(least(counted.times(hourly), cap));
          }),
        );
      }
      const pool = poolOf(demand, demands);
      let amount: Fraction;
      if (pool.length === 1) amount = chargeOf(charge, rest.amount, quantity, owner.parts);
      else {
        const all = sum(
          pool.map((other) => rests.get(other)!.amount.times(convert(other.rate.unit, rate.unit)!)),
        );
        amount = all.isZero
          ? ZERO
          : chargeOf(charge, all, quantity, owner.parts).times(rest.amount).over(all);
      }
      if (ranks && rate.sustained) {
        const hours = hoursOf(ranks);
        const counted = sum(
          ranks.map((rank) => rank.units.times(sustained(rank.hours, rate.sustained!, owner.month))),
        );
        if (!hours.isZero) amount = amount.times(counted).over(hours);
      }
      return cap && ranks ? least(amount, cap.times(sum(ranks.map(({ units }) => units)))) : amount;
    };
  }

  private committedPart({ owner, meter, promised, quantity: demanded }: Demand, missing: Fraction): Part {
    const { rate, units, missing: few, amount, quantity, byTheHour } = promised!;
    const months = monthsOf(owner.component.term)!;
    // The minimum is stated in the on-demand rate's unit.
    const perHour = demanded.running?.perHour ?? ONE;
    const own = units.plus(few).times(owner.month).times(perHour);
    const times = byTheHour && !own.isZero ? own.plus(missing).over(own) : ONE;
    const filled = amount.times(times);
    const price = (charge: ChargeRow): Fraction => chargeOf(charge, filled, quantity, owner.parts);
    const recurring = price(rate.charge);
    const paidFor = (byTheHour ? units.plus(few) : units).times(times);
    const upfront = paidFor.times(f(rate.upfront ?? '0'));
    const isMoney = ['spend-commitment', 'prepaid-credit'].includes(owner.component.kind);
    return {
      meter: meter.meter,
      unit: rate.unit,
      term: rate.term,
      monthly: recurring.plus(upfront.over(f(months))),
      recurring,
      upfront,
      once: ZERO,
      bought: null,
      committed: { months, recurring, upfront },
      early: rate.early ?? null,
      at: isMoney ? null : price,
    };
  }

  /** Rule 2 for credits: each takes what the ones before did not pay, at list. Changes `parts`. */
  private credits(
    owners: readonly Owner[],
    demands: ReadonlyMap<string, readonly Demand[]>,
    parts: Map<string, Part[] | Refused>,
  ): void {
    for (const book of new Set(owners.map((owner) => owner.book))) {
      const here = owners.filter((owner) => owner.book === book);
      const credits = here.flatMap((owner) => {
        const own = parts.get(owner.component.id)!;
        const part = own instanceof Refused ? undefined : own.find(({ meter }) => meter === 'credit');
        const entry = owner.component.usage.credit;
        if (owner.component.kind !== 'prepaid-credit' || !part || !entry) return [];
        const amount = read(entry.amount, this.which).times(owner.count);
        const price = amount.isZero ? ONE : part.monthly.over(amount);
        const [demand] = demands.get(owner.component.id)!;
        const overage = (demand!.committed?.rate ?? demand!.rate).overage;
        return [{ owner, part, amount, price, overage }];
      });
      if (credits.length === 0) continue;
      credits.sort((a, b) => a.price.compare(b.price) || earlier(a.owner, b.owner));
      const no = ['prepaid-credit', 'spend-commitment', 'support-plan', 'custom'];
      const payers = here.filter(({ component }) => !no.includes(component.kind));
      const payable = (part: Part): boolean =>
        (part.term === 'on-demand' || part.term === 'interruptible') && part.once.isZero && !part.bought;
      const spend = sum(
        payers.flatMap(({ component }) => {
          const own = parts.get(component.id)!;
          return own instanceof Refused ? [] : own.filter(payable).map((part) => part.monthly);
        }),
      );
      let open = spend;
      const shares = credits.map(({ owner, part, amount, price }) => {
        const pays = least(open, amount);
        const share = spend.isZero ? ZERO : pays.over(spend);
        const lost = amount.isZero ? ZERO : most(ZERO, amount.minus(open)).over(amount);
        open = most(ZERO, open.minus(amount));
        const own = parts.get(owner.component.id) as Part[];
        parts.set(
          owner.component.id,
          own.map((each) => (each.meter === 'credit' ? scaledMonth(each, lost) : each)),
        );
        const ahead = part.monthly.isZero ? ZERO : ONE.minus(part.recurring.over(part.monthly));
        return { owner, share, price, ahead };
      });
      const beyond = ONE.minus(sum(shares.map(({ share }) => share)));
      const { overage } = credits[credits.length - 1]!;
      const dearer = overage == null ? ONE : f(overage);
      for (const { component } of payers) {
        const own = parts.get(component.id)!;
        if (own instanceof Refused) continue;
        parts.set(
          component.id,
          own.flatMap((part) => {
            if (!payable(part)) return [part];
            const paid = shares.map(({ owner, share, price, ahead }): Part => {
              const monthly = part.monthly.times(share).times(price);
              const early = monthly.times(ahead);
              return {
                ...part,
                term: owner.component.term,
                monthly,
                recurring: monthly.minus(early),
                bought: { by: owner, ahead: early },
                at: null,
              };
            });
            const { at } = part;
            const rest = part.monthly.times(beyond).times(dearer);
            const listed: Part = {
              ...part,
              monthly: rest,
              recurring: rest,
              at: at && ((charge) => at(charge).times(beyond)),
            };
            return [...paid.filter(({ monthly }) => !monthly.isZero), listed];
          }),
        );
      }
    }
  }

  // Agreements, own lines, shares of spend, currency.

  private inForce(): readonly Agreement[] {
    const { date } = this.when;
    return (this.design.agreements ?? []).filter(
      ({ from, to }) => date === null || ((from === null || from <= date) && (to === null || date <= to)),
    );
  }

  private narrowest(
    part: Part,
    component: Component,
    owner: Owner | null,
    what: 'discount' | 'margin',
  ): Agreement | null {
    const payer = what === 'discount' && part.bought ? part.bought.by : null;
    const { kind } = payer?.component ?? component;
    const meter = payer ? '' : part.meter;
    const term = payer ? payer.component.term : part.term;
    const sku = payer ? payer.offer.sku : (owner?.offer.sku ?? '');
    let best: { agreement: Agreement; rank: number } | null = null;
    for (const agreement of this.inForce()) {
      const { covers, discount } = agreement;
      if (what === 'margin' ? agreement.margin === null : discount === null) continue;
      if (what === 'discount' && discount!.by !== 'share') {
        if (discount!.meter !== meter || (discount!.term ?? 'on-demand') !== term) continue;
      }
      const lists: [readonly string[], string][] = [
        [covers.books, owner?.book.book.key ?? ''],
        [covers.categories, KINDS[kind]!.category],
        [covers.kinds, kind],
        [covers.skus, sku],
      ];
      if (lists.some(([list, value]) => list.length > 0 && !list.includes(value))) continue;
      const rank = lists.reduce((narrow, [list], index) => (list.length > 0 ? index + 1 : narrow), 0);
      if (!best || rank > best.rank) best = { agreement, rank };
    }
    return best?.agreement ?? null;
  }

  /** Rule 7: what is charged in which way is known; an agreement changes its price. */
  private contracted(part: Part, component: Component, owner: Owner | null): Part {
    const discount = this.narrowest(part, component, owner, 'discount')?.discount;
    if (!discount) return part;
    if (discount.by === 'share') {
      const left = ONE.minus(f(discount.share));
      return timesAll(part, left);
    }
    const factor = convert(part.unit, discount.unit ?? part.unit);
    if (!part.at || !factor) return part;
    const charge: ChargeRow =
      discount.by === 'price' ? { structure: 'per-unit', price: '1' } : { structure: 'graduated', tiers: [] };
    const agreed = part.at(exactCharge(charge, discount, factor));
    if (!part.once.isZero) return { ...part, once: agreed };
    if (!part.committed) return { ...part, monthly: agreed, recurring: agreed };
    const { months, upfront } = part.committed;
    return {
      ...part,
      monthly: agreed.plus(upfront.over(f(months))),
      recurring: agreed,
      committed: { months, recurring: agreed, upfront },
    };
  }

  private write(component: Component, owner: Owner | null, parts: readonly Part[]): void {
    const borne = component.borne ? read(component.borne, this.which) : ONE;
    const step = owner ? this.exchange(owner.book.book.currency) : ONE;
    const agreed = parts.map((part) => {
      const contracted = this.contracted(part, component, owner);
      const margin = this.narrowest(part, component, owner, 'margin')?.margin;
      const dearer = margin == null ? ONE : ONE.plus(f(margin));
      const sold = this.design.sold ? timesAll(contracted, dearer) : contracted;
      return { part, contracted: sold, resale: contracted.monthly.times(dearer) };
    });
    const total = (take: (row: (typeof agreed)[number]) => Fraction): Fraction =>
      sum(agreed.map(take)).times(borne).times(step);
    const licences = this.ownLicences(component, owner, borne);
    const inBook = sum(agreed.map((row) => row.contracted.monthly)).times(borne);
    const monthly = inBook.times(step).plus(licences);
    const terms = agreed.flatMap(({ contracted }) => contracted.committed ?? []);
    this.lines.set(component.id, {
      id: component.id,
      monthly,
      list: total((row) => (this.design.sold ? row.resale : row.part.monthly)).plus(licences),
      resale: total((row) => row.resale).plus(licences),
      recurring: total((row) => row.contracted.recurring).plus(licences),
      upfront: total((row) => row.contracted.upfront.plus(row.contracted.once)),
      once: total((row) => row.contracted.once),
      ahead: agreed.flatMap(({ contracted: { bought } }) =>
        bought && !bought.ahead.isZero
          ? [{ by: bought.by.component.id, amount: bought.ahead.times(step) }]
          : [],
      ),
      committed:
        terms.length === 0
          ? null
          : {
              months: terms[0]!.months,
              recurring: sum(terms.map((each) => each.recurring))
                .times(borne)
                .times(step),
              upfront: sum(terms.map((each) => each.upfront))
                .times(borne)
                .times(step),
            },
      early: agreed.find(({ part }) => part.early)?.part.early ?? null,
    });
    this.spent.set(component.id, { inBook, inDesign: monthly });
  }

  private ownLicences({ licences }: Component, owner: Owner | null, borne: Fraction): Fraction {
    const yearly = (licences ?? []).flatMap(({ how, ownYearly }) =>
      how === 'brought' && ownYearly ? [read(ownYearly, this.which)] : [],
    );
    return owner ? sum(yearly).times(owner.count).times(borne).over(f(12)) : ZERO;
  }

  private ownLine(component: Component): Part[] {
    const count = read(component.count, this.which);
    const rows = component.custom ?? [];
    if (rows.length === 0) throw new Refused('usage.missing');
    const { countAllowances, allowanceShare } = this.design.assumptions;
    return rows.map((row, index) => {
      const each = read(row.amount, this.which);
      const flat = row.charge.structure === 'flat';
      const all = flat ? count : count.times(each);
      const included =
        row.allowance !== undefined && countAllowances
          ? f(row.allowance).times(f(allowanceShare ?? '1'))
          : ZERO;
      const amount = chargeOf(row.charge, most(ZERO, all.minus(included)), {
        sizes: [{ size: each, count }],
      });
      return plainPart(`custom-${index + 1}`, row.unit, amount, row.charge);
    });
  }

  /** Rule 14 included: what is paid once beside a share stays. */
  private shares(owners: readonly Owner[], demands: ReadonlyMap<string, readonly Demand[]>): void {
    const shareOf = (owner: Owner) => {
      const found = demands
        .get(owner.component.id)!
        .find(({ rate }) => rate.charge.structure === 'share-of-spend')!;
      return found.rate.charge as Extract<ChargeRow, { structure: 'share-of-spend' }>;
    };
    const takenOf = (owner: Owner, component: Component, book: string | null): boolean => {
      const { base } = shareOf(owner);
      if (base.over === 'provider' && book !== owner.book.book.key) return false;
      return base.kinds.length === 0
        ? !['support-plan', 'software-fee'].includes(component.kind)
        : base.kinds.includes(component.kind);
    };
    let waiting = [...owners];
    while (waiting.length > 0) {
      const next =
        waiting.find((owner) =>
          waiting.every((other) => other === owner || !takenOf(owner, other.component, other.book.book.key)),
        ) ?? waiting[0]!;
      waiting = waiting.filter((each) => each !== next);
      this.attempt(next.component.id, () => {
        const step = this.exchange(next.book.book.currency);
        const components = this.design.sections.flatMap((section) => section.components);
        const base = sum(
          components.flatMap((component) => {
            const spent = this.spent.get(component.id);
            const pin = component.kind === 'custom' ? null : (component.place?.book ?? null);
            if (!spent || component === next.component || !takenOf(next, component, pin)) return [];
            return [pin === next.book.book.key ? spent.inBook : spent.inDesign.over(step)];
          }),
        );
        const parts = demands.get(next.component.id)!.map(({ rate, quantity, meter }) => {
          const amount = rate.charge.structure === 'share-of-spend' ? base : quantity.amount;
          return plainPart(meter.meter, rate.unit, chargeOf(rate.charge, amount, quantity), rate.charge);
        });
        this.write(next.component, next, parts);
      });
    }
  }

  /** Rule 13: the newest of a pair that is not after the design's date. */
  private exchange(from: string): Fraction {
    const to = this.design.currency;
    if (from === to) return ONE;
    const { exchange, start } = this.design.assumptions;
    const date = start ? `${start}-01` : '9999';
    const pick = (a: string, b: string) => {
      const pair = exchange.filter((each) => each.from === a && each.to === b);
      const known = pair.filter((each) => each.date <= date).sort((x, y) => (x.date < y.date ? 1 : -1));
      return known[0] ?? pair.sort((x, y) => (x.date < y.date ? -1 : 1))[0];
    };
    const direct = pick(from, to);
    if (direct) return f(direct.rate);
    const back = pick(to, from);
    if (!back) throw new Refused('currency.no-rate');
    return ONE.over(f(back.rate));
  }
}

interface Left {
  /** Of the use. */
  readonly share: Fraction;
  /** What fills the minimum of the month, in the rate's unit. */
  readonly missing: Fraction;
}

/** What is on demand of a demand: rates' units, and units by their hours. */
interface Rest {
  readonly amount: Fraction;
  readonly kinds: readonly Kind[] | null;
  readonly ranks: readonly UnitsFor[] | null;
  /** Hours that only a minimum adds, and what the minimum of the month adds, in the rate's unit. */
  readonly added: Fraction;
  readonly filling: Fraction;
  readonly perHour: Fraction;
}

function usedBy({ quantity, committed, owner }: Demand): Fraction {
  const { running } = quantity;
  if (!committed || !running) return quantity.amount;
  return monthHours(running.used, owner.month).times(running.perHour);
}

function boughtBy(demand: Demand): Fraction {
  const { quantity, committed, owner } = demand;
  const { running } = quantity;
  if (!committed || !running) return quantity.amount;
  const over = monthHours(aboveAll(committed, running.used, ONE), owner.month);
  return committed.units.plus(committed.missing).times(owner.month).plus(over).times(running.perHour);
}

/** Rule 1: allowance, then the usage commitment, clock hour by clock hour. */
function restOf(demand: Demand, { share, missing }: Left): Rest {
  const { quantity, committed, owner } = demand;
  const { running } = quantity;
  if (!running) {
    const filled = quantity.amount.plus(missing).times(share);
    return { amount: filled, kinds: null, ranks: null, added: ZERO, filling: ZERO, perHour: ONE };
  }
  const { perHour, leastHours } = running;
  if (committed) {
    const kinds = aboveAll(committed, running.used, share);
    const ranks = unitsByHours(kinds, owner.month).map(({ units, hours }) => ({
      units,
      hours: hours.isZero ? hours : most(hours, leastHours),
    }));
    const hours = hoursOf(ranks);
    const added = hours.minus(monthHours(kinds, owner.month));
    return { amount: hours.times(perHour), kinds, ranks, added, filling: ZERO, perHour };
  }
  const kinds = change(running.kinds, (units) => units.times(share));
  const ranks = running.ranks.map(({ units, hours }) => ({ units, hours: hours.times(share) }));
  const filling = missing.times(share);
  const added = leastHours.isZero ? ZERO : hoursOf(ranks).minus(monthHours(kinds, owner.month));
  return { amount: quantity.amount.times(share).plus(filling), kinds, ranks, added, filling, perHour };
}

function afterSpend({ owner }: Demand, before: Rest, kinds: readonly Kind[]): Rest {
  const left = unitsByHours(kinds, owner.month);
  const hours = hoursOf(left);
  const units = sum(before.ranks!.map((rank) => rank.units));
  let ranks = left;
  if (!before.added.isZero) {
    ranks = hours.isZero
      ? units.isZero
        ? left
        : [{ units, hours: before.added.over(units) }]
      : left.map((rank) => ({
          units: rank.units,
          hours: rank.hours.times(hours.plus(before.added)).over(hours),
        }));
  }
  return { ...before, kinds, ranks, amount: hoursOf(ranks).times(before.perHour).plus(before.filling) };
}

const inHour = (hour: readonly { from: Fraction; to: Fraction; units: Fraction }[]): Fraction =>
  sum(hour.map(({ from, to, units }) => to.minus(from).times(units)));

/** What runs above committed units: unit-hours within a clock hour are covered, the hour's course is kept. */
function above(committed: Committed, steps: Kind['steps'], times: Fraction): Kind['steps'] {
  const { units, missing, least: floor } = committed;
  return clockHours(steps).flatMap((hour) => {
    const running = inHour(hour);
    if (running.isZero) return hour;
    const idle = missing.isZero ? ZERO : most(ZERO, floor.minus(most(units, running)));
    const open = most(ZERO, running.times(times).minus(units).minus(missing).plus(idle));
    return hour.map((step) => ({ ...step, units: step.units.times(open).over(running) }));
  });
}

function aboveAll(committed: Committed, kinds: readonly Kind[], times: Fraction): Kind[] {
  return kinds.map(({ share, steps }) => ({ share, steps: above(committed, steps, times) }));
}

function committedUnits({ committed, running }: Component, count: Fraction, which: Case): Fraction {
  if (committed) return read(committed, which);
  if (running.pattern === 'peaks') return count.times(read(running.baseline, which));
  return running.pattern === 'autoscale' ? count.times(read(running.floor, which)) : count;
}

const POOLABLE = ['per-unit', 'per-block', 'graduated', 'volume'];

function isPooled(rate: RateRow): boolean {
  return rate.pool !== 'component' && POOLABLE.includes(rate.charge.structure);
}

/** Rule 9: everything in the scope that the rate names. */
function poolOf(demand: Demand, demands: readonly Demand[]): Demand[] {
  const { rate, owner } = demand;
  if (!isPooled(rate)) return [demand];
  return demands.filter(
    (other) =>
      isPooled(other.rate) &&
      other.owner.book === owner.book &&
      other.rate.pool === rate.pool &&
      other.rate.meter === rate.meter &&
      other.rate.term === rate.term &&
      convert(other.rate.unit, rate.unit) !== null &&
      (rate.pool === 'workspace' || other.rate.sku === rate.sku) &&
      (rate.pool !== 'region' || other.rate.region === rate.region),
  );
}

function sustained(
  hours: Fraction,
  bands: readonly { upTo: string; multiplier: string }[],
  month: Fraction,
): Fraction {
  let from = ZERO;
  return sum(
    bands.map(({ upTo, multiplier }, index) => {
      const end = index === bands.length - 1 ? most(hours, month) : f(upTo).times(month);
      const within = most(ZERO, least(hours, end).minus(from));
      from = end;
      return within.times(f(multiplier));
    }),
  );
}

interface Member {
  readonly id: string;
  readonly demand: Demand;
  readonly committed: Fraction;
  readonly onDemand: Fraction;
}

/** What a spend commitment may buy: running time on demand that is sold at its committed price. */
function buyable(demand: Demand, rest: Rest, payer: Owner, term: string): Member | null {
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
function spend(perHour: Fraction, members: readonly (Member & { kinds: readonly Kind[] })[]) {
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

function weekBefore(kinds: readonly Kind[], end: Fraction): Kind['steps'] {
  let reached = ZERO;
  for (const { share, steps } of kinds) {
    reached = reached.plus(share);
    if (end.compare(reached) <= 0) return steps;
  }
  throw new Error('the shares of weeks make less than one');
}

function earlier({ component: a }: Owner, { component: b }: Owner): number {
  return (a.months?.from ?? 1) - (b.months?.from ?? 1) || (a.id < b.id ? -1 : 1);
}

function rateOf({ book, offer, region }: Owner, meter: string, term: string): RateRow | undefined {
  return book.rates.find(
    (rate) => rate.sku === offer.sku && rate.region === region && rate.meter === meter && rate.term === term,
  );
}

function sold({ book, region }: Pick<Owner, 'book' | 'region'>, offer: OfferRow): boolean {
  return book.rates.some((rate) => rate.sku === offer.sku && rate.region === region);
}

function isCheaper(cost: Fraction, offer: OfferRow, than: Fraction, other: OfferRow): boolean {
  const order =
    cost.compare(than) ||
    f(offer.vcpu ?? '0').compare(f(other.vcpu ?? '0')) ||
    f(offer.memory ?? '0').compare(f(other.memory ?? '0'));
  return order < 0 || (order === 0 && offer.sku < other.sku);
}

function checkSize({ offer: { limits }, parts }: Owner): void {
  if (!limits || !parts) return;
  const { vcpu, memory } = parts;
  const each = (text: string): Fraction => vcpu.times(f(text));
  if (
    vcpu.compare(f(limits.vcpuLeast)) < 0 ||
    vcpu.compare(f(limits.vcpuMost)) > 0 ||
    memory.compare(each(limits.memoryPerVcpuLeast)) < 0 ||
    memory.compare(each(limits.memoryPerVcpuMost)) > 0
  )
    throw new Refused('size.out-of-range');
}

function plainPart(meter: string, unit: string, amount: Fraction, charge: ChargeRow): Part {
  const once = charge.structure === 'flat' && charge.once;
  return {
    meter,
    unit,
    term: 'on-demand',
    monthly: once ? ZERO : amount,
    recurring: once ? ZERO : amount,
    upfront: ZERO,
    once: once ? amount : ZERO,
    bought: null,
    committed: null,
    early: null,
    at: null,
  };
}

function onDemandPart(demand: Demand, amounts: (demand: Demand, agreed?: ChargeRow) => Fraction): Part {
  const { rate, meter } = demand;
  return {
    ...plainPart(meter.meter, rate.unit, amounts(demand), rate.charge),
    term: rate.term,
    at: (charge) => amounts(demand, standingIn(rate.charge, charge)),
  };
}

/** An agreed price of capacity units leaves the hourly fee; of a fee it is the fee. */
function standingIn(listed: ChargeRow, agreed: ChargeRow): ChargeRow {
  if (agreed.structure !== 'per-unit') return agreed;
  if (listed.structure === 'greatest-of') return { ...listed, unitPrice: agreed.price };
  return listed.structure === 'flat' ? { ...listed, amount: agreed.price } : agreed;
}

function boughtPart(
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

/** A commitment's own line: what bought nothing. Its upfront money leaves whole. */
function scaledMonth(part: Part, share: Fraction): Part {
  return { ...part, monthly: part.monthly.times(share), recurring: part.recurring.times(share) };
}

function timesAll(part: Part, by: Fraction): Part {
  return {
    ...part,
    monthly: part.monthly.times(by),
    recurring: part.recurring.times(by),
    upfront: part.upfront.times(by),
    once: part.once.times(by),
    bought: part.bought && { by: part.bought.by, ahead: part.bought.ahead.times(by) },
    committed: part.committed && {
      months: part.committed.months,
      recurring: part.committed.recurring.times(by),
      upfront: part.committed.upfront.times(by),
    },
  };
}

/** An agreed price in the rate's unit. Prices are text, so they are written with as many digits as they have. */
function exactCharge(
  shape: ChargeRow,
  discount: Exclude<NonNullable<Agreement['discount']>, { by: 'share' }>,
  factor: Fraction,
): ChargeRow {
  const write = (value: Fraction): string => value.toText(30);
  if (discount.by === 'price' && shape.structure === 'per-unit') {
    return { structure: 'per-unit', price: write(f(discount.price).times(factor)) };
  }
  if (discount.by !== 'tiers') throw new Error('no such agreement');
  return {
    structure: 'graduated',
    tiers: discount.tiers.map(({ upTo, price }) => ({
      upTo: upTo === null ? null : write(f(upTo).over(factor)),
      price: write(f(price).times(factor)),
    })),
  };
}

export type { Running };
