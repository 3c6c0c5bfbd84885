/**
 * Moving a line to another place. A fixed size becomes the need that it satisfies and is resolved again; a free size is
 * kept within what is taken there; everything else goes by its kind and by what its attributes mean. Never a smaller
 * thing; of several that will do the cheapest, by the rule of "cheapest that fits". Whatever becomes another is said, and
 * what cannot move says why. Source: pricing rules, "Moving to another place"; needs C2, C7, D14, L1.
 */
import { comparedWithoutHair, type Decimal, issue, type Issue } from '../base';
import { kindOf, type Offer, type PriceBook, roleOf } from '../books';
import type { Component, Design, FreeSize, Place } from '../design';
import { type Alone, aloneIn, type BookSet, pinnedBooks, type Pricer } from '../pricing';
import { lacksOf, type Need } from '../sizing';
import { equivalentRegion } from './equivalent-region';
import { meaningOf, type Step, stepsBetween } from './meaning';
import { type Moved, stays } from './model';
import { licencesThere, termThere, usageThere } from './paying-there';
import { sizeWithin } from './size-there';
import {
  type Asked,
  canDo,
  lackingOf,
  largest,
  type MoveWishes,
  needOf,
  ownUnits,
  portable,
  sizeNote,
  stepNote,
  type There,
} from './wanted';

/** What of a design an answer hangs on beside the line itself. */
export type MoveSettings = Pick<Design, 'currency' | 'assumptions' | 'agreements' | 'books' | 'sold'>;

/**
 * @example
 * const to = { book: 'small', region: 'elbe' };
 * const moved = createMover(design, books).move(design.sections[0]!.components[0]!, to);
 * moved.moved && moved.component.choice; // => { by: 'cheapest', need: { vcpu: '4', memory: '16' } }
 */
export function createMover(settings: MoveSettings, books: BookSet, pricer?: Pricer): Mover {
  return new Mover(settings, books, pricer);
}

export class Mover {
  private readonly bookOf: (key: string) => PriceBook | undefined;
  private readonly alone: Alone;
  /** By book as it is loaded, then region and wishes: components never change, so neither does what becomes of them. */
  private readonly known = new WeakMap<PriceBook, Map<string, WeakMap<Component, Moved>>>();

  constructor(settings: MoveSettings, books: BookSet, pricer?: Pricer) {
    const design = { title: '', description: '', sections: [], ...settings };
    this.bookOf = pinnedBooks(design, books);
    this.alone = aloneIn(design, books, pricer);
  }

  /** The place of a line's equivalent in a book; null: the line has no place, or the book has no region. */
  equivalent({ place }: Component, book: string): Place | null {
    const from = place && this.bookOf(place.book)?.region(place.region);
    if (place?.book === book) return place;
    const found = from && equivalentRegion(from, this.bookOf(book)?.regions ?? []);
    return found ? { book, region: found.region.code } : null;
  }

  move(component: Component, to: Place, wishes: MoveWishes = {}): Moved {
    const book = this.bookOf(to.book);
    if (!book) return stays(issue('book.missing', ['place'], { book: to.book, revision: '' }));
    let places = this.known.get(book);
    if (!places) this.known.set(book, (places = new Map()));
    const key = `${to.region}\n${wishes.sameProcessor ?? false}`;
    let lines = places.get(key);
    if (!lines) places.set(key, (lines = new WeakMap()));
    let moved = lines.get(component);
    if (!moved) lines.set(component, (moved = this.anew(component, to, book, wishes)));
    return moved;
  }

