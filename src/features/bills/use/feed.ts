/** The billing feed: what it delivers is imported as any file is. */
import { AppError, invalid } from '@/platform/use/app-error';
import { importBill } from './import-bill';
import type { BillingFeed, FeedState } from './feed-ports';
import { allow } from '@/platform/use/may';
import type { Context, ImportedBill } from '@/stores/ports';

const MOST_DAYS = 31;

export async function readFeed(context: Context): Promise<FeedState | null> {
  allow(context.actor, 'readFeed');
  return (await context.feed?.state(context.actor.workspace)) ?? null;
}

/** The files of the next days, each day as a whole. Ends early where there are no more. */
export async function fetchFeed(context: Context, days: number): Promise<ImportedBill[]> {
  allow(context.actor, 'fetchFeed');
  if (!Number.isInteger(days) || days < 1 || days > MOST_DAYS)
    throw invalid(`The feed is fetched for 1 to ${MOST_DAYS} days at a time.`);
  const feed = feedOf(context);
  const { workspace } = context.actor;
  const imported: ImportedBill[] = [];
  for (let at = 0; at < days; at += 1) {
    const next = await feed.next(workspace);
    if (!next) break;
    for (const { name, text } of next.files) {
      const upload = { id: context.newId(), fileName: name, bytesTotal: null, source: encoded(text) };
      imported.push(...(await importBill(context, upload)).bills);
    }
    // Written down last: broken off before, the day comes again, and the same files replace themselves.
    await feed.arrived(workspace, next.day);
  }
  return imported;
}

function feedOf({ feed }: Context): BillingFeed {
  if (!feed) throw new AppError('unavailable', 'No billing feed is connected here.');
  return feed;
}

async function* encoded(text: AsyncIterable<string> | Iterable<string>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  for await (const part of text) yield encoder.encode(part);
}
