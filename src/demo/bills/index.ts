/** A stand-in for a billing feed: three months of the live sailing map, day by day, with what comes late and is put right. */
import { billCsv } from '@/features/bills/format/focus/write-bill';
import { dayAfter, daysOfPeriod } from '@/features/bills/calc';
import type { Design } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import type { BillingFeed, FeedFile } from '@/features/bills/use/feed-ports';
import type { StandInStore } from '@/features/review/use/forge-ports';
import { DEMO_DESIGNS } from '../designs';
import { LIVE_MAP_ACCOUNT, liveMapRows, monthHead } from './live-map';

const FIRST = '2026-09-01';
const LAST = '2026-11-30';
const KEY = 'billing-feed';
/** When October comes again, with what was put right. */
const PUT_RIGHT = '2026-11-03';

export { LIVE_MAP_ACCOUNT } from './live-map';

export const LIVE_MAP_DESIGN: Design = DEMO_DESIGNS.find(({ title }) => title === 'Live sailing map')!;

interface State {
  readonly day: string;
}

export function standInFeed(
  store: StandInStore,
  booksFor: (workspace: string, design: Design) => Promise<BookSet>,
): BillingFeed {
  const dayOf = async (workspace: string): Promise<string | null> =>
    ((await store.get(workspace, KEY)) as State | null)?.day ?? null;
  return {
    state: async (workspace) => ({
      ...{ day: await dayOf(workspace), first: FIRST, last: LAST, account: LIVE_MAP_ACCOUNT },
    }),
    next: async (workspace) => {
      const day = await dayOf(workspace);
      const upTo = day === null ? FIRST : dayAfter(day);
      if (upTo > LAST) return null;
      const books = await booksFor(workspace, LIVE_MAP_DESIGN);
      const months = [upTo.slice(0, 7), ...(upTo === PUT_RIGHT ? ['2026-10'] : [])];
      return { day: upTo, files: months.map((month) => fileOf(month, upTo, books)) };
    },
    arrived: (workspace, day) => store.put(workspace, KEY, { day }),
  };
}

function fileOf(month: string, upTo: string, books: BookSet): FeedFile {
  const head = monthHead(month);
  const rows = liveMapRows({
    ...{ design: LIVE_MAP_DESIGN, books, month, upTo, isPutRight: upTo >= PUT_RIGHT },
  });
  return { name: `${LIVE_MAP_ACCOUNT}-${month}.csv`, text: billCsv(head, rows) };
}

/** Days on which the demo's files came before anyone looked: ends of months, what was put right, and the last days. */
export const DEMO_FEED_DAYS: readonly string[] = [
  '2026-09-30',
  '2026-10-31',
  PUT_RIGHT,
  ...daysOfPeriod({ from: '2026-11-14', to: '2026-11-18' }),
];

/** As if the days until then had passed: the next file is that of `day`. */
export const beforeDay = (day: string): State => ({ day: dayAfter(day, -1) });

export const FEED_KEY = KEY;
