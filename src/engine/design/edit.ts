/**
 * Edits are small commands. `applyEdit` returns the new design and the command that takes it back, so that undo is
 * an edit like any other. Source: architecture, "Data".
 */
import { assertNever, err, issue, ok, type Result } from '../base';
import type { AlternativeEdit } from './alternative';
import type { Component, Place, Section, UsageEntry } from './component';
import type { Design } from './design';
import { designInStep } from './following';
import type { DesignEdit } from './edit-model';

/** Everything that changes what is kept of a design. */
export type Edit = DesignEdit | AlternativeEdit;

export interface Applied {
  readonly design: Design;
  readonly inverse: Edit;
}

/**
 * Applies one edit. Refused with `edit.target-gone` (the section or component is not there any more) or
 * `edit.duplicate-id` (an id that is already in use).
 *
 * @example
 * must(applyEdit(design, { edit: 'set-design', field: 'title', value: 'Ferry' })).design.title; // => 'Ferry'
 */
export function applyEdit(design: Design, edit: Edit): Result<Applied> {
  switch (edit.edit) {
    case 'set-design':
      return ok({
        design: { ...design, [edit.field]: edit.value },
        inverse: { ...edit, value: design[edit.field] },
      });
    case 'set-assumption':
      return ok({
        design: inStepAfter(edit, {
          ...design,
          assumptions: withField(design.assumptions, edit.field, edit.value),
        }),
        inverse: { ...edit, value: design.assumptions[edit.field] ?? null } as Edit,
      });
    case 'set-agreements':
      return ok({
        design: { ...design, agreements: edit.agreements },
        inverse: { edit: 'set-agreements', agreements: design.agreements ?? [] },
      });
    case 'answer-check':
      return answerCheck(design, edit);
    case 'pin-books':
      return ok({
        design: { ...design, books: edit.books },
        inverse: { edit: 'pin-books', books: design.books },
      });
    case 'set-component':
      return onComponent(design, edit.id, (component) => ({
        component: withField(component, edit.field, edit.value),
        inverse: { ...edit, value: component[edit.field] ?? null } as Edit,
      }));
    case 'set-usage':
      return onComponent(design, edit.id, (component) => ({
        component: { ...component, usage: withUsage(component.usage, edit.meter, edit.value) },
        inverse: { ...edit, value: component.usage[edit.meter] ?? null },
      }));
    case 'add-section':
      return addSection(design, edit.section, edit.index);
    case 'remove-section':
      return removeSection(design, edit.id);
    case 'rename-section':
      return onSection(design, edit.id, (section) => ({
        section: { ...section, name: edit.name },
        inverse: { ...edit, name: section.name },
      }));
    case 'place-new-lines':
      return placeNewLines(design, edit);
    case 'add-component':
      return addComponent(design, edit.section, edit.component, edit.index);
    case 'remove-component':
      return removeComponent(design, edit.id);
    case 'move-component':
      return moveComponent(design, edit.id, edit.section, edit.index);
    case 'put-alternative':
      return putAlternative(design, edit);
    case 'remove-alternative':
      return removeAlternative(design, edit.id);
    default:
      return assertNever(edit);
  }
}

/**
 * Applies edits in order, or refuses at the first that cannot be applied. The inverse is in undo order.
 *
 * @example
 * must(applyEdits(design, [{ edit: 'remove-component', id: 'a' }])).inverse[0]!.edit; // => 'add-component'
 */
export function applyEdits(
  design: Design,
  edits: readonly Edit[],
): Result<{ design: Design; inverse: Edit[] }> {
  let current = design;
  const inverse: Edit[] = [];
  for (const edit of edits) {
    const applied = applyEdit(current, edit);
    if (!applied.ok) return applied;
    current = applied.value.design;
    inverse.unshift(applied.value.inverse);
  }
  return ok({ design: current, inverse });
}

/** What follows a driver is worked out anew where the drivers, or what follows them, may be others. */
function inStepAfter(edit: Edit, design: Design): Design {
  const reaches = edit.edit !== 'set-assumption' || edit.field === 'drivers';
  return reaches ? designInStep(design) : design;
}

function answerCheck(design: Design, edit: Extract<Edit, { edit: 'answer-check' }>): Result<Applied> {
  const { check, subject, reason } = edit;
  const all = design.answers ?? [];
  const before = all.find((each) => each.check === check && each.subject === subject);
  const others = all.filter((each) => each !== before);
  const answers = reason === null ? others : [...others, { check, subject, reason }];
  return ok({ design: { ...design, answers }, inverse: { ...edit, reason: before?.reason ?? null } });
}

function placeNewLines(design: Design, edit: Extract<Edit, { edit: 'place-new-lines' }>): Result<Applied> {
  const { section: id, place } = edit;
  if (id === null) {
    return ok({ design: placed(design, place), inverse: { ...edit, place: design.place ?? null } });
  }
  return onSection(design, id, (section) => ({
    section: placed(section, place),
    inverse: { ...edit, place: section.place ?? null },
  }));
}

function placed<T extends { readonly place?: Place | null }>(from: T, place: Place | null): T {
  const { place: _, ...rest } = from;
  return (place ? { ...rest, place } : rest) as T;
}

