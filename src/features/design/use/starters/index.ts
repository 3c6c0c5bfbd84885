/** Starters: ours at every provider with their likely amount, and the team's own. Needs A13 to A15. */
import { cut } from '@/engine/base';
import { type Kind, kindOf, nearestRegion, type PriceBook, type Region } from '@/engine/books';
import { allComponents, anyOfKind, type Component, type Design } from '@/engine/design';
import { describeUse } from '@/features/design/words';
import { groupInText } from '@/platform/words';
import { summarise } from '@/engine/summary';
import { designSchema } from '@/features/design/format/design';
import { newestExchange } from '@/features/price-books/use/exchange';
import { allow } from '@/platform/use/may';
import { invalid, notFound } from '@/platform/use/app-error';
import { storeDesign } from '../designs';
import { loadBooks } from '@/features/price-books/use/load-books';
import type { Context } from '@/stores/ports';
import { placeStarter } from './place-starter';
import { STARTERS } from './starter-data';
import type { Starter } from './starter-types';

/** What a starter comes to at one provider. */
export interface StarterAmount {
  readonly book: string;
  readonly title: string;
  readonly region: string;
  /** Printed likely month. */
  readonly monthly: string;
  readonly low: string;
  readonly high: string;
  /** Parts the provider does not sell there. */
  readonly missing: readonly string[];
}

export interface StarterListing {
  /** Of ours a word, of one's own an id. */
  readonly key: string;
  readonly own: boolean;
  readonly title: string;
  readonly work: string;
  readonly description: string;
  readonly currency: string;
  readonly lines: readonly { readonly section: string; readonly name: string; readonly what: string }[];
  readonly amounts: readonly StarterAmount[];
}

/** What they are found by: our own ones first, nothing priced. */
export async function starterNames(
  context: Context,
): Promise<{ readonly key: string; readonly title: string; readonly work: string }[]> {
  allow(context.actor, 'starterNames');
  const kept = await context.kept.list(context.actor.workspace, 'starter');
  return [
    ...kept.map(({ id, name }) => ({ key: id, title: name, work: 'Our own' })),
    ...STARTERS.map(({ key, title, work }) => ({ key, title, work })),
  ];
}

const CURRENCY = 'USD';
/** Priced once per set of revisions: what was published never changes. */
const priced = new Map<string, readonly StarterListing[]>();
const KEPT = 8;

export async function listStarters(context: Context): Promise<StarterListing[]> {
  allow(context.actor, 'listStarters');
  const places = await placesOf(context);
  const exchange = await exchangeOf(context);
  const key = JSON.stringify([
    context.actor.workspace,
    places.map(({ book, region }) => [book.key, book.revision, region.code]),
    exchange,
  ]);
  let ours = priced.get(key);
  if (!ours) {
    ours = STARTERS.map((starter) => listingOf(starter, places, exchange));
    priced.set(key, ours);
    if (priced.size > KEPT) priced.delete(priced.keys().next().value!);
  }
  return [...(await ownStarters(context)), ...ours];
}

interface Place {
  readonly book: PriceBook;
  readonly region: Region;
}

/** Every provider's newest book, with all offers of the kinds that starters use, near the first one's first region. */
async function placesOf(context: Context): Promise<Place[]> {
  const { workspace } = context.actor;
  const kinds = [
    ...new Set(
      STARTERS.flatMap((each) => each.sections.flatMap(([, parts]) => parts.map((part) => part.kind))),
    ),
  ];
  const listed = await context.books.list(workspace);
  let near: Region | null = null;
  const places: Place[] = [];
  for (const { key, revisions } of listed) {
    const revision = revisions[0]!.number;
    const catalogue = await context.books.catalogue(workspace, key, revision);
    const regions = (catalogue?.regions ?? []) as readonly Region[];
    const region: Region | undefined = near ? nearestRegion(near, regions) : regions[0];
    if (!region) continue;
    near ??= region;
    const wish = designFor(key, revision, region.code, kinds);
    const book = (await loadBooks(context.books, workspace, wish)).get(key, revision);
    if (book) places.push({ book, region });
  }
  return places;
}

