/**
 * What a kind allows: only its own meters, commitments where they are sold, needs where there is a size, licences where
 * they run, charges of its own only on own lines. The one place for files, edits, the screen and the checklist.
 */
import { kindOf, meterOfKind } from '../books';
import type { Component } from './component';
import type { Edit } from './edit';

export interface KindFault {
  readonly path: readonly string[];
  readonly message: string;
}

type Bound = Pick<Component, 'kind' | 'term' | 'licences' | 'custom'> & {
  readonly choice: { readonly by: string };
  readonly usage: Readonly<Record<string, unknown>>;
};

/**
 * @example
 * kindFaults({ ...server, usage: { pages: { amount: { likely: '1' }, unit: 'item' } } })[0]!.message; // => 'Server has no meter “pages”'
 */
export function kindFaults({ kind, choice, usage, term, licences, custom }: Bound): KindFault[] {
  const definition = kindOf(kind);
  const faults: KindFault[] = [];
  for (const meter of Object.keys(usage)) {
    if (!meterOfKind(kind, meter)) {
      faults.push({ path: ['usage', meter], message: `${definition.label} has no meter “${meter}”` });
    }
  }
  if (choice.by === 'cheapest' && definition.size === 'none') {
    const message = `${definition.label} has no size, so it cannot be chosen by need`;
    faults.push({ path: ['choice', 'by'], message });
  }
  if (term !== 'on-demand' && !definition.committable) {
    faults.push({ path: ['term'], message: `${definition.label} cannot be paid with a commitment` });
  }
  if (licences?.length && !definition.licensable) {
    faults.push({ path: ['licences'], message: `no licences run on this kind: ${definition.label}` });
  }
  if (custom?.length && definition.role !== 'own-line') {
    faults.push({ path: ['custom'], message: 'only own lines have charges of their own' });
  }
  return faults;
}

/**
 * What takes the entries away that the kind does not allow.
 *
 * @example
 * withoutKindFaults({ ...server, kind: 'transfer-out', term: '12-all' }).map(({ edit }) => edit); // => ['set-component']
 */
export function withoutKindFaults(component: Component): Edit[] {
  const { id } = component;
  return kindFaults(component).map(({ path }): Edit => {
    const [field, meter] = path;
    switch (field) {
      case 'usage':
        return { edit: 'set-usage', id, meter: meter!, value: null };
      case 'choice':
        return { edit: 'set-component', id, field, value: { by: 'none' } };
      case 'term':
        return { edit: 'set-component', id, field, value: 'on-demand' };
      default:
        return { edit: 'set-component', id, field: field as 'licences' | 'custom', value: null };
    }
  });
}
