/** Small signs of a review: what it moves, whether its limits are kept. Never by colour alone. */
import { Check, CircleAlert, TriangleAlert } from 'lucide-react';
import type { LimitsAnswer } from '@/features/review/calc';
import { Amount } from '@/platform/ui/amount';

export function sideClass(difference: string): string {
  const value = Number(difference);
  return value > 0 ? 'text-ember-ink' : value < 0 ? 'text-tide' : '';
}

interface DifferenceProps {
  readonly value: string;
  readonly currency: string;
  readonly strong?: boolean;
}

/** With its sign; nothing is a stroke, because nothing moves. */
export function Difference({ value, currency, strong = false }: DifferenceProps) {
  if (Number(value) === 0)
    return (
      <span className="text-soft" title="Nothing moves">
        –<span className="sr-only">0</span>
      </span>
    );
  return (
    <span className={sideClass(value)}>
      <Amount value={value} currency={currency} strong={strong} signed />
    </span>
  );
}

const STATES = {
  kept: { icon: Check, words: 'kept', tone: 'text-soft' },
  warned: { icon: TriangleAlert, words: 'warned', tone: 'text-ember-ink' },
  failed: { icon: CircleAlert, words: 'broken', tone: 'font-semibold text-ember-ink' },
} as const;

export function LimitsMark({ state }: { readonly state: LimitsAnswer['state'] }) {
  const { icon: Icon, words, tone } = STATES[state];
  return (
    <span className={`inline-flex items-baseline gap-1 ${tone}`}>
      <Icon size={14} aria-hidden="true" className="relative top-[2px] shrink-0" />
      {words}
    </span>
  );
}
