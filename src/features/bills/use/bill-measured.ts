/** What a bill measured, taken over into its design. Need P6. */
import { applyEdits, type DesignEdit } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { AppError, invalid } from '@/platform/use/app-error';
import { viewBill } from './bill-view';
import { editDesign } from '@/features/design/use/edit-design';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

export interface NamedEntry {
  readonly component: string;
  readonly meter: string;
}

export interface TakenOver {
  readonly design: string;
  readonly revision: number;
  /** What takes it back. */
  readonly inverse: readonly DesignEdit[];
}

/** Several at once, as one edit. Refused as a whole where one of them is not measured. */
export async function takeMeasured(
  context: Context,
  id: string,
  entries: readonly NamedEntry[],
): Promise<TakenOver> {
  allow(context.actor, 'takeMeasured');
  const { bill, design, measured } = await viewBill(context, id);
  if (!design) throw invalid('Choose the design that this bill is held against first.');
  const source = `measured: ${bill.provider} ${bill.account}, ${bill.from} to ${bill.newest}`;
  const edits = entries.flatMap(({ component, meter }): DesignEdit[] => {
    const found = measured.find((each) => each.component === component && each.meter === meter);
    if (!found) throw invalid(`There is nothing measured for ${meter} of ${component}.`);
    return [...found.edits, { edit: 'set-component', id: component, field: 'origin', value: source }];
  });
  if (edits.length === 0) throw invalid('Choose at least one of them.');
  const stored = await context.designs.find(context.actor.workspace, design.id);
  if (stored?.revision !== design.revision)
    throw new AppError('conflict', 'The design was changed meanwhile. Look again, and take it over then.');
  const applied = applyEdits(stored.design, edits);
  if (!applied.ok) throw invalid(`It cannot be taken over: ${sentenceFor(applied.issue)}`);
  const batch = context.newId();
  const saved = await editDesign(context, design.id, { baseRevision: design.revision, batch, edits });
  return {
    design: design.id,
    revision: saved.revision,
    inverse: applied.value.inverse as readonly DesignEdit[],
  };
}
