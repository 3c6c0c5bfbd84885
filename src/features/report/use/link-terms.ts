/** What every read-only link has: a key that is told once, a last day, and that it can be withdrawn. Need Q5. */
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import { AppError, invalid } from '@/platform/use/app-error';
import type { Context, LinkStore, LinkTerms } from '@/stores/ports';

/** 192 random bits: nobody guesses them, so a plain hash keeps them. */
const TOKEN_BYTES = 24;
export const TOKEN_FORM = /^[\w-]{32}$/;
const MOST_LINKS = 200;

/** Last day on which it opens; null: until it is withdrawn. */
export const lastDaySchema = z.iso.date().nullable();

/** Where a link stands now. */
export type LinkState = 'open' | 'expired' | 'withdrawn';

export function linkState(link: LinkTerms, now: Date): LinkState {
  if (link.withdrawnAt) return 'withdrawn';
  return link.expiresAt && new Date(link.expiresAt) <= now ? 'expired' : 'open';
}

export function hashOfToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** A key that nobody guesses, and what is kept of it. */
export function newToken(): { readonly token: string; readonly tokenHash: string } {
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  return { token, tokenHash: hashOfToken(token) };
}

/** Of a new link, with its key: whoever is not told it now is never told. */
export function newTerms(context: Context, expires: string | null): { terms: LinkTerms; token: string } {
  const now = context.now();
  const expiresAt = expires ? endOfDay(expires) : null;
  if (expiresAt && expiresAt <= now) throw invalid('A link must expire in the future; choose a later day.');
  const { token, tokenHash } = newToken();
  const terms = {
    id: context.newId(),
    workspace: context.actor.workspace,
    tokenHash,
    createdBy: context.actor.user,
    createdAt: now.toISOString(),
    expiresAt: expiresAt?.toISOString() ?? null,
    withdrawnAt: null,
  };
  return { terms, token };
}

function endOfDay(date: string): Date {
  return new Date(new Date(`${date}T00:00:00Z`).getTime() + 86_400_000);
}

export function requireRoom(thing: 'design' | 'study', before: readonly LinkTerms[], now: Date): void {
  if (before.filter((each) => linkState(each, now) === 'open').length >= MOST_LINKS)
    throw invalid(`A ${thing} has at most ${MOST_LINKS} open links; withdraw one first.`);
}

/** Null: the key opens nothing there. */
export async function openByToken<L extends LinkTerms>(
  store: LinkStore<L>,
  token: string,
  now: Date,
): Promise<L | null> {
  if (!TOKEN_FORM.test(token)) return null;
  const hash = hashOfToken(token);
  const link = await store.byTokenHash(hash);
  const isSame = link !== null && timingSafeEqual(Buffer.from(link.tokenHash), Buffer.from(hash));
  return isSame && linkState(link, now) === 'open' ? link : null;
}

export async function openByHash<L extends LinkTerms>(
  store: LinkStore<L>,
  tokenHash: string,
  now: Date,
): Promise<L> {
  const link = await store.byTokenHash(tokenHash);
  if (!link || linkState(link, now) !== 'open') throw closed();
  return link;
}

export function closed(): AppError {
  return new AppError(
    'not-found',
    'This link does not open a report. It may have expired or been withdrawn.',
  );
}
