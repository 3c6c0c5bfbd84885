/**
 * What is kept of a plan: what its resources are in the words of price books, and the attributes that a rule read. Nothing
 * else of the plan is in it, and nothing that the plan marks as secret. Need O8; opening 38.
 */
import type { Component } from '@/engine/design';
import type { PlanAction } from './plan-model';

/** One thing of a resource that costs, or why it is not known what it is. `part` null: the resource itself. */
export type MappedLine =
  | { readonly is: 'line'; readonly part: string | null; readonly component: Component }
  /** Some attribute is known only when it is applied; `among`: what it may be. */
  | {
      readonly is: 'unknown';
      readonly part: string | null;
      readonly attributes: readonly string[];
      readonly among: readonly Component[];
    }
  /** An attribute that the rule needs is marked as sensitive. */
  | { readonly is: 'secret'; readonly part: string | null; readonly attributes: readonly string[] }
  /** The rule does not fit the resource. */
  | { readonly is: 'fault'; readonly part: string | null; readonly message: string };

export type MappedSide =
  | { readonly is: 'free'; readonly why: string }
  | { readonly is: 'no-rule' }
  | { readonly is: 'lines'; readonly lines: readonly MappedLine[] };

/** An attribute that a rule read. Null: not there. */
export interface ReadAttribute {
  readonly path: string;
  readonly before: string | number | boolean | null;
  readonly after: string | number | boolean | null;
  /** Its value after is known only when it is applied. */
  readonly unknown: boolean;
}

export interface MappedResource {
  readonly address: string;
  readonly movedFrom: string | null;
  readonly module: string;
  readonly type: string;
  readonly action: PlanAction;
  /** Address of what it belongs to. */
  readonly under: string | null;
  readonly tags: Readonly<Record<string, string>> | null;
  readonly before: MappedSide | null;
  readonly after: MappedSide | null;
  readonly read: readonly ReadAttribute[];
}

export interface Extract {
  readonly form: string;
  readonly map: string;
  readonly resources: readonly MappedResource[];
  readonly remarks: readonly string[];
}
