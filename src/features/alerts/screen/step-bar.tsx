/** How far something is of a limit: a rule with its steps; what is projected is drawn lighter. Beyond the limit in ember. */
import { writeShare } from '@/platform/words';

interface StepBarProps {
  /** Said instead of the picture. */
  readonly label: string;
  /** Of the limit: 1 is all of it. */
  readonly share: number;
  /** Where it is projected to end; null: nothing can be said. */
  readonly ahead?: number | null;
  readonly steps: readonly number[];
}

/** A little more than the whole, so that what is beyond can be seen. */
const LEAST_SHOWN = 1.1;
/** Of the picture, so much a label takes. */
const LABEL = 0.13;

export function StepBar({ label, share, ahead = null, steps }: StepBarProps) {
  const most = Math.min(Math.max(LEAST_SHOWN, share * 1.04, (ahead ?? 0) * 1.04), 4);
  const at = (value: number): string => `${(Math.min(Math.max(value, 0), most) / most) * 100}%`;
  return (
    <div role="img" aria-label={label} className="relative h-7 w-full min-w-[120px]">
      <div className="absolute inset-x-0 top-1.5 h-2.5 bg-line" />
      {ahead !== null && ahead > share && (
        <div
          className="absolute top-1.5 h-2.5 border-y border-r border-brand"
          style={{ left: at(share), width: `calc(${at(ahead)} - ${at(share)})` }}
        />
      )}
      <div className="absolute top-1.5 left-0 h-2.5 bg-brand" style={{ width: at(Math.min(share, 1)) }} />
      {share > 1 && (
        <div
          className="absolute top-1.5 h-2.5 bg-ember"
          style={{ left: at(1), width: `calc(${at(share)} - ${at(1)})` }}
        />
      )}
      {steps.map((step, index) => (
        <div key={step} className="absolute top-0.5 h-4.5 border-l border-ink" style={{ left: at(step) }}>
          {(steps[index + 1] ?? Infinity) - step > most * LABEL && (
            <span className="absolute top-3.5 -translate-x-full pr-0.5 text-[10px] leading-3 whitespace-nowrap text-soft">
              {writeShare(String(step))}
            </span>
          )}
        </div>
      ))}
    </div>
  );
}
