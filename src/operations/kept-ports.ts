/** What kept things need from a store: starred components, own starters, agreements of the workspace. */
export const KEPT_WHATS = ['component', 'starter', 'agreement'] as const;
export type KeptWhat = (typeof KEPT_WHATS)[number];

export interface KeptThing {
  readonly id: string;
  readonly what: KeptWhat;
  readonly name: string;
  /** A component, a design or an agreement, as files write them. */
  readonly body: object;
  readonly keptAt: string;
}

export interface KeptStore {
  /** By name. */
  list(workspace: string, what: KeptWhat): Promise<KeptThing[]>;
  put(workspace: string, thing: KeptThing): Promise<void>;
  /** False: no such thing. */
  remove(workspace: string, id: string): Promise<boolean>;
}
