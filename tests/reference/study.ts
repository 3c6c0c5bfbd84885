/** The rented side and the move a second time, and all of it together. */
import type { Guess, Target } from '@/features/own-or-rent/calc';
import type { Fraction } from './fraction';
import { of, ONE, type PlainOutcome, ZERO } from './study-ground';
import { PlainOwned } from './study-owned';

export class PlainStudy extends PlainOwned {
  run(): PlainOutcome {
    this.hardwareAndWhatHangsOnIt();
    this.contracts();
    this.people();
    this.share('backup', ['storage']);
    this.share('secondSite', ['site', 'hardware', 'network', 'storage', 'licences']);
    const target = this.study.targets.find(({ id }) => id === this.variant.target);
    if (target) this.rented(target);
    if (target) this.move();
    this.tax();
    return { cash: this.cash, spread: this.spread, worth: this.worth, kinds: this.kinds };
  }

  private rented(target: Target): void {
    const term = Number(target.term.likely);
    const ahead = of(target.ahead.likely).over(of(100));
    const more = ONE.plus(of(target.uncommitted.likely).over(of(100)));
    for (const wave of this.waves()) {
      const share = (month: number): Fraction =>
        month < wave.from
          ? ZERO
          : month >= wave.from + wave.ramp
            ? ONE
            : of(month - wave.from + 1).over(of(wave.ramp));
      for (const id of wave.parts) {
        const amounts = target.parts[id];
        if (!amounts) continue;
        for (let month = wave.from; month < this.months; month += 1) {
          const there = share(month).times(this.trend('trendRent', month));
          const pay = (kind: string, guess: Guess, growth: 'growth' | 'growthStored'): void =>
            this.pay('other', kind, month, of(guess.likely).times(there).times(this.load(growth, month)));
          pay('storage', amounts.storage, 'growthStored');
          pay('transfer', amounts.transfer, 'growth');
          pay('licences', amounts.licences, 'growth');
          if (term === 0) pay('compute', amounts.compute, 'growth');
        }
        if (term > 0) this.committed(of(amounts.compute.likely), wave, share, { term, ahead, more });
      }
      for (let month = wave.from; month < this.months; month += 1) {
        const machines = wave.parts.reduce(
          (sum, id) => sum.plus(of(this.study.parts.find((part) => part.id === id)!.machines.likely)),
          ZERO,
        );
        const hours = machines
          .times(this.load('growth', month))
          .times(share(month))
          .times(this.general('hoursRented'));
        const pay = this.general('hourCost').times(this.trend('inflationPeople', month));
        this.pay('other', 'people', month, hours.times(pay));
      }
    }
    this.place(target);
  }

  private committed(
    compute: Fraction,
    wave: { readonly from: number; readonly ramp: number },
    share: (month: number) => Fraction,
    { term, ahead, more }: { readonly term: number; readonly ahead: Fraction; readonly more: Fraction },
  ): void {
    const begins = wave.from + wave.ramp;
    for (let month = wave.from; month < this.months; month += 1) {
      const listed = compute.times(more).times(this.trend('trendRent', month));
      if (month < begins) {
        this.pay('other', 'compute', month, listed.times(share(month)).times(this.load('growth', month)));
        continue;
      }
      const start = month - ((month - begins) % term);
      const monthly = compute.times(this.trend('trendRent', start)).times(this.load('growth', start));
      const before = monthly.times(ahead);
      if (month === start) this.pay('other', 'compute', month, before.times(of(term)), ZERO);
      this.pay('other', 'compute', month, monthly.minus(before), monthly);
      const grown = this.load('growth', month).minus(this.load('growth', start));
      if (grown.above0()) this.pay('other', 'compute', month, listed.times(grown));
      if (month === this.months - 1)
        this.left('other', 'compute', before.times(of(start + term - this.months)));
    }
  }

  /** From the preparation on. */
  private place({ extras }: Target): void {
    const first = Math.min(...this.waves().map(({ from }) => from));
    if (first === Infinity) return;
    for (
      let month = Math.max(0, first - Number(this.general('preparation').above));
      month < this.months;
      month += 1
    ) {
      for (const { kind, monthly } of extras)
        this.pay('other', kind, month, of(monthly.likely).times(this.trend('trendRent', month)));
      const posts = this.general('postsRented').times(this.general('postCost')).over(of(12));
      this.pay('other', 'people', month, posts.times(this.trend('inflationPeople', month)));
    }
  }

  private move(): void {
    const waves = this.waves();
    if (waves.length === 0) return;
    const first = Math.min(...waves.map(({ from }) => from));
    const prepared = Math.max(0, first - Number(this.general('preparation').above));
    this.pay('other', 'move', prepared, this.general('moveTools').plus(this.general('training')));
    for (const { parts, from, ramp } of waves) {
      const all = this.study.parts.filter(({ id }) => parts.includes(id));
      const machines = all.reduce((sum, part) => sum.plus(of(part.machines.likely)), ZERO);
      const stored = all.reduce((sum, part) => sum.plus(of(part.stored.likely)), ZERO);
      const steps = Math.max(1, ramp);
      for (let month = from; month < from + steps; month += 1) {
        const hours = machines.times(this.general('moveHours')).over(of(steps));
        const hour = this.general('moveHourCost').times(this.trend('inflationPeople', month));
        this.pay('other', 'move', month, hours.times(hour));
        const copied = stored.over(of(steps));
        this.pay(
          'other',
          'move',
          month,
          copied.times(this.general('transferOut').plus(this.general('transferIn'))),
        );
      }
    }
  }

  private tax(): void {
    const { tax } = this.study;
    if (tax === 'none') return;
    const base = [...(tax === 'cash' ? this.cash : this.spread)];
    base.forEach((amount, month) =>
      this.pay('other', 'tax', month, ZERO.minus(amount.times(this.percent('taxRate')))),
    );
  }
}
