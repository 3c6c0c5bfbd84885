/**
 * One pricing of a design under one case, in steps that are each kept: opening, groups, credit, lines, shares, sections.
 * A step is taken over from an earlier run where everything it hangs on is the same object; so what did not change costs
 * next to nothing, and the result cannot differ. Source: pricing rules, "From usage to amount", "Where two rules meet", 1.
 */
import type { Issue, Result } from '../base';
import type { PriceBook } from '../books';
import type { Component, Design } from '../design';
import { type BookSet, pinnedBooks } from './book-set';
import { type Charged, type ChargedLine, chargeLines } from './charges';
import type { PriceContext } from './context';
import { coverByCredit, type CreditCovered, isCredit } from './credit-cover';
import { grantsByMeter, NO_GRANTS } from './grants';
import { sameInEveryCase } from './in-every-case';
import type { Credit, Group, LineState, Opened, Run, Share } from './run-state';
import { type Open, openComponent } from './opening';
import type { PricedDesign, PricedLine } from './priced';
import { pricedLine } from './priced-line';
import { chargeShare, isShareOfSpend, nextShare, type SpentLine } from './spend-lines';
import { same } from './same';
import { groupsOf } from './ties';
import { type SectionTotals, sectionTotals, totalsOf } from './totals';

export interface RunOptions {
  /** Earlier runs, the nearest first. */
  readonly from?: readonly Run[];
  /** Charges all lines as one group, as the plain way does: for tests that hold the two against each other. */
  readonly together?: boolean;
}

/** Never throws on what a person can enter. */
export function run(
  design: Design,
  books: BookSet,
  context: PriceContext,
  settings: string,
  options: RunOptions = {},
): Run {
  const earlier = (options.from ?? []).filter((each) => each.settings === settings);
  return new Running(design, books, context, settings, earlier).run(options.together ?? false);
}

/** One line, charged with what is tied to it only. Null: it hangs on the whole design, or is not in it. */
export function runLine(
  id: string,
  design: Design,
  books: BookSet,
  context: PriceContext,
  settings: string,
): PricedLine | null {
  return new Running(design, books, context, settings, []).runLine(id);
}

class Running {
  private readonly opened = new Map<string, Opened>();
  private readonly groups = new Map<string, Group>();
  private readonly credits = new Map<string, Credit>();
  private readonly kept = new Map<string, LineState>();
  private readonly shares = new Map<string, Share>();
  private readonly sections = new Map<string, SectionTotals>();
  /** Every line that is priced so far, or cannot be. */
  private readonly lines = new Map<string, PricedLine>();

  constructor(
    private readonly design: Design,
    private readonly books: BookSet,
    private readonly context: PriceContext,
    private readonly settings: string,
    private readonly earlier: readonly Run[],
  ) {}

  run(together: boolean): Run {
    const opens = this.open();
    const shares = opens.filter((each) => isShareOfSpend(each.value));
    const others = shares.length === 0 ? opens : opens.filter((each) => !shares.includes(each));
    this.priceOthers(others, together);
    this.priceShares(shares);
    return {
      settings: this.settings,
      case: this.context.case,
      opened: this.opened,
      groups: this.groups,
      credits: this.credits,
      lines: this.kept,
      shares: this.shares,
      sections: this.sections,
      priced: this.totals(),
    };
  }

  runLine(id: string): PricedLine | null {
    const opens = this.open();
    const own = opens.find((each) => each.value.component.id === id);
    if (!own) return this.lines.get(id) ?? null;
    const credited = opens.some((each) => isCredit(each));
    if (credited || isShareOfSpend(own.value)) return null;
    const others = opens.filter((each) => !isShareOfSpend(each.value));
    this.priceOthers(
      groupsOf(others).find((group) => group.includes(own))!,
      true,
    );
    return this.lines.get(id)!;
  }

  /** The first of what earlier runs have that holds here too. */
  private known<T>(read: (run: Run) => T | undefined, holds: (known: T, run: Run) => boolean): T | undefined {
    for (const each of this.earlier) {
      const known = read(each);
      if (known !== undefined && holds(known, each)) return known;
    }
    return undefined;
  }

  private open(): Open[] {
    const opens: Open[] = [];
    const bookOf = pinnedBooks(this.design, this.books);
    for (const section of this.design.sections) {
      for (const component of section.components) {
        const { id } = component;
        const book = component.place ? bookOf(component.place.book) : undefined;
        const known = this.known(
          (each) => each.opened.get(id),
          (one, each) => this.stillOpen(one, each, component, book),
        );
        const opened = known ?? {
          component,
          book,
          opening: openComponent(component, this.books, this.context),
        };
        this.opened.set(id, opened);
        if ('status' in opened.opening) this.lines.set(id, opened.opening);
        else opens.push(opened.opening);
      }
    }
    return opens;
  }

  private stillOpen(known: Opened, from: Run, component: Component, book: PriceBook | undefined): boolean {
    if (known.component !== component) return false;
    if (from.case !== this.context.case && !sameInEveryCase(component)) return false;
    if (known.book === book) return true;
    // A revision never changes, but more of it may be here: what had no amount may have one now.
    const { opening } = known;
    return !('status' in opening) && known.book?.key === book?.key && known.book?.revision === book?.revision;
  }

