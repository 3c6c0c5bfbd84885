/**
 * The resource map: which type of resource is which kind of thing, and from which of its attributes its size and use are
 * read. Data that a team writes for the types it uses; expressions are texts (see `expression.ts`). Need O1; opening 40.
 */
import type { Kind } from '@/engine/books';

export interface ProviderRule {
  /** Key of its price book. */
  readonly book: string;
  /** Over the provider's settings: in which region it makes things. */
  readonly region: string;
  /** Where the provider calls a region otherwise than the book does. */
  readonly regions?: Readonly<Record<string, string>>;
}

export interface UsageRule {
  readonly amount: string;
  readonly unit: string;
}

/** How one thing that costs is read. Every text is an expression. */
export interface LineRule {
  readonly kind: Kind;
  /** Where it gives false, there is no such thing. */
  readonly when?: string;
  /** Absent: one. */
  readonly count?: string;
  /** Absent: where the provider's settings say. */
  readonly region?: string;
  /** What the price book calls it. */
  readonly sku?: string;
  /** Sizes that it may have, where it is not known yet which: the range is said. */
  readonly among?: readonly string[];
  /** Sizes that are set freely. */
  readonly vcpu?: string;
  /** GiB. */
  readonly memory?: string;
  /** `on-demand`, `12-none` and the like. */
  readonly term?: string;
  readonly usage?: Readonly<Record<string, UsageRule>>;
}

/** A thing under the resource: a server's disks. */
export interface PartRule extends LineRule {
  readonly name: string;
  /** A list: one for each of its entries, which is `it` in the part's expressions. */
  readonly each?: string;
}

export interface ResourceRule {
  readonly type: string;
  /** Why it costs nothing; then nothing else is said. */
  readonly free?: string;
  readonly line?: LineRule;
  readonly parts?: readonly PartRule[];
  /** The attribute that names what it belongs to, so that it is listed under it. */
  readonly under?: string;
  /** The attribute that holds its tags. */
  readonly tags?: string;
}

export interface ResourceMap {
  readonly title: string;
  /** Keys are the last part of a provider's name. */
  readonly providers: Readonly<Record<string, ProviderRule>>;
  readonly tables: Readonly<Record<string, Readonly<Record<string, string | number>>>>;
  readonly rules: readonly ResourceRule[];
}

/** A map with its rules by type. */
export interface IndexedMap {
  readonly map: ResourceMap;
  readonly byType: ReadonlyMap<string, ResourceRule>;
}

/**
 * Later maps win where several have a rule for a type: a team's own before what ships.
 *
 * @example
 * joinMaps([{ title: 'Ours', providers: {}, tables: {}, rules: [] }]).byType.size; // => 0
 */
export function joinMaps(maps: readonly ResourceMap[]): IndexedMap {
  const byType = new Map<string, ResourceRule>();
  for (const { rules } of maps) for (const rule of rules) byType.set(rule.type, rule);
  const joined = <T>(of: (map: ResourceMap) => Readonly<Record<string, T>>): Record<string, T> =>
    Object.assign({}, ...maps.map(of)) as Record<string, T>;
  return {
    map: {
      title: maps.map(({ title }) => title).join(', '),
      providers: joined(({ providers }) => providers),
      tables: joined(({ tables }) => tables),
      rules: [...byType.values()],
    },
    byType,
  };
}
