/** Edits over several components at once. Each is one batch, so that one undo takes it back. */
import { cut, decimal, parseDecimal } from '@/engine/base';
import { kindOf, mainMeter } from '@/engine/books';
import { chosenPlace, type Component, type Design, type Edit } from '@/engine/design';
import { usesRunning } from '@/features/design/words';
import type { Term } from '@/engine/terms';
import { mapCased, type Running } from '@/engine/usage';

export function removeAll(components: readonly Component[]): Edit[] {
  return components.map(({ id }) => ({ edit: 'remove-component', id }));
}

/** Only where the kind can be paid so. */
export function payAll(components: readonly Component[], term: Term): Edit[] {
  return components
    .filter((each) => kindOf(each.kind).committable && each.term !== term)
    .map(({ id }) => ({ edit: 'set-component', id, field: 'term', value: term }));
}

/** Only what runs. */
export function runAll(components: readonly Component[], running: Running): Edit[] {
  return components
    .filter(usesRunning)
    .map(({ id }) => ({ edit: 'set-component', id, field: 'running', value: running }));
}

/** Counts times a factor, whole, rounded up; none stays none. Null: the factor is no number above zero. */
export function multiplyAll(components: readonly Component[], factor: string): Edit[] | null {
  const by = parseDecimal(factor);
  if (!by.ok || !by.value.greaterThan(0)) return null;
  const times = (text: string): string => decimal(text).times(by.value).ceil().toString();
  return components.map(({ id, count }) => ({
    edit: 'set-component',
    id,
    field: 'count',
    value: mapCased(count, times),
  }));
}

export function moveAll(components: readonly Component[], section: string): Edit[] {
  return components.map(({ id }) => ({ edit: 'move-component', id, section, index: 1_000_000 }));
}

/** Each again, right below itself. */
export function copyAll(components: readonly Component[], design: Design, newId: () => string): Edit[] {
  const chosen = new Set(components.map(({ id }) => id));
  return design.sections.flatMap((section) => {
    let added = 0;
    return section.components.flatMap((component, at): Edit[] => {
      if (!chosen.has(component.id)) return [];
      added += 1;
      const copy: Component = {
        ...component,
        id: newId(),
        name: `${cut(component.name, 190)} (copy)`,
      };
      return [{ edit: 'add-component', section: section.id, index: at + added, component: copy }];
    });
  });
}

/** Gives the others what the first has in one column of the ledger. */
export function fillDown(components: readonly Component[], column: string): Edit[] {
  const [first, ...others] = components;
  if (!first) return [];
  return others.flatMap((each): Edit[] => {
    const set = <F extends 'count' | 'choice' | 'term' | 'running'>(field: F): Edit[] => [
      { edit: 'set-component', id: each.id, field, value: first[field] } as Edit,
    ];
    switch (column) {
      case 'count':
        return set('count');
      case 'where':
        return chosenPlace(each, first.place);
      case 'paid':
        return kindOf(each.kind).committable && kindOf(first.kind).committable ? set('term') : [];
      case 'what':
        return each.kind === first.kind ? set('choice') : [];
      case 'use':
        return useOf(first, each);
      default:
        return [];
    }
  });
}

function useOf(first: Component, other: Component): Edit[] {
  if (usesRunning(first) && usesRunning(other)) {
    return [{ edit: 'set-component', id: other.id, field: 'running', value: first.running }];
  }
  const meter = mainMeter(first.kind)?.meter;
  const entry = meter === undefined ? undefined : first.usage[meter];
  if (meter === undefined || !entry || mainMeter(other.kind)?.meter !== meter) return [];
  return [{ edit: 'set-usage', id: other.id, meter, value: entry }];
}
