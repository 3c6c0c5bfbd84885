/** The change by which a line takes an offer. */
import type { Offer } from '@/engine/books';
import type { Change, Component } from '@/engine/design';

export function take({ id }: Component, { sku }: Offer): Change {
  return { change: 'edit', edit: { edit: 'set-component', id, field: 'choice', value: { by: 'sku', sku } } };
}
