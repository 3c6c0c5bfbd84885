/** What one pricing run leaves to the next, step by step. Whatever is the same object is the same calculation. */
import type { Issue, Result } from '../base';
import type { PriceBook } from '../books';
import type { Component } from '../design';
import type { Case } from '../usage';
import type { Charged, ChargedLine } from './charges';
import type { CreditCovered } from './credit-cover';
import type { Open } from './opening';
import type { PricedDesign, PricedLine } from './priced';
import type { SectionTotals } from './totals';

export interface Opened {
  readonly component: Component;
  readonly book: PriceBook | undefined;
  readonly opening: Open | PricedLine;
}

export interface Group {
  readonly members: readonly Open[];
  readonly charged: Charged;
}

export interface Credit {
  readonly opens: readonly Open[];
  readonly lines: readonly Result<ChargedLine>[];
  readonly covered: CreditCovered;
}

export interface LineState {
  readonly open: Open;
  readonly line: Result<ChargedLine>;
  /** Notices of charging, and of prepaid credit. */
  readonly ofCharging: readonly Issue[] | undefined;
  readonly ofCredit: readonly Issue[] | undefined;
  readonly priced: PricedLine;
}

export interface Share {
  readonly open: Open;
  readonly spent: readonly PricedLine[];
  readonly priced: PricedLine;
}

/** What a run leaves to the next. Under other `settings` nothing of it holds. */
export interface Run {
  readonly settings: string;
  readonly case: Case;
  readonly opened: Map<string, Opened>;
  /** By the id of the first member. */
  readonly groups: Map<string, Group>;
  /** By book. */
  readonly credits: Map<string, Credit>;
  readonly lines: Map<string, LineState>;
  readonly shares: Map<string, Share>;
  readonly sections: Map<string, SectionTotals>;
  readonly priced: PricedDesign;
}
