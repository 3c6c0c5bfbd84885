/**
 * The wick: a thin line from lean to heavy with an upright tick at likely, on a scale shared by the rows it stands
 * among. Without uncertainty there is a tick and no line. Its three numbers are in its name and its title.
 */
import { writeMoney } from '@/platform/words';

export interface WickValues {
  readonly low: string;
  readonly likely: string;
  readonly high: string;
}

interface WickProps {
  readonly values: WickValues;
  readonly currency: string;
  /** The amount at the right end of the scale. */
  readonly most: number;
  readonly height?: number;
}

/** As wide as its place. */
export function Wick({ values, currency, most, height = 16 }: WickProps) {
  const at = (value: string): number => (most > 0 ? Math.min(1, Math.max(0, Number(value) / most)) * 100 : 0);
  const [low, likely, high] = [at(values.low), at(values.likely), at(values.high)];
  const middle = height / 2;
  const words = `lean ${writeMoney(values.low, currency)}, likely ${writeMoney(values.likely, currency)}, heavy ${writeMoney(values.high, currency)} ${currency}`;
  return (
    <svg height={height} role="img" aria-label={words} className="block w-full overflow-visible">
      <title>{words}</title>
      {high - low > 0.4 && (
        <line x1={`${low}%`} x2={`${high}%`} y1={middle} y2={middle} stroke="var(--soft)" strokeWidth="1.6" />
      )}
      <line
        x1={`${likely}%`}
        x2={`${likely}%`}
        y1={middle - height * 0.31}
        y2={middle + height * 0.31}
        stroke="var(--brand)"
        strokeWidth="2.6"
      />
    </svg>
  );
}
