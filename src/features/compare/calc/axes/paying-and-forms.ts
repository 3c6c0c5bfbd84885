/** Every way of paying for some lines, and every form of what a line is. Needs D4, D14, E4, E20. */
import { addAll } from '@/engine/base';
import { kindOf, type Offer, type PriceBook } from '@/engine/books';
import type { Component, Scope } from '@/engine/design';
import { describeTerm, TERMS } from '@/engine/terms';
import { MEANING } from '@/engine/moving';
import type { PricedDesign } from '@/engine/pricing';
import { lacksOf, type Need } from '@/engine/sizing';
import type { Asking } from './asking';
import type { AxisRow } from './model';
import { take } from './take';
import { ranked } from './asking';

/** What cannot be paid so stays as it is and is told. A way in which no line can be paid is left out. */
export function payingRows(asking: Asking, what: Scope): AxisRow[] {
  const upfrontOf = (priced: PricedDesign): string =>
    addAll(
      asking.linesOf(priced).flatMap((line) => (line.status === 'priced' ? [line.upfront] : [])),
    ).toString();
  const now = asking.row('now', 'As it is', [], (priced) => ({ upfront: upfrontOf(priced), changed: 0 }));
  const rows = TERMS.map((term) =>
    asking.row(term, describeTerm(term), [{ change: 'pay', what, term }], (priced, lines) => ({
      upfront: upfrontOf(priced),
      // The same length paid otherwise is another row.
      changed: lines.filter((line) => line.term === term).length,
    })),
  );
  return [now, ...rows.filter(({ facts }) => facts.changed !== 0)];
}

/**
 * The forms of one line at its place: each meaning that its kind is sold in (grade, medium, edition, how it is billed), by
 * the cheapest offer of it that does the work; and its licences brought or in the rate.
 */
export function formRows(asking: Asking, line: Component, book: PriceBook): AxisRow[] {
  const { place, kind, choice } = line;
  if (!place || choice.by === 'none') return [];
  const own = choice.by === 'sku' ? book.offer(choice.sku) : undefined;
  const groups = new Map<string, Offer[]>();
  for (const offer of book.soldIn(place.region, kind)) {
    if (offer.lifecycle === 'announced') continue;
    const key = meaningText(offer);
    groups.set(key, [...(groups.get(key) ?? []), offer]);
  }
  const rows = [...groups].flatMap(([meaning, offers]): AxisRow[] => {
    const label = meaning || kindOf(kind).label;
    const candidates = offers
      .filter((offer) => isEnough(offer, own, choice.by === 'cheapest' ? choice.need : null))
      .map((offer) =>
        asking.row(meaning, `${label}: ${offer.name}`, own === offer ? [] : [take(line, offer)]),
      );
    const [best] = ranked(candidates);
    const held = candidates.find(({ now }) => now);
    return best ? (held && held !== best ? [held, { ...best, key: `${meaning} cheapest` }] : [best]) : [];
  });
  return [...withNow(asking, rows), ...licenceRows(asking, line)];
}

/** Where the cheapest was sought, what is chosen now is a row of its own. */
function withNow(asking: Asking, rows: readonly AxisRow[]): AxisRow[] {
  return rows.some(({ now }) => now) ? [...rows] : [asking.row('now', 'As it is', []), ...rows];
}

function licenceRows(asking: Asking, line: Component): AxisRow[] {
  const what = { of: 'lines', ids: [line.id] } as const;
  const ways = new Set(line.licences?.map(({ how }) => how));
  return (['included', 'brought'] as const)
    .filter((how) => ways.size > 0 && !(ways.size === 1 && ways.has(how)))
    .map((how) =>
      asking.row(`licences ${how}`, how === 'brought' ? 'Licences brought along' : 'Licences in the rate', [
        { change: 'licences', what, how },
      ]),
    );
}

/** "grade often", "engine open, edition large"; empty: it says nothing of the kind. */
function meaningText({ attributes = {} }: Offer): string {
  return MEANING.filter((name) => attributes[name] !== undefined)
    .map((name) => `${name} ${attributes[name]}`)
    .join(', ');
}

function isEnough(offer: Offer, own: Offer | undefined, need: Need | null): boolean {
  if (need) {
    const { attributes: _, ...size } = need;
    return lacksOf(size, offer).length === 0;
  }
  if (!own) return true;
  if (own === offer) return true;
  if (offer.lifecycle === 'retiring' || (own.limits && !offer.limits)) return false;
  const holds = (what: 'vcpu' | 'memory'): boolean =>
    own[what] === null || (offer[what] !== null && offer[what]!.gte(own[what]!));
  return holds('vcpu') && holds('memory');
}
