/** Links as the screen needs them: never the pinned document. */
import 'server-only';
import type { PlainLink } from '@/screens/design/report/links-dialog';
import { type Context, linkState, listLinks } from '@/operations';

export async function plainLinks(context: Context, id: string): Promise<PlainLink[]> {
  const links = await listLinks(context, id);
  return links.map((link) => ({
    id: link.id,
    options: link.options,
    pinnedRevision: link.pinned?.revision ?? null,
    expires: link.expiresAt && lastDay(link.expiresAt),
    state: linkState(link, context.now()),
    createdAt: link.createdAt,
  }));
}

/** It ends with the end of a day; that day is said. */
function lastDay(expiresAt: string): string {
  return new Date(Date.parse(expiresAt) - 1).toISOString().slice(0, 10);
}
