/** How the check of a change stands: by word and shape, never by colour alone. */
import { Check, CircleAlert, CircleDashed, LoaderCircle, Wrench } from 'lucide-react';
import type { ForgeChange } from '@/features/review/use/forge-ports';

const STATES = {
  none: { icon: CircleDashed, words: 'not checked', tone: 'text-soft' },
  running: { icon: LoaderCircle, words: 'running', tone: 'text-soft' },
  passed: { icon: Check, words: 'passed', tone: 'text-tide' },
  failed: { icon: CircleAlert, words: 'failed', tone: 'text-ember-ink' },
  broken: { icon: Wrench, words: 'did not run', tone: 'text-ember-ink' },
} as const;

interface CheckMarkProps {
  readonly check: ForgeChange['check'];
  /** Without what it says. */
  readonly short?: boolean;
}

export function CheckMark({ check, short = false }: CheckMarkProps) {
  const { icon: Icon, words, tone } = STATES[check.state];
  return (
    <span
      className={`inline-flex shrink-0 items-baseline gap-1 ${short ? 'text-xs font-normal' : 'font-semibold'} ${tone}`}
    >
      <Icon size={14} aria-hidden="true" className="relative top-[2px]" />
      {short
        ? words
        : `The check ${check.state === 'none' ? 'has not run' : words === 'running' ? 'runs' : words}`}
    </span>
  );
}
