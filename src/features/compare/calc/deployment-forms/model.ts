/** What is asked of forms, and what is answered. */
import type { Decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import type { Form, StoreForm } from './form-data';

export interface MachineWish {
  readonly job: 'compute' | 'database';
  /** Own control of the operating system; null: does not matter. */
  readonly ownSystem: boolean | null;
  /** Hardware nobody else is on; null: does not matter. */
  readonly ownHardware: boolean | null;
  /** Of what runs on it: paid in the rate, or one’s own brought along; null: does not matter. */
  readonly licence: 'included' | 'brought' | null;
  /** `asleep`: nothing is asked most of the time. */
  readonly running: 'always' | 'office' | 'asleep';
  /** Of each; GiB. */
  readonly vcpu: string;
  readonly memory: string;
  readonly count: string;
}

export interface StoreWish {
  readonly job: 'store';
  /** Null: does not matter. */
  readonly reached: StoreForm['reached'] | null;
  /** GB held, and GB read back a month. */
  readonly held: string;
  readonly readBack: string;
  /** Accesses a month; a fifth of them write. */
  readonly accesses: string;
}

export interface MessageWish {
  readonly job: 'messages';
  /** What was read must be readable again; null: does not matter. */
  readonly again: boolean | null;
  /** Messages a month, and kB of each. */
  readonly messages: string;
  readonly size: string;
  /** Days they are kept, where they are kept at all. */
  readonly days: string;
}

export type FormWish = MachineWish | StoreWish | MessageWish;

export interface FormRow {
  readonly form: Form;
  /** What tells it from others of the same form: "engine castrum, edition standard". */
  readonly edition: string;
  readonly offer: string;
  /** Ready to be added; null: it does not fit or is not sold. */
  readonly component: Component | null;
  readonly monthly: Decimal | null;
  /** Why it does not fit; or what to know about it. */
  readonly note: string;
}
