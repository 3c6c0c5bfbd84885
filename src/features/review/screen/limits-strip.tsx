/** What the limits say, before anything else: a sentence for each that is broken. */
import { CircleAlert, TriangleAlert } from 'lucide-react';
import { brokenSentence, limitsSentence } from '@/features/review/words';
import type { LimitsAnswer } from '@/features/review/calc';

interface LimitsStripProps {
  readonly limits: LimitsAnswer;
  readonly currency: string;
}

export function LimitsStrip({ limits, currency }: LimitsStripProps) {
  const { state, broken, excepted, expired } = limits;
  if (state === 'kept' && excepted.length === 0 && expired.length === 0) return null;
  const Icon = state === 'failed' ? CircleAlert : TriangleAlert;
  return (
    <section
      aria-label="Limits"
      tabIndex={0}
      className="max-h-[30vh] shrink-0 overflow-y-auto border-b border-line px-[18px] py-2 text-sm"
    >
      {broken.length > 0 && (
        <p className="flex gap-2 font-semibold text-ember-ink" role="status" data-testid="limits">
          <Icon size={16} aria-hidden="true" className="mt-px shrink-0" />
          {limitsSentence(limits)}
        </p>
      )}
      <ul className="mt-0.5 space-y-0.5">
        {broken.map((each, at) => (
          <li key={`${each.limit.id} ${at}`} className="max-w-[1000px] break-words">
            {brokenSentence(each, currency)}
            {each.limit.level === 'warn' && <span className="text-soft"> It only warns.</span>}
          </li>
        ))}
        {excepted.map(({ limit, exception }, at) => (
          <li key={`excepted ${at}`} className="text-soft">
            {`“${limit}” is broken, and excepted until ${exception.until}${exception.address ? ` at ${exception.address}` : ''}: ${exception.reason}`}
          </li>
        ))}
        {expired.map(({ limit, until, reason }, at) => (
          <li key={`expired ${at}`} className="text-soft">
            {`The exception from “${limit}” held until ${until}: ${reason}`}
          </li>
        ))}
      </ul>
    </section>
  );
}
