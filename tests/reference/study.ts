/**
 * Owning against renting a second time, written from the rules alone: piece by piece of hardware, month by month, in
 * exact fractions. Nothing is shared with the core but the study.
 */
import type { Guess, Hardware, Study, Target, Variant } from '@/core/own-or-rent';
import { GENERAL, type GeneralId } from '@/core/own-or-rent';
import { Fraction } from './fraction';

const of = (value: string | number): Fraction => Fraction.of(value);
const ZERO = of(0);
const ONE = of(1);

interface Piece {
  readonly born: number;
  readonly price: Fraction;
  readonly old: boolean;
}

export interface PlainOutcome {
  readonly cash: Fraction[];
  readonly spread: Fraction[];
  readonly worth: Fraction;
  /** By kind, over the whole time. */
  readonly kinds: Map<string, { cash: Fraction; spread: Fraction }>;
}

export class PlainStudy {
  readonly months: number;
  private readonly cash: Fraction[];
  private readonly spread: Fraction[];
  private readonly kinds = new Map<string, { cash: Fraction; spread: Fraction }>();
  /** Of the owned side, by kind and month. */
  private readonly owned = new Map<string, { cash: Fraction[]; spread: Fraction[] }>();
  private readonly ownedWorth = new Map<string, Fraction>();
  private worth = ZERO;

  constructor(
    private readonly study: Study,
    private readonly variant: Variant,
  ) {
    this.months = study.years * 12;
    this.cash = this.empty();
    this.spread = this.empty();
  }

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

  private empty(): Fraction[] {
    return Array.from({ length: this.months }, () => ZERO);
  }

  private general(id: GeneralId): Fraction {
    return of((this.study.general[id] ?? { likely: GENERAL[id].default }).likely);
  }

  private percent(id: GeneralId): Fraction {
    return this.general(id).over(of(100));
  }

