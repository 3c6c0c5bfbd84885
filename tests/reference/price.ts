/**
 * A second pricing of a whole design, written from the pricing rules alone: plain, exact, without caches, and unable to
 * explain itself. It is the specification in code; the core must give the same amounts. "Rule n" is a point of "Where
 * two rules meet".
 */
import type { Component, Design } from '@/engine/design';
import type { Case } from '@/engine/usage';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { type ChargeRow, chargeOf } from './charge';
import { contractedPart, narrowest } from './contract';
import { demandsOf, ownerOf } from './demand';
import { exchange } from './exchange';
import { type Fraction, ONE, ZERO, f, most, sum } from './fraction';
import { partsOf } from './parts';
import {
  type Demand,
  type Owner,
  type Part,
  type ReferenceLine,
  type ReferencePriced,
  type Scene,
  type When,
  plainPart,
  timesAll,
} from './shapes';
import { Refused, read } from './week';

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

class Pricing implements Scene {
  private readonly lines = new Map<string, ReferenceLine | null>();
  /** Contracted, in the book's currency and in the design's. */
  private readonly spent = new Map<string, { inBook: Fraction; inDesign: Fraction }>();

  constructor(
    readonly design: Design,
    readonly books: readonly PriceBookFile[],
    readonly which: Case,
    readonly when: When,
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
        const owner = ownerOf(this, component);
        const own = demandsOf(this, owner);
        exchange(this, owner.book.book.currency);
        owners.push(owner);
        demands.set(component.id, own);
      });
    }
    const isShare = (owner: Owner): boolean =>
      demands.get(owner.component.id)!.some(({ rate }) => rate.charge.structure === 'share-of-spend');
    const plain = owners.filter((owner) => !isShare(owner));
    const parts = partsOf(this, plain, demands);
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

  private write(component: Component, owner: Owner | null, parts: readonly Part[]): void {
    const allocated = component.allocated ? read(component.allocated, this.which) : ONE;
    const step = owner ? exchange(this, owner.book.book.currency) : ONE;
    const agreed = parts.map((part) => {
      const contracted = contractedPart(this, part, component, owner);
      const margin = narrowest(this, part, component, owner, 'margin')?.margin;
      const dearer = margin == null ? ONE : ONE.plus(f(margin));
      const sold = this.design.sold ? timesAll(contracted, dearer) : contracted;
      return { part, contracted: sold, resale: contracted.monthly.times(dearer) };
    });
    const total = (take: (row: (typeof agreed)[number]) => Fraction): Fraction =>
      sum(agreed.map(take)).times(allocated).times(step);
    const licences = this.ownLicences(component, owner, allocated);
    const inBook = sum(agreed.map((row) => row.contracted.monthly)).times(allocated);
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
                .times(allocated)
                .times(step),
              upfront: sum(terms.map((each) => each.upfront))
                .times(allocated)
                .times(step),
            },
      early: agreed.find(({ part }) => part.early)?.part.early ?? null,
    });
    this.spent.set(component.id, { inBook, inDesign: monthly });
  }

  private ownLicences({ licences }: Component, owner: Owner | null, allocated: Fraction): Fraction {
    const yearly = (licences ?? []).flatMap(({ how, ownYearly }) =>
      how === 'brought' && ownYearly ? [read(ownYearly, this.which)] : [],
    );
    return owner ? sum(yearly).times(owner.count).times(allocated).over(f(12)) : ZERO;
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
        const step = exchange(this, next.book.book.currency);
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
}

export type { ReferenceLine, ReferencePriced, When } from './shapes';
