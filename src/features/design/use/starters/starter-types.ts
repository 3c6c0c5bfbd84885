/** What a starter is made of, and short ways to write one. */
import type { Component, UsageEntry } from '@/engine/design';
import type { Kind } from '@/engine/books';

export interface StarterPart {
  readonly kind: Kind;
  readonly name: string;
  readonly count?: string;
  /** vCPU and GiB, where offers have a size. */
  readonly need?: readonly [vcpu: string, memory: string];
  /** vCPU and GiB, where the size is free. */
  readonly size?: readonly [vcpu: string, memory: string];
  readonly usage?: Readonly<Record<string, UsageEntry>>;
  readonly running?: Component['running'];
  readonly load?: Component['load'];
  readonly mayBeStopped?: true;
}

export interface Starter {
  readonly key: string;
  readonly title: string;
  readonly work: string;
  readonly description: string;
  readonly sections: readonly (readonly [name: string, parts: readonly StarterPart[]])[];
}

export const of = (likely: string, unit: string, lean?: string, heavy?: string): UsageEntry => ({
  amount: { likely, ...(lean === undefined ? {} : { lean }), ...(heavy === undefined ? {} : { heavy }) },
  unit,
});
export const OFFICE: Component['running'] = {
  pattern: 'days',
  hoursPerDay: { likely: '10' },
  daysPerMonth: { likely: '22' },
};
