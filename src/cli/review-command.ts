/** `wick review`: what a plan changes of the month, before it is applied; from files alone, without network or database. */
import fs from 'node:fs';
import { bookSet, type BookSet } from '@/engine/pricing';
import {
  type DesignAfter,
  type Extract,
  extractOf,
  holdLimits,
  type IndexedMap,
  joinMaps,
  type LimitsAnswer,
  type LoadProfile,
  NO_LIMITS,
  NO_PROFILE,
  type Plan,
  remedyFor,
  type Review,
  type ReviewAsked,
  reviewOf,
  type ReviewSetting,
  whatIf,
  type WhatIf,
  type WhatIfColumn,
} from '@/features/review/calc';
import { TERMS, type Term } from '@/engine/terms';
import { DEFAULT_MONTH } from '@/engine/time';
import { CASES, type Case } from '@/engine/usage';
import { DEMO_MAPS } from '@/demo/maps';
import { planAgainst, readPlan } from '@/features/review/format/plan/read-plan';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { invalid } from '@/platform/use/app-error';
import { newestBooks } from './few-rates';
import { orRefuse, readText, writeOut } from './files';
import type { Call } from './options';
import { say } from './print';
import { terminal } from './terminal';

const NOT_ALL_PRICED = 3;
const LIMIT_BROKEN = 8;

/** 0 if every limit is kept; 8 if one that fails is broken; 3 if not everything is priced and `--all-priced` asks for it. */
export async function reviewCommand(call: Call): Promise<number> {
  const [file] = call.given;
  const plan = await planOf(call, file!);
  const map = mapFor(plan, call.all('map'));
  const extract = extractOf(plan, map);
  const profile = profileOf(call.one('load'));
  const { books, setting } = await settingOf(extract, profile, call);
  const asked: ReviewAsked = { extract, profile, setting, books };
  const planned = reviewOf(asked);
  const { review } = planned;
  const limitsFile = call.one('limits');
  const limits =
    limitsFile === undefined ? NO_LIMITS : orRefuse(readLimits(readText(limitsFile)), limitsFile);
  const today = new Date().toISOString().slice(0, 10);
  const held = holdLimits({ ...asked, review, limits, today, design: await designOf(call, asked) });
  const answer: LimitsAnswer = {
    ...held,
    broken: held.broken.map((each) => ({ ...each, remedy: remedyFor(each, { ...asked, planned }) })),
  };
  const whatIfs: WhatIfColumn[] = [];
  for (const each of call.all('what-if'))
    whatIfs.push(whatIf(each, await whatIfOf(each, asked), asked, planned));
  if (call.one('send') !== undefined) (await import('./send-review')).requireNamed(call);
  const text = await written(call, { review, limits: answer, whatIfs, plan: file!, all: limits });
  await drafted(call, plan, review);
  const out = call.one('out');
  if (out !== undefined && out !== '-') writeOut(out, text);
  else if (call.form === 'text') say(text);
  else terminal().out(text);
  if (call.one('send') !== undefined)
    await (await import('./send-review')).sendReview(call, { review, extract });
  if (answer.state === 'failed') return LIMIT_BROKEN;
  return call.has('all-priced') && review.rows.some(({ doubts }) => doubts.length > 0) ? NOT_ALL_PRICED : 0;
}

/** What the design that the code comes from costs with the change, by its own price books; null: none is named. */
async function designOf(call: Call, asked: ReviewAsked): Promise<DesignAfter | null> {
  const file = call.one('design');
  if (file === undefined) return null;
  const { booksOf, readDesignFile } = await import('./files');
  const { designAfter } = await import('@/features/review/format/review/work-review');
  const own = await booksOf(call.all('books'));
  const books = { get: own.get.bind(own), booksFor: async () => undefined };
  const repository = call.one('repository') ?? '';
  return designAfter({ design: readDesignFile(file), repository, matches: {} }, asked, books);
}

/** What ships for the providers of the plan, and then one's own, which win. */
function mapFor(plan: Plan, own: readonly string[]): IndexedMap {
  const providers = new Set(plan.resources.map(({ provider }) => provider));
  const shipped = Object.entries(DEMO_MAPS).filter(([provider]) => providers.has(provider));
  return joinMaps([
    ...shipped.map(([name, text]) => orRefuse(readResourceMap(text, false), name)),
    ...own.map((file) => orRefuse(readResourceMap(readText(file)), file)),
  ]);
}

/** A plan or a state; a folder is configuration without a plan. */
async function planOf(call: Call, file: string): Promise<Plan> {
  if (fs.statSync(file, { throwIfNoEntry: false })?.isDirectory())
    return (await import('./configuration-files')).readConfigurationFolder(file);
  const after = orRefuse(readPlan(readText(file)), file);
  const against = call.one('against');
  return against === undefined ? after : planAgainst(orRefuse(readPlan(readText(against)), against), after);
}

