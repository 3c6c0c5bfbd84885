/** An alternative as the design that it comes to, at once: what was just done to it needs no worker. */
import { applyEdits, type Change, type Design, type DesignEdit, editTarget } from '@/engine/design';

export interface Made {
  /** The design with its alternatives, when this was worked out. */
  readonly from: Design;
  readonly design: Design;
}

export function changesOf(design: Design, id: string): readonly Change[] | undefined {
  return design.alternatives?.find((each) => each.id === id)?.changes;
}

/**
 * What the alternative comes to now. The same object where nothing differs; with what was done since, where that is edits
 * of the ledger at its end; null: only the worker knows, because the design or an earlier change became another.
 */
export function madeNow(made: Made, now: Design, id: string): Design | null {
  if (made.from === now) return made.design;
  if (!sameButAlternatives(made.from, now)) return null;
  const [before, after] = [changesOf(made.from, id) ?? [], changesOf(now, id) ?? []];
  const common = before.findIndex((each, at) => each !== after[at]);
  const gone = common < 0 ? [] : before.slice(common);
  const fresh = editsOf(after.slice(before.length - gone.length));
  const left = editsOf(gone);
  if (!fresh || !left) return null;
  // What is gone was set, and is set anew.
  const targets = new Set(fresh.map(editTarget));
  if (!left.every((edit) => targets.has(editTarget(edit)))) return null;
  if (fresh.length === 0) return made.design;
  const applied = applyEdits(made.design, fresh);
  return applied.ok ? applied.value.design : null;
}

function editsOf(changes: readonly Change[]): DesignEdit[] | null {
  const edits: DesignEdit[] = [];
  for (const each of changes) {
    if (each.change !== 'edit') return null;
    edits.push(each.edit);
  }
  return edits;
}

function sameButAlternatives(one: Design, other: Design): boolean {
  const keys = new Set([...Object.keys(one), ...Object.keys(other)] as (keyof Design)[]);
  keys.delete('alternatives');
  return [...keys].every((key) => one[key] === other[key]);
}