  private anew(component: Component, place: Place, book: PriceBook, wishes: MoveWishes): Moved {
    const { kind, choice } = component;
    const role = roleOf(kind);
    // What an own line costs was entered; it is the same everywhere.
    if (role === 'own-line') return { moved: true, component, notes: [] };
    if (role === 'prepaid-credit' || role === 'spend-commitment') {
      return stays(issue('move.stays', ['place'], { kind: kindOf(kind).label }));
    }
    const region = book.region(place.region);
    if (!region) {
      return stays(issue('region.unknown', ['place'], { region: place.region, book: book.title }));
    }
    if (component.place?.book === place.book && component.place.region === place.region) {
      return { moved: true, component, notes: [] };
    }
    const sold = book.soldIn(place.region, kind).filter(({ lifecycle }) => lifecycle !== 'announced');
    const there: There = { place, book, region, sold };
    if (choice.by === 'none') return { moved: true, component: { ...component, place }, notes: [] };
    if (choice.by === 'cheapest') return this.byNeed(component, there, portable(choice.need, wishes), null);
    const source = component.place && this.bookOf(component.place.book)?.offer(choice.sku);
    if (!source) return stays(issue('offer.unknown', ['choice'], { sku: choice.sku, book: book.title }));
    // The same offer, where the provider sells it there too.
    if (component.place?.book === place.book && book.sells(source.sku, place.region)) {
      return this.asItIs({ ...component, place }, [source], there, []);
    }
    if (source.limits && component.size) return this.byFreeSize(component, there, source, component.size);
    if (source.vcpu && source.memory) {
      return this.byNeed(component, there, needOf(source, component, there, wishes), source);
    }
    return this.byMeaning(component, there, source);
  }

  /** Paid and licensed as far as it can be; `offers` are those that it may come to. */
  private asItIs(
    component: Component,
    offers: readonly Offer[],
    there: There,
    before: readonly (Issue | null)[],
  ): Moved {
    const region = there.place.region;
    const paying = termThere(component.term, offers, there.book, region);
    const licensed = licencesThere(component, offers, there.book, region);
    const billed = usageThere(component, offers, there.book, region);
    const moved: Component = { ...component, term: paying.term, usage: billed.usage };
    const notes = [...before, ...paying.notes, ...licensed.notes, ...billed.notes];
    return {
      moved: true,
      component: licensed.licences ? { ...moved, licences: licensed.licences } : moved,
      notes: notes.filter((each): each is Issue => each !== null),
    };
  }

  private byNeed(component: Component, there: There, asked: Asked, source: Offer | null): Moved {
    const { need, dropped } = asked;
    const fitsAny = (wanted: Need): boolean =>
      there.sold.some((offer) => lacksOf(wanted, offer).length === 0);
    const { size: _, ...fixed } = component;
    // First with everything that the offer can do, then without: what is missing is said.
    const withAll = source ? { ...need, capabilities: canDo(source) } : need;
    const wanted = source && canDo(source).length > 0 && fitsAny(withAll) ? withAll : need;
    const notes = dropped.map((wish) => issue('move.wish-dropped', ['choice'], { wish }));
    if (asked.counted) notes.push(issue('move.counted', ['choice'], asked.counted));
    const free = source ? this.freeSizeFor(component, there, source, need) : null;
    if (!fitsAny(wanted)) return free ?? this.none(component, there);
    // Only of lines with more to them is it looked at how each offer is sold.
    const { term, licences, usage } = component;
    const isPlain = term === 'on-demand' && !licences?.length && Object.keys(usage).length === 0;
    const fits = isPlain ? [] : there.sold.filter((offer) => lacksOf(wanted, offer).length === 0);
    const moved = this.asItIs(
      { ...fixed, place: there.place, choice: { by: 'cheapest', need: wanted } },
      fits,
      there,
      notes,
    );
    const cheaper = free && this.cheaperOf(moved, free);
    if (cheaper === free && free) return free;
    return source ? this.lacking(moved, source, there) : moved;
  }

  /** What was a fixed size and may be put together freely there. */
  private freeSizeFor(component: Component, there: There, source: Offer, need: Need): Moved | null {
    const size = { vcpu: { likely: need.vcpu }, memory: { likely: need.memory } };
    const wanted = { ...component, size };
    const candidates = there.sold.filter(({ limits }) => limits);
    if (candidates.length === 0 || need.gpu) return null;
    const moved = this.byFreeSize(wanted, there, source, size, true);
    return moved.moved ? moved : null;
  }

