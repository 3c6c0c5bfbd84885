/** Edits in words, for the history: "Count of “Front servers”: 4, lean 3, heavy 6". */
import { kindOf, meterOfKind } from '@/engine/books';
import { type Design, type Edit, findComponent } from '@/engine/design';
import { editSubject, editValue } from '@/features/design/words';

/** What is alike is said once: "12 lines added". */
export function describeEdits(edits: readonly Edit[], design: Design): string[] {
  const added = edits.filter((edit) => edit.edit === 'add-component');
  const names = new Map(added.map((edit) => [edit.component.id, edit.component.name] as const));
  const seen = new Set<string>();
  return edits.flatMap((edit) => {
    const line = describeEdit(edit, design, names);
    if (line === null || seen.has(line)) return [];
    seen.add(line);
    return [line];
  });
}

function describeEdit(edit: Edit, design: Design, names: ReadonlyMap<string, string>): string | null {
  const named = (id: string): string =>
    findComponent(design, id)?.name ??
    design.sections.find((section) => section.id === id)?.name ??
    names.get(id) ??
    'a line';
  switch (edit.edit) {
    case 'add-component':
      return `“${edit.component.name}” added, ${kindOf(edit.component.kind).label.toLowerCase()}`;
    case 'remove-component':
      return names.has(edit.id) ? null : `“${named(edit.id)}” removed`;
    case 'add-section':
      return `Section “${edit.section.name}” added, ${edit.section.components.length} lines`;
    case 'remove-section':
      return `Section “${named(edit.id)}” removed`;
    case 'move-component':
      return `“${named(edit.id)}” moved`;
    case 'set-usage': {
      const component = findComponent(design, edit.id);
      const meter = component && meterOfKind(component.kind, edit.meter)?.label;
      return `${meter ?? edit.meter} of “${named(edit.id)}”: ${editValue(edit)}`;
    }
    default:
      return `${editSubject(edit, design)}: ${editValue(edit)}`;
  }
}
