/** New lines: one of a kind or a found offer, or many that were pasted; where the cursor is. */
import { type Kind, kindOf } from '@/engine/books';
import type { Component, Design, Edit, Section } from '@/engine/design';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import type { LedgerCursor, LedgerRow } from '@/platform/ui/ledger';
import { tell } from '@/platform/ui/toast';
import type { PricingClient } from '@/features/design/worker/client';
import { toLedger } from './to-ledger';
import { begun, firstChoice, ofOffer } from './place-edits';
import { newComponent, type Row } from './rows';
import type { BookInfo } from './book-list';

interface Adding {
  readonly design: Design;
  readonly rows: readonly LedgerRow<Row>[];
  readonly cursor: LedgerCursor | null;
  readonly client: PricingClient | null;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => boolean;
  /** Completes a change that was just made; nothing is said where that is gone already. */
  readonly complete: (edits: readonly Edit[], change: readonly Edit[]) => void;
  readonly undo: () => void;
  readonly moveCursor: (cursor: LedgerCursor) => void;
}

export function adding(world: Adding) {
  const { design, rows, cursor, client, bookList, apply, complete, undo, moveCursor } = world;
  const hereSection = (): Section | undefined => {
    const here = rows.find((row) => row.key === cursor?.row)?.data;
    return here && here.kind !== 'next-section' ? here.section : design.sections.at(-1);
  };
  /** The line is there at once, to be named; what it costs follows a moment later and is the same step of undo. */
  const addOfKind = async (kind: Kind, section: Section, offer: FoundOffer | null = null): Promise<void> => {
    const fresh = newComponent(design, section, kind, kindOf(kind).label, crypto.randomUUID());
    const { component, pins } = offer
      ? ofOffer(design, fresh, offer, bookList)
      : { component: begun(fresh), pins: [] };
    const index = section.components.length;
    const added: Edit[] = [...pins, { edit: 'add-component', section: section.id, index, component }];
    apply(added);
    moveCursor({ row: component.id, column: 'name', editing: { text: null } });
    const choice = client && !offer ? await firstChoice(client, design, component) : [];
    if (choice.length > 0) complete(choice, added);
  };
  const paste = (components: readonly Component[]): void => {
    const section = hereSection();
    if (!section) return tell('Add a section first; rows are written into it.');
    const start = section.components.length;
    const adds = components.map((component, at): Edit => ({
      edit: 'add-component',
      section: section.id,
      index: start + at,
      component,
    }));
    if (!apply([...pinsFor(components, design, bookList), ...adds])) return;
    tell(`${components.length} lines were added.`, { label: 'Undo', run: undo });
    requestAnimationFrame(toLedger);
  };
  /** A starred component again, under an id of its own. */
  const addStarred = (starred: Component, section = hereSection()): void => {
    if (!section) return tell('Add a section first; lines are written into it.');
    const component = { ...starred, id: crypto.randomUUID() };
    const index = section.components.length;
    const add: Edit = { edit: 'add-component', section: section.id, index, component };
    if (apply([...pinsFor([component], design, bookList), add]))
      moveCursor({ row: component.id, column: 'name' });
  };
  return { hereSection, addOfKind, addStarred, paste };
}

/** Pins the books that the design does not use yet. */
export function pinsFor(
  components: readonly Component[],
  design: Design,
  bookList: readonly BookInfo[],
): Edit[] {
  const unpinned = bookList.filter(
    (book) =>
      components.some((each) => each.place?.book === book.key) &&
      !design.books.some((pin) => pin.book === book.key),
  );
  if (unpinned.length === 0) return [];
  const pins = unpinned.map((book) => ({ book: book.key, revision: book.revision }));
  return [{ edit: 'pin-books', books: [...design.books, ...pins] }];
}
