/**
 * The edits that turn one design into another: for going back to an earlier revision as a change like any other, and
 * for saying what two revisions differ in. What cannot be told by fields is taken out and put in again.
 */
import type { Alternative } from './alternative';
import type { Assumptions } from './assumptions';
import type { Component, Section } from './component';
import type { Design } from './design';
import { COMPONENT_FIELDS } from './component-fields';
import type { Edit } from './edit';
import { isSame } from './is-same';

/**
 * Applied to `from` they give `to`, but for answers to checks that stand in another order.
 *
 * @example
 * editsBetween(design, { ...design, title: 'Ferry' }); // => [{ edit: 'set-design', field: 'title', value: 'Ferry' }]
 */
export function editsBetween(from: Design, to: Design): Edit[] {
  return [
    ...(['title', 'description', 'currency'] as const).flatMap((field): Edit[] =>
      from[field] === to[field] ? [] : [{ edit: 'set-design', field, value: to[field] }],
    ),
    ...assumptionEdits(from.assumptions, to.assumptions),
    ...(isSame(from.books, to.books) ? [] : [{ edit: 'pin-books', books: to.books } as const]),
    ...(isSame(from.agreements ?? [], to.agreements ?? [])
      ? []
      : [{ edit: 'set-agreements', agreements: to.agreements ?? [] } as const]),
    ...placeEdits(null, from, to),
    ...answerEdits(from, to),
    ...alternativeEdits(from.alternatives ?? [], to.alternatives ?? []),
    ...sectionEdits(from.sections, to.sections),
  ];
}

function placeEdits(
  section: string | null,
  from: Pick<Section, 'place'>,
  to: Pick<Section, 'place'>,
): Edit[] {
  if (isSame(from.place ?? null, to.place ?? null)) return [];
  return [{ edit: 'place-new-lines', section, place: to.place ?? null }];
}

function assumptionEdits(from: Assumptions, to: Assumptions): Edit[] {
  const fields = [...new Set([...Object.keys(from), ...Object.keys(to)])] as (keyof Assumptions)[];
  return fields.flatMap((field): Edit[] =>
    isSame(from[field], to[field])
      ? []
      : [{ edit: 'set-assumption', field, value: to[field] ?? null } as Edit],
  );
}

function answerEdits(from: Design, to: Design): Edit[] {
  const key = ({ check, subject }: { check: string; subject: string }): string => `${check}\n${subject}`;
  const [before, after] = [from.answers ?? [], to.answers ?? []];
  const wanted = new Map(after.map((each) => [key(each), each]));
  const known = new Map(before.map((each) => [key(each), each]));
  return [
    ...before
      .filter((each) => !wanted.has(key(each)))
      .map(({ check, subject }): Edit => ({ edit: 'answer-check', check, subject, reason: null })),
    ...after
      .filter((each) => known.get(key(each))?.reason !== each.reason)
      .map((each): Edit => ({ edit: 'answer-check', ...each })),
  ];
}

function alternativeEdits(from: readonly Alternative[], to: readonly Alternative[]): Edit[] {
  const edits: Edit[] = [];
  let now = [...from];
  for (const { id } of from) {
    if (to.some((each) => each.id === id)) continue;
    edits.push({ edit: 'remove-alternative', id });
    now = now.filter((each) => each.id !== id);
  }
  to.forEach((alternative, index) => {
    if (isSame(now[index], alternative)) return;
    edits.push({ edit: 'put-alternative', index, alternative });
    now = now.filter((each) => each.id !== alternative.id);
    now.splice(index, 0, alternative);
  });
  return edits;
}

function sectionEdits(from: readonly Section[], to: readonly Section[]): Edit[] {
  const kept = commonInOrder(from, to);
  const home = new Map(from.flatMap(({ id, components }) => components.map((each) => [each.id, id])));
  const before = new Map(from.map((section) => [section.id, section]));
  const edits: Edit[] = [];
  // First everything goes that does not stay where it is, so that no id is there twice.
  for (const section of from) {
    const after = to.find((each) => each.id === section.id);
    if (!kept.has(section.id) || !after) edits.push({ edit: 'remove-section', id: section.id });
    else {
      const stays = commonInOrder(section.components, after.components);
      for (const { id } of section.components) {
        if (!stays.has(id)) edits.push({ edit: 'remove-component', id });
      }
    }
  }
  to.forEach((section, index) => {
    const old = kept.has(section.id) ? before.get(section.id)! : null;
    if (!old) {
      edits.push({ edit: 'add-section', index, section });
      return;
    }
    if (old.name !== section.name) edits.push({ edit: 'rename-section', id: section.id, name: section.name });
    edits.push(...placeEdits(section.id, old, section));
    const stays = commonInOrder(old.components, section.components);
    section.components.forEach((component, at) => {
      const earlier = stays.has(component.id) ? old.components.find(({ id }) => id === component.id)! : null;
      if (earlier && home.get(component.id) === section.id) edits.push(...componentEdits(earlier, component));
      if (!earlier) edits.push({ edit: 'add-component', section: section.id, index: at, component });
    });
  });
  return edits;
}

function componentEdits(from: Component, to: Component): Edit[] {
  const fields = COMPONENT_FIELDS.flatMap((field): Edit[] =>
    isSame(from[field] ?? null, to[field] ?? null)
      ? []
      : [{ edit: 'set-component', id: to.id, field, value: to[field] ?? null } as Edit],
  );
  const meters = [...new Set([...Object.keys(from.usage), ...Object.keys(to.usage)])];
  const usage = meters.flatMap((meter): Edit[] =>
    isSame(from.usage[meter], to.usage[meter])
      ? []
      : [{ edit: 'set-usage', id: to.id, meter, value: to.usage[meter] ?? null }],
  );
  return [...fields, ...usage];
}

interface Known {
  readonly id: string;
  readonly kind?: string;
}

/** Ids of what is in both and keeps its order among its like; a component of another kind is another component. */
function commonInOrder(from: readonly Known[], to: readonly Known[]): Set<string> {
  const kinds = new Map(from.map(({ id, kind }) => [id, kind ?? '']));
  const places = new Map(from.map(({ id }, index) => [id, index]));
  const candidates = to.filter(({ id, kind }) => kinds.get(id) === (kind ?? ''));
  const order = candidates.map(({ id }) => places.get(id)!);
  return new Set(longestRising(order).map((index) => candidates[index]!.id));
}

/** Indexes of a longest rising run of numbers, in order. */
function longestRising(numbers: readonly number[]): number[] {
  const length: number[] = [];
  const before: number[] = [];
  numbers.forEach((number, index) => {
    length[index] = 1;
    before[index] = -1;
    for (let at = 0; at < index; at += 1) {
      if (numbers[at]! < number && length[at]! + 1 > length[index]!) {
        length[index] = length[at]! + 1;
        before[index] = at;
      }
    }
  });
  let at = length.indexOf(Math.max(0, ...length));
  const run: number[] = [];
  while (at >= 0) {
    run.unshift(at);
    at = before[at]!;
  }
  return run;
}
