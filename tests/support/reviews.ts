/** Reviews over the demo's price books and maps. */
import { indexBook } from '@/engine/books';
import { type BookSet, bookSet } from '@/engine/pricing';
import {
  type Extract,
  extractOf,
  joinMaps,
  type LoadProfile,
  NO_PROFILE,
  type PricedReview,
  type Review,
  reviewOf,
  type ReviewRow,
  type ReviewSetting,
} from '@/features/review/calc';
import { DEFAULT_MONTH } from '@/engine/time';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_MAPS } from '@/demo/maps';
import { DEMO_PROFILES } from '@/demo/profiles';
import { type Checked } from '@/platform/formats/faults';
import { toBookData } from '@/features/price-books/format/price-book';
import { readPlanData } from '@/features/review/format/plan/read-plan';
import { readResourceMap } from '@/features/review/format/review/map-schema';

/** Of a file that has no faults. */
export function fine<T>(read: Checked<T>): T {
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

const REVISION = DEMO_REVISIONS.at(-1)!;

let books: BookSet | null = null;

export function demoBookSet(): BookSet {
  books ??= bookSet(
    DEMO_PROFILES.filter(({ key }) => key in DEMO_MAPS).map((profile) =>
      indexBook(toBookData(generateBook(profile, REVISION))),
    ),
  );
  return books;
}

export const demoMap = joinMaps(Object.values(DEMO_MAPS).map((text) => fine(readResourceMap(text))));

export const demoSetting: ReviewSetting = {
  currency: 'USD',
  assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
  books: Object.keys(DEMO_MAPS).map((book) => ({ book, revision: REVISION.number })),
};

export interface Reviewed extends PricedReview {
  readonly extract: Extract;
}

export function reviewed(
  plan: unknown,
  profile: LoadProfile = NO_PROFILE,
  setting: ReviewSetting = demoSetting,
): Reviewed {
  const extract = extractOf(fine(readPlanData(plan)), demoMap);
  return { extract, ...reviewOf({ extract, profile, setting, books: demoBookSet() }) };
}

export function rowOf({ rows }: Review, address: string): ReviewRow {
  const row = rows.find((each) => each.address === address);
  if (!row) throw new Error(`no row ${address}`);
  return row;
}
