/**
 * The wick: a thin line from lean to heavy with an upright tick at likely, on a scale shared by the rows it stands
 * among. Without uncertainty there is a tick and no line. Its three numbers are in its name and its title.
 */
import { writeMoney } from '@/core/display';

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
  readonly width: number;
  readonly height?: number;
}

export function Wick({ values, currency, most, width, height = 16 }: WickProps) {
  const inset = 3;
  const span = width - 2 * inset;
  const at = (value: string): number =>
    inset + (most > 0 ? Math.min(1, Math.max(0, Number(value) / most)) * span : 0);
  const low = at(values.low);
  const likely = at(values.likely);
  const high = at(values.high);
  const middle = height / 2;
  const words = `lean ${writeMoney(values.low, currency)}, likely ${writeMoney(values.likely, currency)}, heavy ${writeMoney(values.high, currency)} ${currency}`;
  return (
    <svg width={width} height={height} role="img" aria-label={words} className="block overflow-visible">
      <title>{words}</title>
      {high - low > 0.5 && <path d={`M${low} ${middle}H${high}`} stroke="var(--soft)" strokeWidth="1.6" />}
      <path
        d={`M${likely} ${middle - height * 0.31}V${middle + height * 0.31}`}
        stroke="var(--brand)"
        strokeWidth="2.6"
      />
    </svg>
  );
}
