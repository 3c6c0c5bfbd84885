/** The owned side a second time: every piece of hardware by itself. */
import type { Hardware } from '@/features/own-or-rent/calc';
import type { Fraction } from './fraction';
import { of, ONE, PlainGround, ZERO } from './study-ground';

interface Piece {
  readonly born: number;
  readonly price: Fraction;
  readonly old: boolean;
}

export abstract class PlainOwned extends PlainGround {
  /** Piece by piece. */
  protected hardwareAndWhatHangsOnIt(): void {
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

  protected contracts(): void {
    for (const { kind, monthly, until } of this.study.contracts)
      for (let month = 0; month < this.months; month += 1)
        if (this.anythingOwned(month) || month < Number(until.likely))
          this.pay('owned', kind, month, of(monthly.likely).times(this.trend('inflationOther', month)));
  }

  protected people(): void {
    for (let month = 0; month < this.months; month += 1) {
      const trend = this.trend('inflationPeople', month);
      const hours = this.ownedLoad('machines', month).times(this.general('hoursOwned'));
      this.pay('owned', 'people', month, hours.times(this.general('hourCost')).times(trend));
      if (!this.anythingOwned(month)) continue;
      const posts = this.general('postsOwned').times(this.general('postCost')).over(of(12));
      this.pay('owned', 'people', month, posts.times(trend));
    }
  }

  protected share(id: 'backup' | 'secondSite', kinds: readonly string[]): void {
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
}
