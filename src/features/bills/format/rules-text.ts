/** Drafted rules added to the text of those that are there. */
import { parseDocument, YAMLSeq } from 'yaml';
import type { DraftRule } from '@/features/bills/calc';

/** Behind the others, so that those stay first; under names that none of them has. */
export function withDraft(text: string, drafts: readonly DraftRule[]): string {
  const document = parseDocument(text);
  let rules = document.get('rules');
  if (!(rules instanceof YAMLSeq)) {
    rules = new YAMLSeq();
    document.set('rules', rules);
  }
  const seq = rules as YAMLSeq;
  seq.flow = false;
  const known = new Set((seq.toJSON() as { readonly id?: string }[]).map(({ id }) => id));
  let number = 0;
  for (const { rule } of drafts) {
    let id: string;
    do id = `drafted-${(number += 1)}`;
    while (known.has(id));
    known.add(id);
    seq.add(document.createNode({ id, when: rule.when, to: rule.to }));
  }
  return document.toString();
}
