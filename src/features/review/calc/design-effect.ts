/**
 * What a change of code does to the design it came from: as edits, which can be taken back, and as money, by pricing the
 * design with them and without. Only what the change changes is taken over; what people planned otherwise stays.
 */
import { type Decimal, decimal, type Result, ZERO } from '@/engine/base';
import {
  allComponents,
  applyEdits,
  type BookPin,
  type Component,
  type Design,
  type DesignEdit,
  type Section,
} from '@/engine/design';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { type BookSet, createPricer } from '@/engine/pricing';
import type { CodeLine } from './code-lines';
import { type LineMatch, originOf } from './line-matches';
import type { Sums } from './model';
import { sideOf } from './priced-side';
import { sumsOf } from './review-totals';

export interface EffectAsked {
  readonly design: Design;
  readonly lines: readonly CodeLine[];
  readonly matches: ReadonlyMap<string, LineMatch>;
  readonly repository: string;
  /** Of the review: for books that the design does not have yet. */
  readonly pins: readonly BookPin[];
  /** For new lines and sections: another one each time. */
  readonly newId: () => string;
}

const TAKEN_OVER = ['count', 'place', 'choice', 'running', 'term', 'size', 'load'] as const;

/**
 * @example
 * acceptEdits({ design, lines: [], matches: new Map(), repository: 'a', pins: [], newId: () => 'n' }); // => []
 */
export function acceptEdits(asked: EffectAsked): DesignEdit[] {
  const { design, lines, matches } = asked;
  const byId = new Map(allComponents(design).map((component) => [component.id, component]));
  const added = new Map<string, CodeLine[]>();
  const edits = lines.flatMap((line): DesignEdit[] => {
    const match = matches.get(line.id);
    if (line.isOpen || !match || !isChanged(line)) return [];
    if (match.is === 'new' && line.after) {
      const section = sectionOf(line, asked.repository);
      added.set(section, [...(added.get(section) ?? []), line]);
    }
    const known = match.is === 'line' ? byId.get(match.line) : undefined;
    return known ? editsOf(known, line, asked.repository) : [];
  });
  const pins = pinEdit(asked, edits, added);
  return [...pins, ...edits, ...[...added].flatMap(([section, all]) => addEdits(asked, section, all))];
}

/**
 * Something of it is otherwise after the change.
 *
 * @example
 * isChanged({ before: null, after: null }); // => false
 */
export function isChanged({ before, after }: Pick<CodeLine, 'before' | 'after'>): boolean {
  return JSON.stringify(before && withoutName(before)) !== JSON.stringify(after && withoutName(after));
}

const withoutName = ({ id: _, name: __, ...rest }: Component): object => rest;

function editsOf(known: Component, { id, before, after }: CodeLine, repository: string): DesignEdit[] {
  if (!after) return [{ edit: 'remove-component', id: known.id }];
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);
  const fields = TAKEN_OVER.flatMap((field): DesignEdit[] => {
    const changes = !before || !same(before[field], after[field]);
    return changes && !same(known[field], after[field])
      ? [{ edit: 'set-component', id: known.id, field, value: after[field] ?? null } as DesignEdit]
      : [];
  });
  const meters = [...new Set([...Object.keys(before?.usage ?? {}), ...Object.keys(after.usage)])];
  const usage = meters.flatMap((meter): DesignEdit[] => {
    const [was, is] = [before?.usage[meter], after.usage[meter]];
    return same(was, is) || same(known.usage[meter], is)
      ? []
      : [{ edit: 'set-usage', id: known.id, meter, value: is ?? null }];
  });
  const edits = [...fields, ...usage];
  if (edits.length === 0 || known.origin) return edits;
  return [
    ...edits,
    { edit: 'set-component', id: known.id, field: 'origin', value: originOf(repository, id) },
  ];
}

/** The module's name; of what is in the root, the repository's. */
function sectionOf({ module }: CodeLine, repository: string): string {
  const name = module.replace(/^module\./, '').replaceAll('.module.', ' / ');
  return cutTo(name === '' ? repository : name);
}

