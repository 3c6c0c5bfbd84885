/** From the cells of a pasted table to components, row by row; what cannot be read is a fault with its column. */
import { type Decimal, parseDecimal } from '@/engine/base';
import { type Kind, kindOf, KINDS } from '@/engine/books';
import {
  applyEdits,
  type Choice,
  type Component,
  type Design,
  type Place,
  withTakenPlace,
} from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { sentenceFor } from '@/platform/words';
import { TERMS } from '@/engine/terms';
import { inAllCases } from '@/engine/usage';
import { readCount, readUse } from '../cells/use-text';
import type { Field, PastedTable } from './pasted-table';

export interface PasteBook {
  readonly key: string;
  readonly title: string;
  readonly regions: readonly { readonly code: string; readonly name: string }[];
  readonly offers: readonly { readonly sku: string; readonly name: string; readonly kind: Kind }[];
}

export interface PasteWorld {
  readonly books: readonly PasteBook[];
  /** Where a row stands that does not say. */
  readonly place: Place | null;
  readonly newId: () => string;
  readonly monthHours: (component: Component) => Decimal;
}

export interface PastedFault {
  /** Column of the pasted table, from 0; null: the row as a whole. */
  readonly column: number | null;
  readonly message: string;
}

export type PastedLine =
  | { readonly component: Component; readonly faults: readonly [] }
  | { readonly component: null; readonly faults: readonly PastedFault[] };

export function pastedLines(
  { rows }: PastedTable,
  fields: readonly Field[],
  world: PasteWorld,
): readonly PastedLine[] {
  return rows.map((row, index) => pastedLine(row, index, fields, world));
}

function same(a: string, b: string): boolean {
  return a.trim().toLowerCase() === b.trim().toLowerCase();
}

function pastedLine(
  row: readonly string[],
  index: number,
  fields: readonly Field[],
  world: PasteWorld,
): PastedLine {
  const faults: PastedFault[] = [];
  const cell = (field: Field): string => row[fields.indexOf(field)]?.trim() ?? '';
  const fault = (field: Field, message: string): void => {
    const column = fields.indexOf(field);
    faults.push({ column: column < 0 ? null : column, message });
  };
  const place = placeOf(cell, world, fault);
  const book = world.books.find((each) => each.key === place?.book);
  const wanted = cell('offer');
  const offer = book && offerOf(book, wanted);
  if (wanted && !offer) fault('offer', `${book?.title ?? 'The book'} has no offer “${wanted.slice(0, 60)}”.`);
  const kind = kindFor(cell, offer?.kind ?? null, fault);
  const choice = choiceFor(cell, kind, offer?.sku ?? null, fault);
  if (!kind) return { component: null, faults };
  const fresh: Component = {
    id: world.newId(),
    name: (cell('name') || `${kindOf(kind).label} ${index + 1}`).slice(0, 200),
    kind,
    count: inAllCases('1'),
    place,
    choice,
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
  };
  // A row that names no region stands where the lines around it stand, and says so.
  const placed = cell('region') === '' ? withTakenPlace(fresh, place) : fresh;
  const component = withEntries(placed, cell, world, fault);
  return faults.length > 0 ? { component: null, faults } : { component, faults: [] };
}

type Cell = (field: Field) => string;
type Report = (field: Field, message: string) => void;

function placeOf(cell: Cell, { books, place }: PasteWorld, fault: Report): Place | null {
  const provider = cell('provider');
  const named = books.find((book) => same(book.key, provider) || same(book.title, provider));
  if (provider && !named) {
    fault('provider', `There is no price book “${provider.slice(0, 60)}” here.`);
    return null;
  }
  const region = cell('region');
  const candidates = named ? [named] : books;
  if (!region) {
    if (!named || named.key === place?.book) return place;
    return named.regions[0] ? { book: named.key, region: named.regions[0].code } : null;
  }
  const home = candidates.filter((book) => regionOf(book, region));
  // Where several have a region of that name: who has the offer, then who the lines around are bought from.
  const having = home.filter((each) => offerOf(each, cell('offer')));
  const likely = having.length > 0 ? having : home;
  const book = likely.find((each) => each.key === place?.book) ?? likely[0];
  if (!book) {
    fault('region', `${named ? named.title : 'No provider'} has no region “${region.slice(0, 60)}”.`);
    return null;
  }
  return { book: book.key, region: regionOf(book, region)!.code };
}

function offerOf({ offers }: PasteBook, text: string) {
  return text === '' ? undefined : offers.find((each) => same(each.sku, text) || same(each.name, text));
}

function regionOf(book: PasteBook, text: string) {
  return book.regions.find((each) => same(each.code, text) || same(each.name, text));
}

function kindFor(cell: Cell, ofOffer: Kind | null, fault: Report): Kind | null {
  const text = cell('kind');
  const named = KINDS.find(({ kind, label, plural }) =>
    [kind, label, plural].some((each) => same(each, text)),
  );
  if (text && !named) {
    fault('kind', `“${text.slice(0, 60)}” is not a kind we know.`);
    return null;
  }
  if (named && ofOffer && named.kind !== ofOffer) {
    fault('kind', `The offer is a ${kindOf(ofOffer).label.toLowerCase()}.`);
    return null;
  }
  if (named ?? ofOffer) return named?.kind ?? ofOffer;
  // A row with nothing but a size is a machine.
  if (cell('vcpu') || cell('memory') || !cell('offer')) return 'server';
  return null;
}

function choiceFor(cell: Cell, kind: Kind | null, sku: string | null, fault: Report): Choice {
  if (sku) return { by: 'sku', sku };
  const amount = (field: 'vcpu' | 'memory'): string | null => {
    const text = cell(field).replace(/\s*(gib|gb|vcpu|cores?)$/i, '');
    if (!text) return null;
    const read = parseDecimal(text);
    if (read.ok && !read.value.isNegative()) return read.value.toString();
    fault(field, read.ok ? 'A size cannot be negative.' : sentenceFor(read.issue));
    return null;
  };
  const [vcpu, memory] = [amount('vcpu'), amount('memory')];
  if (!vcpu && !memory) return { by: 'none' };
  if (kind && kindOf(kind).size !== 'fixed') return { by: 'none' };
  return { by: 'cheapest', need: { vcpu: vcpu ?? '1', memory: memory ?? '1' } };
}

function withEntries(fresh: Component, cell: Cell, world: PasteWorld, fault: Report): Component {
  const edits = (['count', 'use'] as const).flatMap((field) => {
    const text = cell(field);
    if (!text) return [];
    const read = field === 'count' ? readCount(fresh, text) : readUse(fresh, text, world.monthHours(fresh));
    if (read.ok) return [read.value];
    fault(field, sentenceFor(read.issue));
    return [];
  });
  const paid = cell('paid');
  const term = TERMS.find((each) => same(each, paid) || same(describeTerm(each), paid));
  if (paid && !term)
    fault('paid', `“${paid.slice(0, 60)}” is not a way of paying; write for example “on demand”.`);
  const alone: Design = {
    title: '',
    description: '',
    currency: 'USD',
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [],
    sections: [{ id: 'pasted', name: '', components: [{ ...fresh, ...(term ? { term } : {}) }] }],
  };
  const applied = applyEdits(alone, edits);
  return applied.ok ? applied.value.design.sections[0]!.components[0]! : fresh;
}
