/** Exact fractions over whole numbers of any size: nothing is ever rounded. */
export class Fraction {
  private constructor(
    readonly above: bigint,
    readonly below: bigint,
  ) {}

  static of(value: string | number | bigint | Fraction): Fraction {
    if (value instanceof Fraction) return value;
    if (typeof value === 'bigint') return new Fraction(value, 1n);
    const text = String(value);
    const [whole = '0', part = ''] = text.replace('-', '').split('.');
    const above = BigInt(whole + part);
    return make(text.startsWith('-') ? -above : above, 10n ** BigInt(part.length));
  }

  static make(above: bigint, below: bigint): Fraction {
    return new Fraction(above, below);
  }

  plus(other: Fraction): Fraction {
    if (this.below === other.below) return make(this.above + other.above, this.below);
    return make(this.above * other.below + other.above * this.below, this.below * other.below);
  }

  minus(other: Fraction): Fraction {
    return this.plus(new Fraction(-other.above, other.below));
  }

  times(other: Fraction): Fraction {
    return make(this.above * other.above, this.below * other.below);
  }

  over(other: Fraction): Fraction {
    if (other.above === 0n) throw new Error('divided by nothing');
    return make(this.above * other.below, this.below * other.above);
  }

  compare(other: Fraction): number {
    const [left, right] = [this.above * other.below, other.above * this.below];
    return left < right ? -1 : left > right ? 1 : 0;
  }

  get isZero(): boolean {
    return this.above === 0n;
  }

  above0(): boolean {
    return this.above > 0n;
  }

  /** The whole number at or below. */
  floor(): Fraction {
    const whole = this.above / this.below;
    return new Fraction(this.above < 0n && whole * this.below !== this.above ? whole - 1n : whole, 1n);
  }

  ceiling(): Fraction {
    const floor = this.floor();
    return floor.compare(this) === 0 ? floor : floor.plus(ONE);
  }

  toNumber(): number {
    return Number(this.toText(20));
  }

  /** With so many digits after the point, cut off. */
  toText(digits: number): string {
    const scaled = (this.above * 10n ** BigInt(digits)) / this.below;
    const text = String(scaled < 0n ? -scaled : scaled).padStart(digits + 1, '0');
    const sign = scaled < 0n ? '-' : '';
    return digits === 0 ? sign + text : `${sign}${text.slice(0, -digits)}.${text.slice(-digits)}`;
  }
}

function make(above: bigint, below: bigint): Fraction {
  if (below < 0n) return make(-above, -below);
  let [a, b] = [above < 0n ? -above : above, below];
  while (b > 0n) [a, b] = [b, a % b];
  return a > 1n ? Fraction.make(above / a, below / a) : Fraction.make(above, below);
}

export const ZERO = Fraction.of(0n);
export const ONE = Fraction.of(1n);
export const f = (value: string | number): Fraction => Fraction.of(value);

export function sum(values: readonly Fraction[]): Fraction {
  return values.reduce((total, each) => total.plus(each), ZERO);
}

export function least(...values: readonly Fraction[]): Fraction {
  return values.reduce((a, b) => (b.compare(a) < 0 ? b : a));
}

export function most(...values: readonly Fraction[]): Fraction {
  return values.reduce((a, b) => (b.compare(a) > 0 ? b : a));
}
