/** The contract between the page and its review worker. Plans are read here, in the browser: the server never sees one. */
import type { Kind } from '@/engine/books';
import type { BookPin, DesignEdit } from '@/engine/design';
import type {
  EffectRow,
  LimitsAnswer,
  LineMatch,
  LineMatches,
  MappedResource,
  Review,
  Sums,
  WhatIfColumn,
} from '@/features/review/calc';
import type { Term } from '@/engine/terms';
import type { PlainFigure } from '@/engine/trace';
import type { Case } from '@/engine/usage';
import type { Fault } from '@/platform/formats/faults';
import type { KeptReview } from '@/features/review/format/review/work-review';

/** Which one is meant, and what its load profile says now; it is fetched once. */
export interface OfReview {
  readonly id: string;
  readonly revision: number;
  readonly load: string | null;
}

/** The same change otherwise, as the page asks for it. */
export type PlainWhatIf =
  | { readonly is: 'case'; readonly case: Case }
  | { readonly is: 'term'; readonly term: Term }
  | { readonly is: 'region'; readonly book: string; readonly region: string }
  /** YAML. */
  | { readonly is: 'profile'; readonly text: string }
  | { readonly is: 'books'; readonly pins: readonly BookPin[] };

export interface NamedWhatIf {
  readonly name: string;
  readonly change: PlainWhatIf;
}

/** `path`: within its folder. */
export interface PlanFile {
  readonly path: string;
  readonly file: File;
}

export interface MapText {
  readonly name: string;
  readonly text: string;
  /** Of the team, or shipped. */
  readonly own: boolean;
}

/** What a review is handed in as, beside its extract. */
export interface HandedIn {
  readonly repository: string;
  readonly change: string;
  readonly commit: string;
  readonly branch: string;
  readonly title: string;
  readonly author: string;
  readonly load: string | null;
  readonly limits: string | null;
}

export type ReviewQuestion =
  | ({
      readonly ask: 'work';
      readonly teamLimits: string | null;
      /** The design that the code comes from. */
      readonly link: {
        readonly repository: string;
        readonly design: string;
        readonly matches: LineMatches;
      } | null;
      readonly today: string;
      readonly whatIfs: readonly NamedWhatIf[];
    } & OfReview)
  | ({ readonly ask: 'explain'; readonly line: string; readonly side: 'before' | 'after' } & OfReview)
  /** The load profile with what is missing in it, as comments to fill in. */
  | ({ readonly ask: 'draft-load' } & OfReview)
  | ({ readonly ask: 'kept'; readonly from: number; readonly count: number } & OfReview)
  | ({
      readonly ask: 'effect';
      readonly repository: string;
      readonly design: string;
      readonly said: LineMatches;
      /** Asked again after the design was changed. */
      readonly turn: number;
    } & OfReview)
  /** Reads a plan and maps it; it stays in the worker until it is handed in or another is read. */
  | {
      readonly ask: 'read';
      /** A plan or a state; or the configuration of a folder, where there is no plan. */
      readonly plan: readonly PlanFile[];
      readonly against: File | null;
      readonly maps: readonly MapText[];
    }
  | { readonly ask: 'hand-in'; readonly as: HandedIn };

export interface Offered {
  readonly terms: readonly Term[];
  readonly regions: readonly {
    readonly book: string;
    readonly provider: string;
    readonly region: string;
    readonly name: string;
  }[];
}

export interface WorkAnswer {
  readonly review: Review;
  readonly limits: LimitsAnswer;
  readonly lean: WhatIfColumn;
  readonly heavy: WhatIfColumn;
  readonly columns: readonly WhatIfColumn[];
  /** With the day from which each book's prices hold. */
  readonly books: readonly { readonly book: string; readonly revision: number; readonly effective: string }[];
  readonly offered: Offered;
}

export interface EffectLine {
  readonly id: string;
  /** Null: it is not known. */
  readonly kind: Kind | null;
  readonly match: LineMatch;
  /** Nothing of it is taken over: what it is is not known. */
  readonly isOpen: boolean;
  readonly isChanged: boolean;
  readonly resources: number;
  readonly before: string;
  readonly after: string;
}

export interface EffectAnswer {
  readonly title: string;
  readonly currency: string;
  readonly revision: number;
  readonly lines: readonly EffectLine[];
  /** Of the design: what may be chosen. */
  readonly components: readonly {
    readonly id: string;
    readonly name: string;
    readonly section: string;
    readonly kind: Kind;
  }[];
  readonly edits: readonly DesignEdit[];
  readonly inverse: readonly DesignEdit[];
  readonly totals: Sums;
  readonly rows: readonly EffectRow[];
}

/** What the maps make of a plan, by type. */
export interface ReadType {
  readonly type: string;
  readonly count: number;
  /** Title of the map whose rule it is; null: there is none. */
  readonly map: string | null;
  /** In words: what the rule says it is. */
  readonly is: string;
  /** How many of its resources the rule does not fit, or cannot tell. */
  readonly open: number;
}

export interface ReadPlanAnswer {
  readonly form: string;
  readonly map: string;
  readonly resources: readonly MappedResource[];
  readonly types: readonly ReadType[];
  readonly remarks: readonly string[];
  /** A map for types without a rule, for a person to finish; null: there are none. */
  readonly draft: string | null;
}

export type ReadAnswer =
  | ({ readonly ok: true } & ReadPlanAnswer)
  | {
      readonly ok: false;
      readonly file: string;
      readonly faults: readonly Fault[];
      readonly more: number;
    };

export interface ReviewAnswers {
  work: WorkAnswer;
  explain: PlainFigure | null;
  'draft-load': string;
  kept: {
    readonly total: number;
    readonly resources: readonly MappedResource[];
    readonly pins: KeptReview['pins'];
    readonly form: string;
    readonly map: string;
  };
  effect: EffectAnswer;
  read: ReadAnswer;
  'hand-in': { readonly id: string };
}