function putAlternative(design: Design, edit: Extract<Edit, { edit: 'put-alternative' }>): Result<Applied> {
  const { alternative, index } = edit;
  const all = design.alternatives ?? [];
  const at = all.findIndex((each) => each.id === alternative.id);
  const others = all.filter((_, each) => each !== at);
  const inverse: Edit =
    at < 0
      ? { edit: 'remove-alternative', id: alternative.id }
      : { edit: 'put-alternative', index: at, alternative: all[at]! };
  return ok({ design: withAlternatives(design, insertAt(others, index, alternative)), inverse });
}

function removeAlternative(design: Design, id: string): Result<Applied> {
  const all = design.alternatives ?? [];
  const index = all.findIndex((each) => each.id === id);
  if (index < 0) return gone(id);
  return ok({
    design: withAlternatives(
      design,
      all.filter((each) => each.id !== id),
    ),
    inverse: { edit: 'put-alternative', index, alternative: all[index]! },
  });
}

function withAlternatives(design: Design, alternatives: Design['alternatives'] & {}): Design {
  const { alternatives: _, ...rest } = design;
  return alternatives.length > 0 ? { ...rest, alternatives } : rest;
}

function gone(id: string): Result<never> {
  return err(issue('edit.target-gone', [], { id: id.slice(0, 80) }));
}

/** Sets a field; null takes one away that may be missing (`place` stays null). */
function withField<T extends object>(from: T, field: keyof T, value: unknown): T {
  if (value !== null || field === 'place') return { ...from, [field]: value };
  const { [field]: _, ...rest } = from;
  return rest as T;
}

function withUsage(
  usage: Component['usage'],
  meter: string,
  value: UsageEntry | null,
): Readonly<Record<string, UsageEntry>> {
  const { [meter]: _, ...rest } = usage;
  return value ? { ...rest, [meter]: value } : rest;
}

function onSection(
  design: Design,
  id: string,
  change: (section: Section) => { section: Section; inverse: Edit },
): Result<Applied> {
  const found = design.sections.find((section) => section.id === id);
  if (!found) return gone(id);
  const { section, inverse } = change(found);
  const sections = design.sections.map((each) => (each === found ? section : each));
  return ok({ design: inStepAfter(inverse, { ...design, sections }), inverse });
}

function onComponent(
  design: Design,
  id: string,
  change: (component: Component) => { component: Component; inverse: Edit },
): Result<Applied> {
  const home = design.sections.find((section) => section.components.some((each) => each.id === id));
  if (!home) return gone(id);
  return onSection(design, home.id, (section) => {
    const found = section.components.find((each) => each.id === id)!;
    const { component, inverse } = change(found);
    const components = section.components.map((each) => (each === found ? component : each));
    return { section: { ...section, components }, inverse };
  });
}

function insertAt<T>(list: readonly T[], index: number, value: T): T[] {
  const place = Math.max(0, Math.min(index, list.length));
  return [...list.slice(0, place), value, ...list.slice(place)];
}

function hasId(design: Design, id: string): boolean {
  return design.sections.some(
    (section) => section.id === id || section.components.some((each) => each.id === id),
  );
}

function addSection(design: Design, section: Section, index: number): Result<Applied> {
  const ids = [section.id, ...section.components.map((component) => component.id)];
  const taken = ids.find((id, at) => hasId(design, id) || ids.indexOf(id) !== at);
  if (taken !== undefined) return err(issue('edit.duplicate-id', [], { id: taken }));
  return ok({
    design: designInStep({ ...design, sections: insertAt(design.sections, index, section) }),
    inverse: { edit: 'remove-section', id: section.id },
  });
}

function removeSection(design: Design, id: string): Result<Applied> {
  const index = design.sections.findIndex((section) => section.id === id);
  if (index < 0) return gone(id);
  return ok({
    design: { ...design, sections: design.sections.filter((section) => section.id !== id) },
    inverse: { edit: 'add-section', index, section: design.sections[index]! },
  });
}

function addComponent(
  design: Design,
  sectionId: string,
  component: Component,
  index: number,
): Result<Applied> {
  if (hasId(design, component.id)) return err(issue('edit.duplicate-id', [], { id: component.id }));
  return onSection(design, sectionId, (section) => ({
    section: { ...section, components: insertAt(section.components, index, component) },
    inverse: { edit: 'remove-component', id: component.id },
  }));
}

function removeComponent(design: Design, id: string): Result<Applied> {
  const home = design.sections.find((section) => section.components.some((each) => each.id === id));
  if (!home) return gone(id);
  const index = home.components.findIndex((each) => each.id === id);
  const component = home.components[index]!;
  return onSection(design, home.id, (section) => ({
    section: { ...section, components: section.components.filter((each) => each.id !== id) },
    inverse: { edit: 'add-component', section: home.id, index, component },
  }));
}

function moveComponent(design: Design, id: string, to: string, index: number): Result<Applied> {
  if (!design.sections.some((section) => section.id === to)) return gone(to);
  const removed = removeComponent(design, id);
  if (!removed.ok) return removed;
  const back = removed.value.inverse as Extract<Edit, { edit: 'add-component' }>;
  const added = addComponent(removed.value.design, to, back.component, index);
  if (!added.ok) return added;
  const inverse: Edit = { edit: 'move-component', id, section: back.section, index: back.index };
  return ok({ design: added.value.design, inverse });
}
