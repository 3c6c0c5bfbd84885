/** One offer of a price book for tests and examples: everything that it does not say is empty. */
import type { OfferRow } from '@/features/price-books/format/price-book-schema';

export function offer(sku: string, kind: OfferRow['kind'], more: Partial<OfferRow> = {}): OfferRow {
  return {
    sku,
    kind,
    name: sku.toLowerCase(),
    family: '',
    processor: '',
    vcpu: null,
    memory: null,
    burstable: false,
    lifecycle: 'current',
    retires: null,
    replacedBy: null,
    note: '',
    ...more,
  };
}
