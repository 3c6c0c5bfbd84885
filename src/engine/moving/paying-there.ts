/**
 * How a moved line is paid, licensed and billed where it goes to: as before, or the nearest that is sold there. Source: pricing
 * rules, "Moving to another place".
 */
import { issue, type Issue } from '../base';
import { licenceMeter, type MeterDefinition, meterOfKind, type Offer, type PriceBook } from '../books';
import type { Component, LicenceChoice } from '../design';
import { rateCard } from '../rating';
import { commitmentOf, type Term, TERMS } from '../terms';

/**
 * Ways of paying from the one that is wanted to on demand: the same length under another payment first, then on demand. A
 * longer or shorter commitment is never taken by itself.
 *
 * @example
 * nearestTerms('12-all'); // => ['12-all', '12-all-exchangeable', '12-none', '12-part', '12-none-exchangeable', '12-part-exchangeable', 'on-demand']
 */
export function nearestTerms(wanted: Term): Term[] {
  const own = commitmentOf(wanted);
  if (!own) return wanted === 'on-demand' ? [wanted] : [wanted, 'on-demand'];
  const sameLength = TERMS.filter((term) => commitmentOf(term)?.months === own.months);
  const samePayment = sameLength.filter((term) => commitmentOf(term)!.payment === own.payment);
  return [...new Set([wanted, ...samePayment, ...sameLength, 'on-demand' as const])];
}

/** The nearest way of paying under which one of the offers is sold in the region. */
export function termThere(
  wanted: Term,
  offers: readonly Offer[],
  book: PriceBook,
  region: string,
): { readonly term: Term; readonly notes: readonly Issue[] } {
  const sold = new Set(offers.flatMap((offer) => rateCard(book, offer, region).terms));
  const term = nearestTerms(wanted).find((each) => sold.has(each)) ?? wanted;
  const notes = term === wanted ? [] : [issue('move.term', ['term'], { from: wanted, to: term })];
  return { term, notes };
}

/** Licences as they can be had: each as before, else the other way; what can be had in no way stays and says so. */
export function licencesThere(
  { licences }: Component,
  offers: readonly Offer[],
  book: PriceBook,
  region: string,
): { readonly licences: readonly LicenceChoice[] | null; readonly notes: readonly Issue[] } {
  if (!licences?.length) return { licences: licences ?? null, notes: [] };
  const notes: Issue[] = [];
  const can = ({ product, how }: LicenceChoice): boolean =>
    offers.some((offer) =>
      how === 'brought'
        ? offer.capabilities?.includes('bring-licence')
        : rateCard(book, offer, region).rate(licenceMeter(product), 'on-demand') !== undefined,
    );
  const there = licences.map((licence): LicenceChoice => {
    if (can(licence)) return licence;
    const other: LicenceChoice = { ...licence, how: licence.how === 'brought' ? 'included' : 'brought' };
    const possible = can(other);
    const how = possible ? other.how : 'none';
    notes.push(issue('move.licence', ['licences'], { product: licence.product, how }));
    return possible ? other : licence;
  });
  return { licences: there, notes };
}

/**
 * Only the use that is billed there: what no offer has a price for is included or not to be had, which is said. Nothing is
 * taken away that the kind cannot be priced without.
 */
export function usageThere(
  { kind, usage, term }: Component,
  offers: readonly Offer[],
  book: PriceBook,
  region: string,
): { readonly usage: Component['usage']; readonly notes: readonly Issue[] } {
  const billed = ({ meter, required }: MeterDefinition): boolean =>
    required ||
    offers.some((offer) => {
      const card = rateCard(book, offer, region);
      return card.rate(meter, 'on-demand') ?? card.rate(meter, term);
    });
  const lost = Object.keys(usage).flatMap((meter) => {
    const definition = meterOfKind(kind, meter);
    return definition && !billed(definition) ? [definition] : [];
  });
  if (lost.length === 0) return { usage, notes: [] };
  const gone = new Set(lost.map(({ meter }) => meter));
  return {
    usage: Object.fromEntries(Object.entries(usage).filter(([meter]) => !gone.has(meter))),
    notes: lost.map(({ meter, label }) =>
      issue('move.not-billed', ['usage', meter], { meter: label, offer: offers[0]!.name }),
    ),
  };
}