/** A design that needs all offers of the kinds: only good for loading them. */
function designFor(book: string, revision: number, region: string, kinds: readonly Kind[]): Design {
  const choice = { by: 'cheapest', need: { vcpu: '1', memory: '1' } } as const;
  const components = kinds.map((kind): Component => ({ ...anyOfKind(kind, { book, region }), choice }));
  return {
    title: '',
    description: '',
    currency: CURRENCY,
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [{ book, revision }],
    sections: [{ id: 's', name: '', components }],
  };
}

async function exchangeOf(context: Context): Promise<Design['assumptions']['exchange']> {
  return newestExchange(await context.exchange.list(context.actor.workspace), CURRENCY);
}

function listingOf(
  starter: Starter,
  places: readonly Place[],
  exchange: Design['assumptions']['exchange'],
): StarterListing {
  const designs = places.map((place) => ({
    place,
    design: placeStarter(starter, place.book, place.region, CURRENCY, exchange),
  }));
  return {
    key: starter.key,
    own: false,
    title: starter.title,
    work: starter.work,
    description: starter.description,
    currency: CURRENCY,
    lines: designs[0] ? linesOf(designs[0].design) : [],
    amounts: designs.map(({ place, design }) => {
      const summary = summarise(design, { get: () => place.book });
      const lines = summary.sections.flatMap((section) => section.lines);
      const unpriced = new Set(lines.filter((line) => !line.priced).map((line) => line.id));
      return {
        book: place.book.key,
        title: place.book.title,
        region: place.region.name,
        monthly: summary.printed,
        low: summary.wick.low,
        high: summary.wick.high,
        missing: allComponents(design)
          .filter((each) => unpriced.has(each.id))
          .map((each) => each.name),
      };
    }),
  };
}

function linesOf(design: Design): StarterListing['lines'] {
  return design.sections.flatMap((section) =>
    section.components.map((component) => {
      const { count, choice, size } = component;
      const words = [
        count.likely === '1' ? '' : `${count.likely} of`,
        kindOf(component.kind).label.toLowerCase(),
        choice.by === 'cheapest' ? `from ${choice.need.vcpu} vCPU and ${choice.need.memory} GiB` : '',
        size ? `${size.vcpu.likely} vCPU, ${size.memory.likely} GiB` : '',
      ];
      const use = describeUse(component);
      const what = `${words.filter(Boolean).join(' ')}${use ? `; ${groupInText(use)}` : ''}`;
      return { section: section.name, name: component.name, what };
    }),
  );
}

async function ownStarters(context: Context): Promise<StarterListing[]> {
  const { workspace } = context.actor;
  const kept = await context.kept.list(workspace, 'starter');
  return Promise.all(
    kept.map(async ({ id, name, body }) => {
      const design = body as Design;
      const summary = summarise(design, await loadBooks(context.books, workspace, design));
      const lines = summary.sections.flatMap((section) => section.lines);
      const names = new Map(allComponents(design).map((each) => [each.id, each.name]));
      return {
        key: id,
        own: true,
        title: name,
        work: 'Our own',
        description: design.description,
        currency: design.currency,
        lines: linesOf(design),
        amounts: [
          {
            book: '',
            title: 'as it is kept',
            region: '',
            monthly: summary.printed,
            low: summary.wick.low,
            high: summary.wick.high,
            missing: lines.filter((line) => !line.priced).map((line) => names.get(line.id)!),
          },
        ],
      };
    }),
  );
}

/** A new design from a starter; of ours at the provider of `book`. */
export async function beginWith(context: Context, key: string, book: string): Promise<string> {
  allow(context.actor, 'beginWith');
  const own = (await context.kept.list(context.actor.workspace, 'starter')).find((each) => each.id === key);
  if (own) return storeDesign(context, designSchema.parse(own.body) as Design);
  const starter = STARTERS.find((each) => each.key === key);
  if (!starter) throw notFound('starter');
  const place = (await placesOf(context)).find((each) => each.book.key === book);
  if (!place) throw invalid(`There is no price book “${cut(book, 60)}” here.`);
  const design = placeStarter(starter, place.book, place.region, CURRENCY, await exchangeOf(context));
  const listed = await context.books.list(context.actor.workspace);
  const others = listed.filter((each) => each.key !== book);
  return storeDesign(context, {
    ...design,
    // The other providers are at hand, as in any new design.
    books: [
      ...design.books,
      ...others.map((each) => ({ book: each.key, revision: each.revisions[0]!.number })),
    ],
  });
}