function profileOf(file: string | undefined): LoadProfile {
  return file === undefined ? NO_PROFILE : orRefuse(readLoadProfile(readText(file)), file);
}

/** Rules and use for a person to finish. A draft of rules is a file of its own; use is added to the profile that is there. */
async function drafted(call: Call, plan: Plan, review: Review): Promise<void> {
  const [map, load] = [call.one('draft-map'), call.one('draft-load')];
  if (map !== undefined)
    writeOut(
      map,
      (await import('@/features/review/format/review/draft-map')).draftMap(plan, review.withoutRule),
    );
  if (load === undefined) return;
  const before = fs.existsSync(load) ? readText(load) : '';
  if (before !== '') orRefuse(readLoadProfile(before), load);
  writeOut(load, (await import('@/features/review/format/review/load-file')).withMissingUse(before, review));
}

/** Offers by book, in the order in which the change names them; then those that are held. */
function wantedOf(extract: Extract, profile: LoadProfile): Map<string, Set<string>> {
  const wanted = new Map<string, Set<string>>();
  for (const { before, after } of extract.resources)
    for (const side of [before, after])
      if (side?.is === 'lines')
        for (const line of side.lines)
          for (const component of line.is === 'line'
            ? [line.component]
            : line.is === 'unknown'
              ? line.among
              : []) {
            const { place, choice } = component;
            if (!place) continue;
            const known = wanted.get(place.book) ?? new Set<string>();
            wanted.set(place.book, known);
            if (choice.by === 'sku') known.add(choice.sku);
          }
  for (const { book, sku } of profile.held ?? []) wanted.set(book, (wanted.get(book) ?? new Set()).add(sku));
  return wanted;
}

/** The newest revision of every book that the change needs; in the currency of the first. */
async function settingOf(
  extract: Extract,
  profile: LoadProfile,
  call: Call,
): Promise<{ readonly books: BookSet; readonly setting: ReviewSetting }> {
  const wanted = wantedOf(extract, profile);
  // A broken limit looks for a smaller size.
  const found = await newestBooks(call.all('books'), wanted, call.one('limits') !== undefined);
  const byKey = new Map(found.map((book) => [book.key, book]));
  return {
    books: bookSet(found),
    setting: {
      // Of the book that the change names first.
      currency: [...wanted.keys()].flatMap((key) => byKey.get(key)?.currency ?? [])[0] ?? 'USD',
      assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
      books: found.map(({ key, revision }) => ({ book: key, revision })),
    },
  };
}

/** `case=heavy`, `term=36-none`, `region=BOOK/REGION`, `load=FILE`, `books=PATH`. */
async function whatIfOf(text: string, { setting, extract, profile }: ReviewAsked): Promise<WhatIf> {
  const [what, value = ''] = text.split(/=(.*)/s) as [string, string?];
  switch (what) {
    case 'case': {
      if (CASES.some((each) => each === value)) return { is: 'case', case: value as Case };
      throw invalid('--what-if case= takes lean, likely or heavy.');
    }
    case 'term': {
      if (TERMS.some((each) => each === value)) return { is: 'term', term: value as Term };
      throw invalid(`--what-if term= takes ${TERMS.join(', ')}.`);
    }
    case 'region': {
      const [book, region] = value.split('/');
      if (region && setting.books.some((pin) => pin.book === book))
        return { is: 'region', book: book!, region };
      throw invalid('--what-if region= takes BOOK/REGION, of a book that is there.');
    }
    case 'load':
      return { is: 'profile', profile: profileOf(value) };
    case 'books': {
      const found = await newestBooks([value], wantedOf(extract, profile), false);
      if (found.length === 0) throw invalid(`--what-if books=: no book of the change is at ${value}.`);
      const pins = found.map(({ key, revision }) => ({ book: key, revision }));
      return { is: 'books', books: bookSet(found), pins };
    }
    default:
      throw invalid('--what-if takes case=…, term=…, region=BOOK/REGION, load=FILE or books=PATH.');
  }
}

export interface ReviewWritten {
  readonly review: Review;
  readonly limits: LimitsAnswer;
  readonly whatIfs: readonly WhatIfColumn[];
  readonly plan: string;
  readonly all: typeof NO_LIMITS;
}

async function written({ form, has }: Call, told: ReviewWritten): Promise<string> {
  const { review, limits, whatIfs, all, plan } = told;
  switch (form) {
    case 'json':
      return `${JSON.stringify({ ...review, limits, whatIfs }, null, 2)}\n`;
    case 'markdown':
      return (await import('@/features/review/file/review-markdown')).reviewMarkdown(told);
    case 'junit':
      return (await import('@/features/review/format/review/junit')).reviewJunit(review, all, limits);
    case 'sarif':
      return (await import('@/features/review/format/review/sarif')).reviewSarif(review, all, limits, plan);
    default:
      return (await import('./review-text')).reviewText(review, limits, whatIfs, has('all'));
  }
}
