/** What the stand-in of a code forge has of each change: its commits, each with the plan that the tool made of it. */
import type { ForgeCommit } from '@/features/review/use/forge-ports';

export interface DemoCommit extends ForgeCommit {
  readonly plan: () => string;
}

export interface DemoChange {
  readonly repository: string;
  readonly change: string;
  readonly title: string;
  readonly author: string;
  readonly branch: string;
  readonly text: string;
  /** How many of the commits are on the branch when the demo begins; the others come one by one. */
  readonly pushed: number;
  readonly commits: readonly DemoCommit[];
  readonly load: string | null;
  readonly limits: string | null;
  /** Hours before the demo was loaded: when it came, and when it was merged. */
  readonly hoursAgo: number;
  readonly mergedHoursAgo?: number;
}
