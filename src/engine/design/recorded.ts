/** What a person does to an alternative as if it were a design: each edit becomes one of its changes. */
import type { Change } from './alternative';
import type { Edit } from './edit';
import type { DesignEdit } from './edit-model';
import { editTarget } from './edit-target';

const PARTS: readonly Edit['edit'][] = [
  'add-section',
  'remove-section',
  'add-component',
  'remove-component',
  'move-component',
  'put-alternative',
  'remove-alternative',
];

/** Sets something to a value, whatever it was. */
const sets = ({ edit }: Edit): boolean => !PARTS.includes(edit);

/**
 * The changes with these edits after them. What is set anew takes the place of what was set before, unless something came
 * or went in between, so that ten corrections of one count stay one change.
 *
 * @example
 * const count = (likely: string) => ({ edit: 'set-component', id: 'a', field: 'count', value: { likely } }) as const;
 * recorded(recorded([], [count('2')]), [count('3')]).length; // => 1
 */
export function recorded(changes: readonly Change[], edits: readonly DesignEdit[]): readonly Change[] {
  const kept = [...changes];
  for (const edit of edits) {
    const before = overwritten(kept, edit);
    if (before >= 0) kept.splice(before, 1);
    kept.push({ change: 'edit', edit });
  }
  return kept;
}

function overwritten(changes: readonly Change[], edit: DesignEdit): number {
  if (!sets(edit)) return -1;
  const target = editTarget(edit);
  for (let at = changes.length - 1; at >= 0; at -= 1) {
    const each = changes[at]!;
    if (each.change !== 'edit' || !sets(each.edit)) return -1;
    if (editTarget(each.edit) === target) return at;
  }
  return -1;
}
