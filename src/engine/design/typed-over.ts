/** What typing another value over an entry undoes: that it was measured, that it followed a driver. */
import { applyEdits, type Edit } from './edit';
import type { Component } from './component';
import { allComponents, type Design } from './design';
import type { DesignEdit } from './edit-model';
import { entriesOf, type NamedEntry } from './entries';
import { isSame } from './is-same';

export interface LetGo {
  readonly component: string;
  readonly name: string;
  readonly label: string;
  readonly formula: string;
}

/** By component that is another than before: its entries before and now. Components that went or came are not looked at. */
function changedEntries(before: Design, after: Design) {
  const known = new Map(allComponents(before).map((each) => [each.id, each]));
  return allComponents(after).flatMap((now) => {
    const old = known.get(now.id);
    if (!old || old === now) return [];
    const entries = new Map(entriesOf(now).map((each) => [each.entry, each]));
    return [{ old, now, entries }];
  });
}

const marked = (old: Component): NamedEntry[] =>
  entriesOf(old).filter(({ entry }) => old.measured?.includes(entry));

/**
 * The edits that go along: an entry that was measured and gets another value is measured no more. None where the edits say
 * themselves what is measured.
 *
 * @example
 * withoutStaleMarks(design, [{ edit: 'set-component', id: 'a', field: 'count', value: { likely: '3' } }]); // => []
 */
export function withoutStaleMarks(design: Design, edits: readonly Edit[]): DesignEdit[] {
  const touches = edits.some(({ edit }) => edit === 'set-component' || edit === 'set-usage');
  if (!touches) return [];
  const applied = applyEdits(design, edits);
  if (!applied.ok) return [];
  const said = new Set(
    edits.flatMap((each) => (each.edit === 'set-component' && each.field === 'measured' ? [each.id] : [])),
  );
  return changedEntries(design, applied.value.design).flatMap(({ old, now, entries }): DesignEdit[] => {
    if (!now.measured || said.has(now.id)) return [];
    const stale = marked(old).filter(({ entry, value }) => !isSame(entries.get(entry)?.value, value));
    if (stale.length === 0) return [];
    const rest = now.measured.filter((each) => !stale.some(({ entry }) => entry === each));
    return [{ edit: 'set-component', id: now.id, field: 'measured', value: rest.length > 0 ? rest : null }];
  });
}

/**
 * Entries that followed a formula before the edits, and follow none after them.
 *
 * @example
 * letGoBy(design, [{ edit: 'set-component', id: 'a', field: 'count', value: { likely: '3' } }]); // => []
 */
export function letGoBy(design: Design, edits: readonly Edit[]): LetGo[] {
  const applied = applyEdits(design, edits);
  if (!applied.ok) return [];
  return changedEntries(design, applied.value.design).flatMap(({ old, entries }) =>
    entriesOf(old).flatMap(({ entry, label, value: { formula } }): LetGo[] => {
      const now = entries.get(entry);
      if (formula === undefined || !now || now.value.formula !== undefined) return [];
      return [{ component: old.id, name: old.name, label, formula }];
    }),
  );
}
