/** Marks an entry as a guess, to be put right later; it changes no amount. */
'use client';
import type { Component, Edit } from '@/engine/design';
import { setField } from './settings-props';

interface GuessMarkProps {
  readonly component: Component;
  readonly entry: string;
  readonly label: string;
  readonly apply: (edits: readonly Edit[]) => void;
}

export function GuessMark({ component, entry, label, apply }: GuessMarkProps) {
  const guesses = component.guesses ?? [];
  const marked = guesses.includes(entry);
  const toggle = (): void => {
    const next = marked ? guesses.filter((each) => each !== entry) : [...guesses, entry];
    apply([setField(component, 'guesses', next.length > 0 ? next : null)]);
  };
  return (
    <label className="flex items-center gap-1.5 text-xs text-soft">
      <input
        type="checkbox"
        checked={marked}
        aria-label={`${label} is a guess`}
        onChange={toggle}
        className="accent-brand"
      />
      a guess
    </label>
  );
}