  private pay(side: 'owned' | 'other', kind: string, month: number, cash: Fraction, spread = cash): void {
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

  private left(side: 'owned' | 'other', kind: string, worth: Fraction): void {
    this.worth = this.worth.plus(worth);
    if (side === 'owned') this.ownedWorth.set(kind, (this.ownedWorth.get(kind) ?? ZERO).plus(worth));
  }

  /** A step once a year. */
  private trend(id: GeneralId, month: number): Fraction {
    let factor = ONE;
    for (let year = 0; year < Math.floor(month / 12); year += 1)
      factor = factor.times(ONE.plus(this.percent(id)));
    return factor;
  }

  private load(id: 'growth' | 'growthStored', month: number): Fraction {
    return this.trend(id, month).times(
      ONE.plus(
        this.percent(id)
          .times(of(month % 12))
          .over(of(12)),
      ),
    );
  }

  private waves(): { parts: string[]; from: number; ramp: number; off: number }[] {
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

  private isOwned(part: string, month: number): boolean {
    const wave = this.waves().find(({ parts }) => parts.includes(part));
    return wave === undefined || month < wave.off;
  }

  private anythingOwned(month: number): boolean {
    return this.study.parts.length === 0 || this.study.parts.some(({ id }) => this.isOwned(id, month));
  }

  private ownedLoad(field: 'machines' | 'stored', month: number): Fraction {
    const there = this.study.parts.filter(({ id }) => this.isOwned(id, month));
    const today = there.reduce((sum, part) => sum.plus(of(part[field].likely)), ZERO);
    return today.times(this.load(field === 'machines' ? 'growth' : 'growthStored', month));
  }

  /** Piece by piece. */
  private hardwareAndWhatHangsOnIt(): void {
    const counts = new Map<string, number[]>();
    const open = [...this.study.hardware];
    while (open.length > 0) {
      const at = open.findIndex(
        ({ follows }) => counts.has(follows) || !this.study.hardware.some(({ id }) => id === follows),
      );
      const [next] = open.splice(at, 1);
      counts.set(next!.id, this.pieces(next!, counts));
    }
    for (let month = 0; month < this.months; month += 1) {
      let [watts, heights] = [ZERO, ZERO];
      for (const hardware of this.study.hardware) {
        const count = of(counts.get(hardware.id)![month]!);
        watts = watts.plus(count.times(of(hardware.watts.likely)));
        heights = heights.plus(count.times(of(hardware.heights.likely)));
        const yearly = of(hardware.price.likely).times(of(hardware.maintenance.likely)).over(of(100));
        const upkeep = count.times(yearly.over(of(12))).times(this.trend('inflationOther', month));
        this.pay('owned', hardware.sort, month, upkeep);
      }
      const energy = watts.times(this.percent('utilisation')).times(this.general('pue')).times(of('0.73'));
      const tariff = this.general('tariff').times(this.trend('inflationPower', month));
      this.pay('owned', 'site', month, energy.times(tariff));
      const racks = heights.over(this.general('heights')).ceiling();
      this.pay(
        'owned',
        'site',
        month,
        racks.times(this.general('rack')).times(this.trend('inflationOther', month)),
      );
    }
    this.licences(counts);
  }

  private pieces(hardware: Hardware, counts: ReadonlyMap<string, readonly number[]>): number[] {
    const life = Math.max(1, Math.round(Number(hardware.refresh.likely) * 12));
    const age = Math.min(life, Math.round(Number(hardware.age.likely) * 12));
    const price = of(hardware.price.likely);
    const residual = of(hardware.residual.likely).over(of(100));
    const worthOf = (piece: Piece, month: number): Fraction => {
      const gone = Math.min(life, month - piece.born);
      return piece.price.minus(piece.price.times(ONE.minus(residual)).times(of(gone)).over(of(life)));
    };
    let pieces: Piece[] = Array.from({ length: Number(hardware.count.likely) }, () => ({
      born: -age,
      price,
      old: true,
    }));
    const counted = ({ old }: Piece): boolean => !old || this.study.sunk;
    const goes = (piece: Piece, month: number): void => {
      const worth = worthOf(piece, month);
      const brings = piece.born + life <= month ? worth : worth.times(this.percent('resale'));
      const cash = ZERO.minus(brings);
      this.pay('owned', hardware.sort, month, cash, counted(piece) ? worth.minus(brings) : cash);
    };
    const standing: number[] = [];
    for (let month = 0; month < this.months; month += 1) {
      const wanted = this.wanted(hardware, counts, month);
      const stays = pieces.filter((piece) => {
        const isDue = piece.born + life <= month;
        const isNow = this.variant.buying === 'now' && month === 0 && piece.old;
        if (isDue || isNow) goes(piece, month);
        return !isDue && !isNow;
      });
      pieces = stays;
      if (this.waves().some(({ off }) => off === month)) {
        while (pieces.length > wanted) goes(pieces.shift()!, month);
      }
      while (pieces.length < wanted) {
        const paid = price.times(this.trend('trendHardware', month));
        this.pay('owned', hardware.sort, month, paid, ZERO);
        pieces.push({ born: month, price: paid, old: false });
      }
      for (const piece of pieces) {
        if (!counted(piece)) continue;
        const part = piece.price.times(ONE.minus(residual)).over(of(life));
        this.pay('owned', hardware.sort, month, ZERO, part);
      }
      standing.push(pieces.length);
    }
    for (const piece of pieces)
      if (counted(piece)) this.left('owned', hardware.sort, worthOf(piece, this.months));
    return standing;
  }

  private wanted(hardware: Hardware, counts: ReadonlyMap<string, readonly number[]>, month: number): number {
    const { follows, carries, count } = hardware;
    if (follows === 'nothing') return this.anythingOwned(month) ? Number(count.likely) : 0;
    const load =
      follows === 'machines'
        ? this.ownedLoad('machines', month)
        : follows === 'terabytes'
          ? this.ownedLoad('stored', month)
          : of(counts.get(follows)![month]!);
    const needed = load.over(of(carries.likely)).ceiling();
    return Number(needed.above / needed.below);
  }

  private licences(counts: ReadonlyMap<string, readonly number[]>): void {
    for (const { per, price, yearly } of this.study.licences) {
      let most: Fraction | null = null;
      for (let month = 0; month < this.months; month += 1) {
        const servers = this.study.hardware.filter(({ sort }) => sort === 'hardware');
        const hosts = servers.reduce((sum, { id }) => sum + counts.get(id)![month]!, 0);
        const cores = servers.reduce(
          (sum, { id, cores: each }) => sum + counts.get(id)![month]! * Number(each.likely),
          0,
        );
        const count =
          per === 'machine'
            ? this.ownedLoad('machines', month).ceiling()
            : of(per === 'whole' ? (this.anythingOwned(month) ? 1 : 0) : per === 'host' ? hosts : cores);
        const trend = this.trend('inflationLicences', month);
        this.pay('owned', 'licences', month, count.times(of(yearly.likely)).over(of(12)).times(trend));
        if (most === null) most = count;
        else if (count.compare(most) > 0) {
          const paid = count.minus(most).times(of(price.likely)).times(trend);
          most = count;
          this.pay('owned', 'licences', month, paid, ZERO);
          for (let each = 0; each < 60; each += 1)
            if (month + each < this.months)
              this.pay('owned', 'licences', month + each, ZERO, paid.over(of(60)));
            else this.left('owned', 'licences', paid.over(of(60)));
        }
      }
    }
  }

  private contracts(): void {
    for (const { kind, monthly, until } of this.study.contracts)
      for (let month = 0; month < this.months; month += 1)
        if (this.anythingOwned(month) || month < Number(until.likely))
          this.pay('owned', kind, month, of(monthly.likely).times(this.trend('inflationOther', month)));
  }

  private people(): void {
    for (let month = 0; month < this.months; month += 1) {
      const trend = this.trend('inflationPeople', month);
      const hours = this.ownedLoad('machines', month).times(this.general('hoursOwned'));
      this.pay('owned', 'people', month, hours.times(this.general('hourCost')).times(trend));
      if (!this.anythingOwned(month)) continue;
      const posts = this.general('postsOwned').times(this.general('postCost')).over(of(12));
      this.pay('owned', 'people', month, posts.times(trend));
    }
  }

  private share(id: 'backup' | 'secondSite', kinds: readonly string[]): void {
    const share = this.percent(id);
    const [before, worth] = [new Map(this.owned), new Map(this.ownedWorth)];
    for (const kind of kinds) {
      const all = before.get(kind);
      if (all) {
        const [cash, spread] = [[...all.cash], [...all.spread]];
        cash.forEach((each, month) =>
          this.pay('owned', kind, month, each.times(share), spread[month]!.times(share)),
        );
      }
      if (worth.has(kind)) this.left('owned', kind, worth.get(kind)!.times(share));
    }
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
