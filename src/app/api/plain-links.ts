/** Links as the screen needs them: never the pinned document. */
import 'server-only';
import type { PlainLink } from '@/platform/screen/links-dialog';
import { type Context } from '@/stores/ports';
import { linkState } from '@/features/report/use/link-terms';
import { listLinks } from '@/features/report/use/links';
import { listStudyLinks } from '@/features/own-or-rent/use/study-links';

type Listed =
  Awaited<ReturnType<typeof listLinks>>[number] | Awaited<ReturnType<typeof listStudyLinks>>[number];

export async function plainLinks(context: Context, id: string): Promise<PlainLink[]> {
  return (await listLinks(context, id)).map((link) => plain(context, link));
}

export async function plainStudyLinks(context: Context, id: string): Promise<PlainLink[]> {
  return (await listStudyLinks(context, id)).map((link) => plain(context, link));
}

function plain(context: Context, link: Listed): PlainLink {
  return {
    id: link.id,
    options: 'options' in link ? link.options : null,
    pinnedRevision: link.pinned?.revision ?? null,
    expires: link.expiresAt && lastDay(link.expiresAt),
    state: linkState(link, context.now()),
    createdAt: link.createdAt,
  };
}

/** It ends with the end of a day; that day is said. */
function lastDay(expiresAt: string): string {
  return new Date(Date.parse(expiresAt) - 1).toISOString().slice(0, 10);
}
