/** The wide changes that look at one line after the other: size, way of paying, licences, traffic. */
import { type Decimal, decimal, issue, type Issue } from '@/engine/base';
import { kindOf, licenceMeter, meterOfKind, type Offer, type PriceBook } from '@/engine/books';
import type { Change, Component, UsageEntry } from '@/engine/design';
import { nearestTerms } from '@/engine/moving';
import { rateCard } from '@/engine/rating';
import { lacksOf, type Need } from '@/engine/sizing';
import { type Cased, type Load, timesCased } from '@/engine/usage';
import { type LineChange, unchanged } from './model';

type Of<C extends Change['change']> = Extract<Change, { change: C }>;
export type BookOf = (key: string) => PriceBook | undefined;

/** A fixed size becomes the need that it satisfies; a need takes the wishes over. */
export function sized(component: Component, change: Of<'size'>, bookOf: BookOf): LineChange {
  const { choice, place } = component;
  const wishes: Partial<Need> = {
    ...(change.allowBurstable ? { allowBurstable: true } : {}),
    ...(change.processor ? { processor: change.processor } : {}),
  };
  if (choice.by === 'cheapest') {
    const { allowBurstable: _, processor: __, family: ___, ...need } = choice.need;
    return changedTo({ ...component, choice: { by: 'cheapest', need: { ...need, ...wishes } } }, component);
  }
  const offer = choice.by === 'sku' && place ? bookOf(place.book)?.offer(choice.sku) : undefined;
  if (!offer?.vcpu || !offer.memory || kindOf(component.kind).size === 'none') return unchanged(component);
  const need: Need = {
    vcpu: offer.vcpu.toString(),
    memory: offer.memory.toString(),
    ...(offer.gpu ? { gpu: offer.gpu.toString() } : {}),
    ...(offer.attributes ? { attributes: offer.attributes } : {}),
    ...wishes,
  };
  const { size: _, ...fixed } = component;
  return changedTo({ ...fixed, choice: { by: 'cheapest', need } }, component);
}

/** What may be committed, or stopped, is paid so; where that is not sold, the same length paid otherwise, or as it was. */
export function paid(component: Component, { term }: Of<'pay'>, bookOf: BookOf): LineChange {
  if (!kindOf(component.kind).committable || component.term === term) return unchanged(component);
  if (term === 'interruptible' && !component.mayBeStopped) return unchanged(component);
  const sold = new Set(offersOf(component, bookOf).flatMap((each) => each.terms));
  const there = nearestTerms(term).find((each) => sold.has(each) && (each === term || each !== 'on-demand'));
  const { offer } = offersOf(component, bookOf)[0] ?? {};
  if (!there) {
    const values = { offer: offer?.name ?? component.name, term, terms: [...sold].join(' ') };
    return unchanged(component, issue('term.not-offered', ['term'], values));
  }
  const notes = there === term ? [] : [issue('move.term', ['term'], { from: term, to: there })];
  return { component: { ...component, term: there }, issues: notes };
}

/** The offers that a line may come to, with the ways of paying for each. */
function offersOf(component: Component, bookOf: BookOf) {
  const { choice, place, kind } = component;
  const book = place && bookOf(place.book);
  if (!book || choice.by === 'none') return [];
  const chosen = choice.by === 'sku' ? book.offer(choice.sku) : undefined;
  const offers: readonly Offer[] =
    choice.by === 'sku'
      ? chosen
        ? [chosen]
        : []
      : book.soldIn(place.region, kind).filter((offer) => lacksOf(choice.need, offer).length === 0);
  return offers.map((offer) => {
    const card = rateCard(book, offer, place.region);
    return { offer, card, terms: card.terms };
  });
}

export function licensed(component: Component, { how }: Of<'licences'>, bookOf: BookOf): LineChange {
  const { licences } = component;
  if (!licences?.some((each) => each.how !== how)) return unchanged(component);
  const offers = offersOf(component, bookOf);
  const issues: Issue[] = [];
  const there = licences.map((licence) => {
    if (licence.how === how) return licence;
    const { product } = licence;
    const can = offers.some(({ offer, card }) =>
      how === 'brought'
        ? offer.capabilities?.includes('bring-licence')
        : card.rate(licenceMeter(product), 'on-demand') !== undefined,
    );
    if (can) return { ...licence, how };
    const code = how === 'brought' ? 'licence.not-movable' : 'licence.not-offered';
    issues.push(issue(code, ['licences'], { product, offer: offers[0]?.offer.name ?? component.name }));
    return licence;
  });
  return { ...changedTo({ ...component, licences: there }, component), issues };
}

/** So many times everything that follows traffic, the load included; what follows stock stays. */
export function withTraffic(component: Component, { times }: Of<'traffic'>): LineChange {
  const factor = decimal(times);
  const usage: Record<string, UsageEntry> = {};
  let moved = false;
  for (const [meter, entry] of Object.entries(component.usage)) {
    const follows = meterOfKind(component.kind, meter)?.follows === 'traffic';
    usage[meter] = follows ? entryTimes(entry, factor) : entry;
    moved ||= follows;
  }
  const load = component.load ? loadTimes(component.load, factor) : component.load;
  if ((!moved && !component.load) || factor.equals(1)) return unchanged(component);
  const after: Component = { ...component, usage, ...(component.load ? { load } : {}) };
  if (!isKept(after)) {
    return unchanged(component, issue('change.out-of-range', ['usage'], { what: component.name }));
  }
  return { component: after, issues: [] };
}

const entryTimes = (entry: UsageEntry, factor: Decimal): UsageEntry => ({
  ...entry,
  amount: timesCased(entry.amount, factor),
  ...(entry.sizes
    ? { sizes: entry.sizes.map((row) => ({ ...row, amount: factor.times(row.amount).toString() })) }
    : {}),
});

function loadTimes(load: Load, factor: Decimal): Load {
  const { rate } = load;
  return {
    ...load,
    rate:
      rate.by === 'requests'
        ? { ...rate, perSecond: timesCased(rate.perSecond, factor) }
        : { ...rate, viewers: timesCased(rate.viewers, factor) },
  };
}

/** What a file can say: 15 digits before the point and 18 after it. */
const KEPT = /^\d{1,15}(\.\d{1,18})?$/;

function isKept({ usage, load }: Component): boolean {
  const all = ({ likely, lean = likely, heavy = likely }: Cased): boolean =>
    [lean, likely, heavy].every((text) => KEPT.test(text));
  const entries = Object.values(usage).every(
    ({ amount, sizes = [] }) => all(amount) && sizes.every((row) => KEPT.test(row.amount)),
  );
  const rate = load?.rate;
  return entries && (!rate || all(rate.by === 'requests' ? rate.perSecond : rate.viewers));
}

/** The same object where nothing differs, so that it stays priced as it is. */
function changedTo(after: Component, before: Component): LineChange {
  return unchanged(JSON.stringify(after) === JSON.stringify(before) ? before : after);
}