function addEdits(
  { design, repository, newId }: EffectAsked,
  name: string,
  lines: readonly CodeLine[],
): DesignEdit[] {
  const known = design.sections.find((section) => section.name === name);
  const section: Pick<Section, 'id'> = known ?? { id: newId() };
  const first = known?.components.length ?? 0;
  return [
    ...(known
      ? []
      : [
          {
            edit: 'add-section' as const,
            index: design.sections.length,
            section: { id: section.id, name, components: [] },
          },
        ]),
    ...lines.map((line, at): DesignEdit => {
      const { after, tags } = line;
      const component: Component = {
        ...after!,
        id: newId(),
        name: cutTo(nameOf(line)),
        origin: originOf(repository, line.id),
        ...(tags && Object.keys(tags).length > 0 && { tags }),
      };
      return { edit: 'add-component', section: section.id, index: first + at, component };
    }),
  ];
}

function nameOf({ id, module }: CodeLine): string {
  const own = module === '' ? id : id.slice(module.length + 1);
  return own.replace('/', ': ');
}

const LONGEST = 200;
const cutTo = (text: string): string => [...text].slice(0, LONGEST).join('');

/** Books of what comes in, where the design does not have them yet. */
function pinEdit(
  { design, lines, pins }: EffectAsked,
  edits: readonly DesignEdit[],
  added: ReadonlyMap<string, readonly CodeLine[]>,
): DesignEdit[] {
  const wanted = new Set([...added.values()].flat().flatMap(({ after }) => after?.place?.book ?? []));
  for (const edit of edits)
    if (edit.edit === 'set-component' && edit.field === 'place' && edit.value) wanted.add(edit.value.book);
  const missing = pins.filter(
    ({ book }) => wanted.has(book) && !design.books.some((pin) => pin.book === book),
  );
  const used = lines.length > 0 && missing.length > 0;
  return used ? [{ edit: 'pin-books', books: [...design.books, ...missing] }] : [];
}

export interface EffectRow {
  readonly id: string;
  readonly name: string;
  /** Null: not there, or no price. */
  readonly before: string | null;
  readonly after: string | null;
  readonly difference: string;
}

export interface DesignEffect {
  readonly design: Design;
  readonly inverse: readonly DesignEdit[];
  readonly totals: Sums;
  /** Lines whose amount the change moves, those that move most first; others may move with them, through pools. */
  readonly rows: readonly EffectRow[];
}

/**
 * Prices the design without the edits and with them. Refused where an edit cannot be made.
 *
 * @example
 * must(designEffect(design, [], books)).totals.difference; // => '0'
 */
export function designEffect(
  design: Design,
  edits: readonly DesignEdit[],
  books: BookSet,
): Result<DesignEffect> {
  const applied = applyEdits(design, edits);
  if (!applied.ok) return applied;
  const pricer = createPricer(books);
  const plan = pricer.plan(design);
  const before = sideOf(plan, 'likely');
  const after = sideOf(pricer.plan(applied.value.design, plan), 'likely');
  const digits = minorDigits(design.currency);
  const total = (side: typeof before): Decimal => halfAwayFromZero(side.priced.monthly.value, digits);
  const names = new Map(
    [...allComponents(design), ...allComponents(applied.value.design)].map(({ id, name }) => [id, name]),
  );
  const rows = [...names].flatMap(([id, name]): EffectRow[] => {
    const [was, is] = [before.printed.get(id) ?? null, after.printed.get(id) ?? null];
    const moves = (is ?? ZERO).minus(was ?? ZERO);
    return moves.isZero() && (was === null) === (is === null)
      ? []
      : [
          {
            id,
            name,
            before: was?.toString() ?? null,
            after: is?.toString() ?? null,
            difference: moves.toString(),
          },
        ];
  });
  return {
    ok: true,
    value: {
      design: applied.value.design,
      inverse: applied.value.inverse as DesignEdit[],
      totals: sumsOf(total(before), total(after)),
      rows: rows.sort((a, b) => decimal(b.difference).abs().comparedTo(decimal(a.difference).abs())),
    },
  };
}
