/**
 * What would bring a change back under a bound: the largest of the next smaller sizes of the same family that does, of the
 * resource that grows most; else leaving one resource as it was. Each is worked out, none is guessed. Opening 42.
 */
import { type Decimal, decimal } from '@/engine/base';
import { kindOf, type Offer } from '@/engine/books';
import type { BookSet } from '@/engine/pricing';
import type { Component } from '@/engine/design';
import type { ReviewSetting } from './designs';
import type { Extract, MappedResource } from './extract';
import type { LoadProfile } from './load-profile';
import type { BrokenLimit, Remedy } from './limits';
import { type PricedReview, reviewOf } from './review';

export interface RemedyAsked {
  /** The change as it is planned. */
  readonly planned: PricedReview;
  readonly extract: Extract;
  readonly profile: LoadProfile;
  readonly setting: ReviewSetting;
  readonly books: BookSet;
}

/** So many resources are tried, those that grow most, and so many sizes of each. */
const MOST_TRIED = 8;
const MOST_SIZES = 4;

/**
 * Null: no single step does, or the limit is no bound.
 *
 * @example
 * const broken = { limit: { id: 'a', level: 'fail', rule: { is: 'all-priced' } }, found: '1', over: null, addresses: [], remedy: null };
 * remedyFor(broken, { review, extract: { form: 'plan', map: '', resources: [], remarks: [] }, profile: { title: '', loads: [] }, setting, books }); // => null
 */
export function remedyFor(broken: BrokenLimit, asked: RemedyAsked): Remedy | null {
  const { rule } = broken.limit;
  if (rule.is !== 'bound') return null;
  const { extract } = asked;
  const isUnder = (tried: Extract, address: string): string | null => {
    const { review } = reviewOf({ ...asked, extract: tried, from: asked.planned });
    const { totals, rows } = review;
    const row = rows.find((each) => each.address === address);
    // What has no price there keeps nothing.
    if (!row || row.lines.some(({ half, doubts }) => half || doubts.includes('no-price'))) return null;
    const found: Decimal =
      rule.bound.of === 'resource'
        ? decimal(row.after)
        : rule.bound.of === 'total'
          ? decimal(totals.after)
          : rule.bound.of === 'upfront'
            ? decimal(totals.upfront.difference)
            : rule.bound.of === 'share'
              ? decimal(totals.difference).dividedBy(totals.before)
              : decimal(totals.difference);
    return found.greaterThan(rule.bound.most) ? null : totals.after;
  };
  const candidates = extract.resources
    .filter(({ address }) => broken.addresses.slice(0, MOST_TRIED).includes(address))
    .sort((a, b) => broken.addresses.indexOf(a.address) - broken.addresses.indexOf(b.address));
  for (const resource of candidates)
    for (const offer of smallerSizes(resource, asked)) {
      const total = isUnder(instead(extract, resource, withSize(resource, offer)), resource.address);
      if (total !== null) return { is: 'smaller', address: resource.address, size: offer.name, total };
    }
  for (const resource of candidates) {
    const total = isUnder(
      instead(extract, resource, { ...resource, after: resource.before }),
      resource.address,
    );
    if (total !== null) return { is: 'leave', address: resource.address, total };
  }
  return null;
}

const instead = (extract: Extract, of: MappedResource, by: MappedResource): Extract => ({
  ...extract,
  resources: extract.resources.map((each) => (each === of ? by : each)),
});

function mainLine({ after }: MappedResource): Component | null {
  if (after?.is !== 'lines') return null;
  const line = after.lines.find(({ part }) => part === null);
  return line?.is === 'line' ? line.component : null;
}

/** Of the same family, sold there, the largest first. */
function smallerSizes(resource: MappedResource, { books, setting }: RemedyAsked): Offer[] {
  const component = mainLine(resource);
  if (!component?.place || component.choice.by !== 'sku' || kindOf(component.kind).size !== 'fixed')
    return [];
  const { place, kind, choice } = component;
  const pin = setting.books.find(({ book }) => book === place.book);
  const book = pin && books.get(pin.book, pin.revision);
  const now = book?.offer(choice.sku);
  if (!book || !now?.vcpu) return [];
  return book
    .soldIn(place.region, kind)
    .filter(
      ({ family, vcpu, lifecycle }) =>
        family === now.family && lifecycle === 'current' && vcpu?.lessThan(now.vcpu!),
    )
    .sort((a, b) => b.vcpu!.comparedTo(a.vcpu!))
    .slice(0, MOST_SIZES);
}

function withSize(resource: MappedResource, { sku }: Offer): MappedResource {
  if (resource.after?.is !== 'lines') return resource;
  const lines = resource.after.lines.map((line) =>
    line.is === 'line' && line.part === null
      ? { ...line, component: { ...line.component, choice: { by: 'sku' as const, sku } } }
      : line,
  );
  return { ...resource, after: { is: 'lines', lines } };
}