  private byFreeSize(
    component: Component,
    there: There,
    source: Offer,
    size: FreeSize,
    onlyFree = false,
  ): Moved {
    const candidates = there.sold.flatMap((offer): Candidate[] => {
      const steps = stepsBetween(meaningOf(source), offer);
      const within = offer.limits && sizeWithin(size, offer.limits);
      if (!steps || !within || offer.lifecycle === 'retiring') return [];
      return [{ offer, steps, size: within }];
    });
    if (candidates.length > 0) return this.best(component, there, source, candidates);
    if (onlyFree) return this.none(component, there);
    const need = { vcpu: largest(size.vcpu), memory: largest(size.memory) };
    return this.byNeed(component, there, { need, dropped: [], counted: null }, null);
  }

  private byMeaning(component: Component, there: There, source: Offer): Moved {
    const candidates = (retiring: boolean): Candidate[] =>
      there.sold.flatMap((offer): Candidate[] => {
        if ((offer.lifecycle === 'retiring') !== retiring) return [];
        const steps = stepsBetween(meaningOf(source), offer);
        return steps ? [{ offer, steps, size: null }] : [];
      });
    const current = candidates(false);
    const all = current.length > 0 ? current : candidates(true);
    return all.length > 0 ? this.best(component, there, source, all) : this.none(component, there);
  }

  /** The least of the steps, then all that the source can do, then the cheapest; then by SKU, the order of a book. */
  private best(component: Component, there: There, source: Offer, candidates: readonly Candidate[]): Moved {
    let best: { moved: Moved; rank: number; cost: Decimal | null } | null = null;
    for (const candidate of candidates) {
      const { offer, steps, size } = candidate;
      const with_: Component = { ...component, place: there.place, choice: { by: 'sku', sku: offer.sku } };
      const notes = [
        ...steps.map((step) => stepNote(step, offer)),
        size && component.size ? sizeNote(component.size, size) : null,
        ownUnits(component, source, there),
      ];
      const moved = this.asItIs(size ? { ...with_, size } : with_, [offer], there, notes);
      const unbilled = moved.moved
        ? Object.keys(component.usage).length - Object.keys(moved.component.usage).length
        : 0;
      const rank =
        steps.reduce((sum, step) => sum + step.steps, 0) * 100 + lackingOf(source, offer).length + unbilled;
      const cost = this.costOf(moved);
      const first =
        !best ||
        rank < best.rank ||
        (rank === best.rank &&
          cost !== null &&
          (best.cost === null || comparedWithoutHair(cost, best.cost) < 0));
      if (first) best = { moved, rank, cost };
    }
    return this.lacking(best!.moved, source, there);
  }

  private cheaperOf(a: Moved, b: Moved): Moved {
    const [one, other] = [this.costOf(a), this.costOf(b)];
    if (one === null || other === null) return other === null ? a : b;
    return comparedWithoutHair(other, one) < 0 ? b : a;
  }

  private costOf(moved: Moved): Decimal | null {
    const line = moved.moved ? this.alone(moved.component) : null;
    return line?.status === 'priced' ? line.monthly.value : null;
  }

  /** Says what the offer that it came to cannot do and the one before could. */
  private lacking(moved: Moved, source: Offer, there: There): Moved {
    if (!moved.moved) return moved;
    if (canDo(source).length === 0) return moved;
    const { choice } = moved.component;
    const line = choice.by === 'cheapest' ? this.alone(moved.component) : null;
    const offer =
      choice.by === 'sku' ? there.book.offer(choice.sku) : line?.status === 'priced' ? line.offer : null;
    const lacks = offer ? lackingOf(source, offer) : [];
    if (!offer || lacks.length === 0) return moved;
    const note = issue('move.lacks', ['choice'], { offer: offer.name, capabilities: lacks.join(', ') });
    return { ...moved, notes: [...moved.notes, note] };
  }

  private none({ kind, place }: Component, { book, region }: There): Moved {
    const selling = book.regions.filter((each) => book.soldIn(each.code, kind).length > 0);
    const others = selling.filter(({ code }) => code !== region.code);
    const nearest = equivalentRegion(region, others)?.region.name ?? '';
    const values = { kind: kindOf(kind).label, region: `${book.title}, ${region.name}`, nearest };
    return stays(issue('move.none-of-kind', ['place'], { ...values, from: place?.region ?? '' }));
  }
}

interface Candidate {
  readonly offer: Offer;
  readonly steps: readonly Step[];
  readonly size: FreeSize | null;
}
