/** Every region of every book, or the nearest equivalent of each provider. Needs C3, C4, C7. */
import { kindOf, type PriceBook, type Region } from '@/engine/books';
import type { Scope } from '@/engine/design';
import { equivalentRegion } from '@/engine/moving';
import type { PricedDesign } from '@/engine/pricing';
import type { Asking } from './asking';
import type { AxisFacts, AxisRow } from './model';

/** All regions of the books; what is chosen now is marked where all lines are in one place. */
export function regionRows(asking: Asking, what: Scope, books: readonly PriceBook[]): AxisRow[] {
  const here = commonPlace(asking, books);
  return books.flatMap((book) => {
    const equivalent = here && equivalentRegion(here.region, book.regions)?.region.code;
    return book.regions.map((region) => {
      const facts = factsOf(asking, book, region, region.code === equivalent);
      const now = here?.book === book && here.region === region;
      const { revision, key } = book;
      return asking.row(
        `${key} ${region.code}`,
        `${book.title}, ${region.name}`,
        now ? [] : [{ change: 'move', what, book: key, revision, region: region.code }],
        (priced) => ({ ...facts, ...offerOf(asking, priced) }),
      );
    });
  });
}

/** One row a provider: each line in the nearest equivalent of its own region. */
export function providerRows(asking: Asking, what: Scope, books: readonly PriceBook[]): AxisRow[] {
  const homes = new Set(asking.lines.map(({ place }) => place?.book));
  return books.map((book) => {
    const now = homes.size === 1 && homes.has(book.key);
    const here = commonPlace(asking, books);
    const region = here && equivalentRegion(here.region, book.regions)?.region;
    const facts: AxisFacts = region ? factsOf(asking, book, region, true) : { book: book.key };
    const { revision, key } = book;
    return asking.row(
      key,
      region ? `${book.title}, ${region.name}` : book.title,
      now ? [] : [{ change: 'move', what, book: key, revision, region: null }],
      (priced) => ({ ...facts, ...offerOf(asking, priced) }),
    );
  });
}

/** Of one line: the offer that it came to. */
function offerOf(asking: Asking, priced: PricedDesign): Pick<AxisFacts, 'offer'> {
  if (asking.lines.length !== 1) return {};
  const [line] = asking.linesOf(priced);
  return { offer: line?.status === 'priced' ? (line.offer?.name ?? null) : null };
}

function commonPlace(
  { lines }: Asking,
  books: readonly PriceBook[],
): { readonly book: PriceBook; readonly region: Region } | null {
  const placed = lines.flatMap(({ place }) => (place ? [place] : []));
  const [first] = placed;
  if (!first || placed.some(({ book, region }) => book !== first.book || region !== first.region))
    return null;
  const book = books.find(({ key }) => key === first.book);
  const region = book?.region(first.region);
  return book && region ? { book, region } : null;
}

function factsOf({ lines }: Asking, book: PriceBook, region: Region, equivalent: boolean): AxisFacts {
  const kinds = new Set(lines.map(({ kind }) => kind));
  const [kind] = kinds;
  const { code, country, area, carbon, bands } = region;
  return {
    book: book.key,
    region: code,
    country,
    area: area ?? null,
    carbon,
    band: kinds.size === 1 && kind ? (bands?.[kindOf(kind).kind] ?? null) : null,
    equivalent,
  };
}
