/**
 * Owning against renting a second time, written from the rules alone: piece by piece of hardware, month by month, in
 * exact fractions. Nothing is shared with the core but the study.
 */
import { GENERAL, type GeneralId, type Study, type Variant } from '@/features/own-or-rent/calc';
import { Fraction } from './fraction';

export const of = (value: string | number): Fraction => Fraction.of(value);
export const ZERO = of(0);
export const ONE = of(1);

export interface PlainOutcome {
  readonly cash: Fraction[];
  readonly spread: Fraction[];
  readonly worth: Fraction;
  /** By kind, over the whole time. */
  readonly kinds: Map<string, { cash: Fraction; spread: Fraction }>;
}

/** What every side of it stands on: sums, trends, load, waves. */
export abstract class PlainGround {
  readonly months: number;
  protected readonly cash: Fraction[];
  protected readonly spread: Fraction[];
  protected readonly kinds = new Map<string, { cash: Fraction; spread: Fraction }>();
  /** Of the owned side, by kind and month. */
  protected readonly owned = new Map<string, { cash: Fraction[]; spread: Fraction[] }>();
  protected readonly ownedWorth = new Map<string, Fraction>();
  protected worth = ZERO;

  constructor(
    protected readonly study: Study,
    protected readonly variant: Variant,
  ) {
    this.months = study.years * 12;
    this.cash = this.empty();
    this.spread = this.empty();
  }

  protected empty(): Fraction[] {
    return Array.from({ length: this.months }, () => ZERO);
  }

  protected general(id: GeneralId): Fraction {
    return of((this.study.general[id] ?? { likely: GENERAL[id].default }).likely);
  }

  protected percent(id: GeneralId): Fraction {
    return this.general(id).over(of(100));
  }

  protected pay(side: 'owned' | 'other', kind: string, month: number, cash: Fraction, spread = cash): void {
    if (month < 0 || month >= this.months) return;
    this.cash[month] = this.cash[month]!.plus(cash);
    this.spread[month] = this.spread[month]!.plus(spread);
    const sum = this.kinds.get(kind) ?? { cash: ZERO, spread: ZERO };
    this.kinds.set(kind, { cash: sum.cash.plus(cash), spread: sum.spread.plus(spread) });
    if (side !== 'owned') return;
    const own = this.owned.get(kind) ?? { cash: this.empty(), spread: this.empty() };
    own.cash[month] = own.cash[month]!.plus(cash);
    own.spread[month] = own.spread[month]!.plus(spread);
    this.owned.set(kind, own);
  }

  protected left(side: 'owned' | 'other', kind: string, worth: Fraction): void {
    this.worth = this.worth.plus(worth);
    if (side === 'owned') this.ownedWorth.set(kind, (this.ownedWorth.get(kind) ?? ZERO).plus(worth));
  }

  /** A step once a year. */
  protected trend(id: GeneralId, month: number): Fraction {
    let factor = ONE;
    for (let year = 0; year < Math.floor(month / 12); year += 1)
      factor = factor.times(ONE.plus(this.percent(id)));
    return factor;
  }

  protected load(id: 'growth' | 'growthStored', month: number): Fraction {
    return this.trend(id, month).times(
      ONE.plus(
        this.percent(id)
          .times(of(month % 12))
          .over(of(12)),
      ),
    );
  }

  protected waves(): { parts: string[]; from: number; ramp: number; off: number }[] {
    if (this.variant.target === null) return [];
    const seen = new Set<string>();
    return this.study.waves.flatMap((wave) => {
      const parts = wave.parts.filter((id) => !this.variant.stays.includes(id) && !seen.has(id));
      for (const id of parts) seen.add(id);
      if (parts.length === 0) return [];
      const from = Number(wave.from.likely) + Number(this.variant.delay.likely);
      const ramp = Number(wave.ramp.likely);
      return [{ parts, from, ramp, off: from + ramp + Number(wave.beside.likely) }];
    });
  }

  protected isOwned(part: string, month: number): boolean {
    const wave = this.waves().find(({ parts }) => parts.includes(part));
    return wave === undefined || month < wave.off;
  }

  protected anythingOwned(month: number): boolean {
    return this.study.parts.length === 0 || this.study.parts.some(({ id }) => this.isOwned(id, month));
  }

  protected ownedLoad(field: 'machines' | 'stored', month: number): Fraction {
    const there = this.study.parts.filter(({ id }) => this.isOwned(id, month));
    const today = there.reduce((sum, part) => sum.plus(of(part[field].likely)), ZERO);
    return today.times(this.load(field === 'machines' ? 'growth' : 'growthStored', month));
  }
}
