/**
 * An alternative as a design: the baseline with its changes applied, one after the other. Whatever no change reaches is
 * the baseline's very own object, so that it is priced once for all. A change that does not apply any more is told and
 * left out, never dropped. Source: product description, "Comparing"; pricing rules, "Alternatives".
 */
import { assertNever, issue, type Issue } from '@/engine/base';
import {
  allComponents,
  type Alternative,
  applyEdit,
  type Change,
  type Component,
  type Design,
  kindFaults,
  type Scope,
  type Section,
} from '@/engine/design';
import { type BookSet, createPricer, type Pricer } from '@/engine/pricing';
import { licensed, paid, sized, withTraffic } from './line-changes';
import {
  type AlternativeDesign,
  type ChangeOutcome,
  type LineChange,
  type LineOutcome,
  unchanged,
} from './model';
import { Surroundings } from './surroundings';

/**
 * Owns what is known of lines under changes, so that an edit of the baseline works out one line of each alternative. With the
 * pricer that prices the baseline, what that knows of offers counts here too.
 *
 * @example
 * const halved = { id: 'half', name: 'Half', note: '', changes: [{ change: 'leave-out', what: { of: 'lines', ids: ['a'] } }] };
 * createAlternator(books).apply(design, halved).design.sections[0]!.components.length; // => 0
 */
export function createAlternator(books: BookSet, pricer: Pricer = createPricer(books)): Alternator {
  return new Alternator(books, pricer);
}

/** Alternatives of one design rarely pin more sets of books. */
const MOST_AROUND = 12;

interface Step {
  readonly design: Design;
  readonly outcome: ChangeOutcome;
}

export class Alternator {
  /** By the books that are pinned: a few alternatives pin others. */
  private readonly around = new Map<string, Surroundings>();

  constructor(
    private readonly books: BookSet,
    private readonly pricer: Pricer,
  ) {}

  apply(baseline: Design, { changes }: Pick<Alternative, 'changes'>): AlternativeDesign {
    const { alternatives: _, ...own } = baseline;
    let design: Design = baseline.alternatives ? own : baseline;
    const outcomes: ChangeOutcome[] = [];
    for (const change of changes) {
      const step = this.step(design, change);
      design = step.design;
      outcomes.push(step.outcome);
    }
    return { design, outcomes };
  }

  private step(design: Design, change: Change): Step {
    switch (change.change) {
      case 'edit':
        return edited(design, change);
      case 'revision':
        return this.revised(design, change);
      case 'leave-out':
        return this.onLines(design, change, () => ({ component: null, issues: [] }));
      case 'move':
        return this.moved(design, change);
      case 'size':
        return this.onLines(design, change, (line) => sized(line, change, this.surroundings(design).bookOf));
      case 'pay':
        return this.onLines(design, change, (line) => paid(line, change, this.surroundings(design).bookOf));
      case 'licences':
        return this.onLines(design, change, (line) =>
          licensed(line, change, this.surroundings(design).bookOf),
        );
      case 'traffic':
        return this.onLines(design, change, (line) => withTraffic(line, change));
      default:
        return assertNever(change);
    }
  }

  private revised(design: Design, change: Extract<Change, { change: 'revision' }>): Step {
    const { book, revision } = change;
    const pin = design.books.find((each) => each.book === book);
    if (!pin) return refused(design, change, issue('change.target-gone', [], { what: `The book “${book}”` }));
    if (!this.books.get(book, revision)) {
      const values = { book, revision: String(revision) };
      return refused(design, change, issue('book.missing', [], values));
    }
    const books = design.books.map((each) => (each === pin ? { book, revision } : each));
    const used = allComponents(design).filter(({ place }) => place?.book === book).length;
    return done({ ...design, books: pin.revision === revision ? design.books : books }, change, used, []);
  }

