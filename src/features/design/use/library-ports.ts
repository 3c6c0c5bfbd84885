/** What kept things need from a store: starred components, own starters, agreements of the workspace. */
export const LIBRARY_KINDS = ['component', 'starter', 'agreement'] as const;
export type LibraryKind = (typeof LIBRARY_KINDS)[number];

export interface LibraryItem {
  readonly id: string;
  readonly what: LibraryKind;
  readonly name: string;
  /** A component, a design or an agreement, as files write them. */
  readonly body: object;
  readonly keptAt: string;
}

export interface LibraryStore {
  /** By name. */
  list(workspace: string, what: LibraryKind): Promise<LibraryItem[]>;
  put(workspace: string, thing: LibraryItem): Promise<void>;
  /** False: no such thing. */
  remove(workspace: string, id: string): Promise<boolean>;
}
