/**
 * What an infrastructure plan says, in plain data: every resource before and after, with what is not known until it is
 * applied and what is marked secret kept beside the values. Held in memory while it is read, and nowhere else.
 */

export type Plain =
  string | number | boolean | null | readonly Plain[] | { readonly [name: string]: Plain | undefined };

/** Beside values: `true` where one is marked; objects and lists follow the shape of the values. */
export type Marks = boolean | readonly Marks[] | { readonly [name: string]: Marks | undefined };

/**
 * `replace`: taken away and made anew, in either order. `moved`: only its address changed. `import`: it is there already and
 * is taken in. `forget`: it stays there and is only no longer looked after.
 */
export type PlanAction =
  'create' | 'update' | 'delete' | 'replace' | 'read' | 'unchanged' | 'moved' | 'import' | 'forget';

export interface ResourceSide {
  readonly values: { readonly [name: string]: Plain | undefined };
  /** What is known only when it is applied. */
  readonly unknown: Marks;
  readonly secret: Marks;
}

export interface PlannedResource {
  readonly address: string;
  /** Before it was moved; null: it was not. */
  readonly movedFrom: string | null;
  /** Address of its module; empty: the root. */
  readonly module: string;
  readonly type: string;
  readonly name: string;
  /** Of a counted or keyed resource. */
  readonly key: string | number | null;
  /** The last part of the provider's name. */
  readonly provider: string;
  /** Which of the plan's provider settings it is made with. */
  readonly settings: string | null;
  readonly action: PlanAction;
  readonly before: ResourceSide | null;
  readonly after: ResourceSide | null;
  /** By attribute: addresses of other resources that it names. */
  readonly names: Readonly<Record<string, readonly string[]>>;
}

/** How a provider is set up: what can be worked out from the configuration and its variables. */
export interface ProviderSettings {
  readonly provider: string;
  readonly side: ResourceSide;
}

export interface Plan {
  /** What it was read from, in words: "plan, format 1.2". */
  readonly form: string;
  readonly resources: readonly PlannedResource[];
  readonly settings: Readonly<Record<string, ProviderSettings>>;
  /** What could not be followed, in words. */
  readonly remarks: readonly string[];
}

/**
 * A side without a mark.
 *
 * @example
 * plainSide({ size: 'a' }).secret; // => false
 */
export function plainSide(values: ResourceSide['values']): ResourceSide {
  return { values, unknown: false, secret: false };
}
