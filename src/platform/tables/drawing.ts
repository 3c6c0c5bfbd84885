/** What is drawn of an answer, in plain data: the screen and paper draw the same. */

export interface DrawnLine {
  readonly name: string;
  /** Null: no amount there, a gap. */
  readonly points: readonly (readonly [number, number | null])[];
  /** The edge of the range of another line, by its place: thin, in the same ink, without a name of its own. */
  readonly edgeOf?: number;
}

export interface DrawnPlace {
  readonly at: number;
  readonly label: string;
  /** Its word stands at the foot; else at the head. */
  readonly low?: boolean;
  /** Of a level: a limit, so that above it is too much. */
  readonly over?: boolean;
}

export interface Drawing {
  /** The question that it answers. */
  readonly question: string;
  readonly lines: readonly DrawnLine[];
  readonly x: {
    readonly title: string;
    readonly from: number;
    readonly to: number;
    readonly scale: 'linear' | 'log';
    /** Into so many parts, where that says more than round numbers. */
    readonly parts?: number;
  };
  readonly y: {
    readonly title: string;
    readonly scale: 'linear' | 'log';
    /** May be below nothing. */
    readonly signed?: boolean;
  };
  /** Upright lines with a word, and levels. */
  readonly places?: readonly DrawnPlace[];
  readonly levels?: readonly DrawnPlace[];
  /** Filled one on the other. */
  readonly stacked?: boolean;
  /** Level from each place to the next. */
  readonly stepped?: boolean;
}
