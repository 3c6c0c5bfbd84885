/** What an edit is about and what it sets, in words: for histories, questions, and what an alternative differs in. */
import { assertNever } from '@/engine/base';
import { type ComponentField, type Design, type Edit, findComponent, guessesOf } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { describeMonth } from '@/engine/time';
import type { Cased } from '@/engine/usage';
import { describeRunning } from './use-sentence';

const FIELDS: Readonly<Record<ComponentField, string>> = {
  name: 'The name',
  count: 'The count',
  place: 'The place',
  choice: 'The offer',
  running: 'The running hours',
  term: 'The way of paying',
  size: 'The size',
  load: 'The load',
  zones: 'The zones',
  committed: 'The committed units',
  mayBeStopped: 'Whether it may be stopped',
  licences: 'The licences',
  months: 'The months',
  custom: 'The own charges',
  later: 'The later amounts',
  allocated: 'The share allocated',
  guesses: 'What is a guess',
  measured: 'What was measured',
  origin: 'Where it came from',
  tags: 'The tags',
};

/**
 * @example
 * editSubject({ edit: 'set-component', id: 'a', field: 'count', value: { likely: '3' } }, design); // => 'The count of “Component a”'
 */
export function editSubject(edit: Edit, design: Design): string {
  const named = (id: string): string =>
    findComponent(design, id)?.name ?? design.sections.find((each) => each.id === id)?.name ?? 'a component';
  switch (edit.edit) {
    case 'set-component':
      return `${FIELDS[edit.field]} of “${named(edit.id)}”`;
    case 'set-usage':
      return `The use of “${named(edit.id)}”`;
    case 'rename-section':
      return `The name of the section “${named(edit.id)}”`;
    case 'place-new-lines': {
      const where = edit.section === null ? 'the design' : `the section “${named(edit.section)}”`;
      return `Where new lines of ${where} are placed`;
    }
    case 'set-design':
    case 'set-assumption':
      return `The ${edit.field} of the design`;
    case 'set-agreements':
      return 'The agreements of the design';
    case 'answer-check':
      return 'The answer to a check';
    case 'pin-books':
      return 'The price books of the design';
    case 'put-alternative':
      return `The alternative “${edit.alternative.name}”`;
    case 'remove-alternative':
      return 'An alternative';
    case 'add-component':
    case 'add-section':
      return 'A part of the design';
    case 'remove-component':
    case 'move-component':
      return `“${named(edit.id)}”`;
    case 'remove-section':
      return `The section “${named(edit.id)}”`;
    default:
      return assertNever(edit);
  }
}

/** Likely first; lean and heavy only where they are given. */
function casedText({ likely, lean, heavy }: Cased): string {
  return [likely, lean && `lean ${lean}`, heavy && `heavy ${heavy}`].filter(Boolean).join(', ');
}

type SetComponent = Extract<Edit, { edit: 'set-component' }>;

function fieldText(edit: SetComponent): string {
  const { value } = edit;
  if (value === null) return 'none';
  switch (edit.field) {
    case 'size':
      return `${edit.value!.vcpu.likely} vCPU, ${edit.value!.memory.likely} GiB`;
    case 'committed':
    case 'allocated':
      return casedText(edit.value!);
    case 'mayBeStopped':
      return edit.value ? 'yes' : 'no';
    case 'months':
      return `from ${edit.value!.from}${edit.value!.to === null ? '' : ` to ${edit.value!.to}`}`;
    case 'licences':
      return edit.value!.map((each) => `${each.product} ${each.how}`).join(', ') || 'none';
    case 'guesses':
      return `${guessesOf({ guesses: edit.value }).length} marked`;
    case 'measured':
      return `${edit.value!.length} marked`;
    case 'zones':
    case 'origin':
      return String(edit.value);
    case 'tags':
      return tagsText(edit.value);
    default:
      return 'changed';
  }
}

function assumptionText(edit: Extract<Edit, { edit: 'set-assumption' }>): string {
  const { value } = edit;
  if (value === null) return 'none';
  if (edit.field === 'month') return describeMonth(edit.value);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'object' ? 'changed' : String(value);
}

/**
 * @example
 * editValue({ edit: 'set-component', id: 'a', field: 'count', value: { likely: '3', heavy: '6' } }); // => '3, heavy 6'
 */
export function editValue(edit: Edit): string {
  switch (edit.edit) {
    case 'set-component':
      if (edit.field === 'name') return edit.value;
      if (edit.field === 'count') return casedText(edit.value);
      if (edit.field === 'term') return describeTerm(edit.value);
      if (edit.field === 'place') return edit.value ? `${edit.value.book}, ${edit.value.region}` : 'none';
      if (edit.field === 'choice') return edit.value.by === 'sku' ? edit.value.sku : edit.value.by;
      if (edit.field === 'running') return describeRunning(edit.value);
      return fieldText(edit);
    case 'set-usage':
      return edit.value ? `${edit.value.amount.likely} ${edit.value.unit}` : 'none';
    case 'place-new-lines':
      return edit.place ? `${edit.place.book}, ${edit.place.region}` : 'where the last line is';
    case 'rename-section':
      return edit.name;
    case 'set-design':
      return edit.value;
    case 'set-assumption':
      return assumptionText(edit);
    case 'set-agreements':
      return edit.agreements.map((each) => each.name).join(', ') || 'none';
    case 'answer-check':
      return edit.reason ?? 'no answer';
    case 'pin-books':
      return edit.books.map((pin) => `${pin.book} r${pin.revision}`).join(', ');
    case 'add-component':
      return edit.component.name;
    case 'add-section':
      return edit.section.name;
    case 'remove-component':
    case 'remove-section':
      return 'removed';
    case 'move-component':
      return 'moved';
    case 'put-alternative':
      return changeCount(edit.alternative.changes.length);
    case 'remove-alternative':
      return 'removed';
    default:
      return assertNever(edit);
  }
}

const changeCount = (count: number): string => (count === 1 ? '1 change' : `${count} changes`);

/**
 * Tags as one writes them.
 *
 * @example
 * tagsText({ team: 'booking', live: '' }); // => 'team = booking, live'
 */
export function tagsText(tags: Readonly<Record<string, string>> | null | undefined): string {
  return Object.entries(tags ?? {})
    .map(([key, value]) => (value ? `${key} = ${value}` : key))
    .join(', ');
}