  /** Everything but shares of spend: pools, spend commitments and credit cross component borders. */
  private priceOthers(opens: readonly Open[], together: boolean): void {
    const credited = opens.some((each) => isCredit(each));
    const groups = together ? [opens] : groupsOf(opens);
    if (!credited) {
      for (const members of groups) {
        const { lines, notices } = this.charge(members);
        for (const open of members) {
          const { id } = open.value.component;
          this.line(open, lines.get(id)!, notices.get(id), undefined);
        }
      }
      return;
    }
    const charged = groups.map((members) => this.charge(members));
    const lines = new Map(charged.flatMap((each) => [...each.lines]));
    const notices = new Map(charged.flatMap((each) => [...each.notices]));
    const credits = this.credit(opens, lines);
    for (const open of opens) {
      const { id } = open.value.component;
      const credit = credits.get(open.value.book.key);
      this.line(open, credit?.lines.get(id) ?? lines.get(id)!, notices.get(id), credit?.notices.get(id));
    }
  }

  private charge(members: readonly Open[]): Charged {
    if (members.length === 0) return { lines: new Map(), notices: new Map(), offered: new Map() };
    const { id } = members[0]!.value.component;
    const known = this.known(
      (each) => each.groups.get(id),
      (one) => same(one.members, members),
    );
    const group = known ?? { members, charged: this.chargeAnew(members) };
    this.groups.set(id, group);
    return group.charged;
  }

  private chargeAnew(members: readonly Open[]): Charged {
    const grants = members.flatMap((each) => each.grants);
    return chargeLines(
      members.map((each) => each.value),
      grants.length === 0 ? NO_GRANTS : grantsByMeter(grants),
      this.context.allowances,
      this.context.case,
    );
  }

  /** By book, for those that hold prepaid credit. */
  private credit(
    opens: readonly Open[],
    lines: ReadonlyMap<string, Result<ChargedLine>>,
  ): Map<string, CreditCovered> {
    const found = new Map<string, CreditCovered>();
    for (const { value } of opens) {
      const { key } = value.book;
      if (!isCredit({ value }) || found.has(key)) continue;
      const own = opens.filter((each) => each.value.book.key === key);
      const before = own.map((each) => lines.get(each.value.component.id)!);
      const known = this.known(
        (each) => each.credits.get(key),
        (one) => same(one.opens, own) && same(one.lines, before),
      );
      const credit = known ?? {
        opens: own,
        lines: before,
        covered: coverByCredit(
          own.map((each) => each.value),
          lines,
          this.context.case,
        ),
      };
      this.credits.set(key, credit);
      found.set(key, credit.covered);
    }
    return found;
  }

  private line(
    open: Open,
    line: Result<ChargedLine>,
    ofCharging: readonly Issue[] | undefined,
    ofCredit: readonly Issue[] | undefined,
  ): void {
    const { id } = open.value.component;
    const known = this.known(
      (each) => each.lines.get(id),
      (one) =>
        one.open === open && one.line === line && one.ofCharging === ofCharging && one.ofCredit === ofCredit,
    );
    const kept = known ?? {
      open,
      line,
      ofCharging,
      ofCredit,
      priced: pricedLine(open, line, [...(ofCharging ?? []), ...(ofCredit ?? [])], this.context),
    };
    this.kept.set(id, kept);
    this.lines.set(id, kept.priced);
  }

  private priceShares(shares: readonly Open[]): void {
    let waiting = [...shares];
    while (waiting.length > 0) {
      const next = nextShare(waiting.map((each) => each.value)) ?? waiting[0]!.value;
      const open = waiting.find((each) => each.value === next)!;
      const { id } = next.component;
      const spent = this.inOrder();
      const known = this.known(
        (each) => each.shares.get(id),
        (one) => one.open === open && same(one.spent, spent),
      );
      const share = known ?? { open, spent, priced: this.share(open) };
      this.shares.set(id, share);
      this.lines.set(id, share.priced);
      waiting = waiting.filter((each) => each !== open);
    }
  }

  private share(open: Open): PricedLine {
    const { line, notices } = chargeShare(open.value, this.spent(), open.step);
    return pricedLine(open, line, notices, this.context);
  }

  private inOrder(): PricedLine[] {
    return this.design.sections.flatMap((section) =>
      section.components.flatMap((component) => this.lines.get(component.id) ?? []),
    );
  }

  private spent(): SpentLine[] {
    return this.inOrder().flatMap((line): SpentLine[] => {
      if (line.status !== 'priced') return [];
      const { kind, book, inBook, monthly } = line;
      const { name } = this.opened.get(line.id)!.component;
      return [{ kind, book: book?.key ?? '', name, inBook, inDesign: monthly }];
    });
  }

  private totals(): PricedDesign {
    const sections = this.design.sections.map((section): SectionTotals => {
      const lines = section.components.map((component) => this.lines.get(component.id)!);
      const known = this.known(
        (each) => each.sections.get(section.id),
        (one) => one.section.name === section.name && same(one.section.lines, lines),
      );
      const totals = known ?? sectionTotals(section, lines, this.design.currency);
      this.sections.set(section.id, totals);
      return totals;
    });
    return totalsOf(this.design, sections, this.context.case);
  }
}