  private moved(before: Design, change: Extract<Change, { change: 'move' }>): Step {
    const { book, revision, region, sameProcessor } = change;
    const pinned = before.books.some((each) => each.book === book);
    const design = pinned ? before : { ...before, books: [...before.books, { book, revision }] };
    const known = this.surroundings(design).bookOf(book);
    const gone = issue('book.missing', [], { book, revision: String(revision) });
    if (!known) return refused(before, change, gone);
    if (region !== null && !known.region(region)) {
      return refused(before, change, issue('region.unknown', [], { region, book: known.title }));
    }
    const { mover } = this.surroundings(design);
    const step = this.onLines(design, change, (line) => {
      const to = region === null ? mover.equivalent(line, book) : { book, region };
      if (!to) return unchanged(line);
      const moved = mover.move(line, to, sameProcessor === undefined ? {} : { sameProcessor });
      return moved.moved ? { component: moved.component, issues: moved.notes } : unchanged(line, moved.why);
    });
    return step.outcome.why ? { ...step, design: before } : step;
  }

  private onLines(
    design: Design,
    change: Exclude<Change, { change: 'edit' | 'revision' }>,
    apply: (line: Component) => LineChange,
  ): Step {
    const { what } = change;
    if (what.of === 'section' && !design.sections.some(({ id }) => id === what.id)) {
      return refused(design, change, issue('change.target-gone', [], { what: 'The section' }));
    }
    const known = this.surroundings(design).under(change);
    const lines: LineOutcome[] = [];
    let changed = 0;
    let reached = 0;
    const ids = what.of === 'lines' ? new Set(what.ids) : null;
    const sections = design.sections.map((section): Section => {
      if (!reaches(what, section)) return section;
      let same = true;
      const components = section.components.flatMap((line) => {
        if (ids && !ids.has(line.id)) return [line];
        reached += 1;
        let after = known.get(line);
        if (!after) known.set(line, (after = apply(line)));
        const { component, issues } = after;
        if (component !== line) changed += 1;
        if (issues.length > 0) {
          lines.push({ id: line.id, name: line.name, changed: component !== line, issues });
        }
        if (component === line) return [line];
        same = false;
        return component ? [component] : [];
      });
      return same ? section : { ...section, components };
    });
    const missing = ids ? ids.size - reached : 0;
    if (ids && missing === ids.size) {
      const lost = missing === 1 ? 'The line' : 'None of the lines';
      return refused(design, change, issue('change.target-gone', [], { what: lost }));
    }
    const gone = what.of === 'section' && change.change === 'leave-out';
    const left = gone ? sections.filter(({ id }) => id !== what.id) : sections;
    return done({ ...design, sections: left }, change, changed, lines);
  }

  private surroundings(design: Design): Surroundings {
    const key = JSON.stringify(design.books);
    const known = this.around.get(key);
    if (known?.hold(design)) return known;
    if (this.around.size >= MOST_AROUND) this.around.clear();
    const made = new Surroundings(design, this.books, this.pricer);
    this.around.set(key, made);
    return made;
  }
}

function reaches(what: Scope, section: Section): boolean {
  return what.of !== 'section' || what.id === section.id;
}

function edited(design: Design, change: Extract<Change, { change: 'edit' }>): Step {
  const { edit } = change;
  const applied = applyEdit(design, edit);
  if (!applied.ok) {
    const gone = applied.issue.code === 'edit.target-gone';
    const why = gone ? issue('change.target-gone', [], { what: 'What it changes' }) : applied.issue;
    return refused(design, change, why);
  }
  const after = applied.value.design;
  if ('id' in edit) {
    const line = allComponents(after).find(({ id }) => id === edit.id);
    const before = allComponents(design).find(({ id }) => id === edit.id);
    const faults = line ? kindFaults(line) : [];
    if (faults.length > (before ? kindFaults(before).length : 0)) {
      return refused(design, change, issue('edit.invalid', [], { reason: `${faults[0]!.message}.` }));
    }
  }
  return done(after, change, 1, []);
}

function done(design: Design, change: Change, changed: number, lines: readonly LineOutcome[]): Step {
  const why: Issue | null = changed === 0 && lines.length === 0 ? issue('change.nothing', []) : null;
  return { design, outcome: { change, why, changed, lines } };
}

function refused(design: Design, change: Change, why: Issue): Step {
  return { design, outcome: { change, why, changed: 0, lines: [] } };
}
