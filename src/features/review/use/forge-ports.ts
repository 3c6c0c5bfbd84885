/**
 * What the application needs of a code forge: changes that are asked for, their files, one comment in the discussion, a
 * check that has to pass, and merging. A stand-in ships; another one is another implementation of this.
 */

/** What a stand-in remembers: its own business, by key. */
export interface StandInStore {
  get(workspace: string, key: string): Promise<object | null>;
  put(workspace: string, key: string, state: object): Promise<void>;
}

export interface ForgeCheck {
  readonly state: 'none' | 'running' | 'passed' | 'failed' | 'broken';
  readonly words: string;
}

export interface ForgeComment {
  readonly text: string;
  readonly at: string;
  /** How often it was brought up to date in its place. */
  readonly updates: number;
}

export interface ForgeCommit {
  readonly commit: string;
  readonly message: string;
  readonly author: string;
}

export interface ForgeChange {
  readonly repository: string;
  readonly change: string;
  readonly title: string;
  readonly author: string;
  readonly branch: string;
  readonly text: string;
  readonly phase: 'open' | 'merged';
  /** What is on the branch, the newest last. */
  readonly commits: readonly ForgeCommit[];
  /** What its author would put on the branch next; null: nothing. */
  readonly next: ForgeCommit | null;
  readonly comment: ForgeComment | null;
  readonly check: ForgeCheck;
}

/** What stands in the working copy of a pipeline. */
export interface ForgeFiles {
  readonly plan: string;
  readonly load: string | null;
  readonly limits: string | null;
}

export interface CodeForge {
  changes(workspace: string): Promise<ForgeChange[]>;
  find(workspace: string, repository: string, change: string): Promise<ForgeChange | null>;
  /** Of the newest commit. */
  files(workspace: string, repository: string, change: string): Promise<ForgeFiles | null>;
  push(workspace: string, repository: string, change: string): Promise<void>;
  /** The one comment of this tool: made once, and brought up to date in its place. */
  say(workspace: string, repository: string, change: string, text: string, at: Date): Promise<void>;
  check(workspace: string, repository: string, change: string, check: ForgeCheck): Promise<void>;
  merge(workspace: string, repository: string, change: string): Promise<void>;
}

/** Runs the command line as a pipeline does, in a folder with these files. */
export type RunCommand = (call: {
  readonly args: readonly string[];
  readonly files: Readonly<Record<string, string>>;
  readonly token: string;
}) => Promise<{ readonly exit: number; readonly out: string; readonly err: string }>;
