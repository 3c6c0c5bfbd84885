/** What a ledger is made of: columns, rows, the cursor, and the two ways a cell is edited. */
import type { ReactNode } from 'react';

export interface TextEdit {
  readonly by: 'text';
  readonly text: string;
  readonly label: string;
  /** A sentence if the text is refused, else null; also shows the change while typing. */
  readonly preview: (text: string) => string | null;
  readonly commit: (text: string) => void;
  readonly cancel: () => void;
}

/** The cell opens something else: a list, the margin. `typed` is what was typed to open it. */
export interface OpenEdit {
  readonly by: 'open';
  readonly open: (typed: string) => void;
}

export interface LedgerColumn<Row> {
  readonly key: string;
  readonly head: ReactNode;
  /** A grid track: "1.3fr", "96px". */
  readonly track: string;
  /** Pixels without which it says too little; the least of its track, if not said. */
  readonly least?: number;
  /** Where there is no room for all, the least worth gives way first; not said: it always stays. */
  readonly worth?: number;
  /** The head in words, where it can be drawn wider. */
  readonly title?: string;
  readonly end?: boolean;
  /** A thin upright rule before it: the money column. */
  readonly ruled?: boolean;
  readonly cell: (row: Row) => ReactNode;
  readonly edit?: (row: Row) => TextEdit | OpenEdit | null;
}

export interface LedgerRow<Row> {
  readonly key: string;
  /** `line` is indented under its `head`; `flat` stands by itself. */
  readonly level: 'head' | 'line' | 'flat' | 'blank';
  readonly data: Row;
}

/** How far a move of the cursor reaches for a selection. */
export type Reach = 'range' | 'toggle';

export interface RowDrag<Row> {
  readonly canDrag: (row: Row) => boolean;
  /** Dropped onto another row. */
  readonly onDrop: (row: Row, onto: Row) => void;
}

export interface LedgerCursor {
  readonly row: string;
  readonly column: string;
  /** Set while a cell is edited: the text it begins with, or null for the cell's own. */
  readonly editing?: { readonly text: string | null };
}
