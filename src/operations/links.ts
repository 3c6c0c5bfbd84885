/** Read-only links: a report for people outside, until it expires or is withdrawn. Need Q5. */
import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import { planOf } from '@/core/pricing';
import { type Figure, isConfidential, type PlainFigure, toPlain } from '@/core/trace';
import type { Actor } from './actor';
import { allow } from './may';
import { AppError, invalid, notFound } from './app-error';
import { openDesign } from './designs';
import { loadBooks } from './load-books';
import type { Context, DesignLink, StoredDesign } from './ports';
import { type ReadReport, reportOf } from './report';

/** 192 random bits: nobody guesses them, so a plain hash keeps them. */
const TOKEN_BYTES = 24;
const TOKEN = /^[\w-]{32}$/;
const MOST_LINKS = 200;

const wantedSchema = z.strictObject({
  options: z.strictObject({
    variant: z.enum(['full', 'quotation']),
    validUntil: z.iso.date().nullable(),
    withAgreements: z.boolean(),
  }),
  pinned: z.boolean(),
  /** Last day on which it opens. */
  expires: z.iso.date().nullable(),
});

type Outside = Omit<Context, 'actor'>;

/** Where a link stands now. */
export type LinkState = 'open' | 'expired' | 'withdrawn';

export function linkState(link: DesignLink, now: Date): LinkState {
  if (link.withdrawnAt) return 'withdrawn';
  return link.expiresAt && new Date(link.expiresAt) <= now ? 'expired' : 'open';
}

export interface MadeLink {
  readonly link: DesignLink;
  /** The end of the address. Told now or never: only its hash is kept. */
  readonly token: string;
}

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

export async function createLink(context: Context, id: string, body: unknown): Promise<MadeLink> {
  allow(context.actor, 'createLink');
  const wanted = wantedSchema.safeParse(body);
  if (!wanted.success) throw invalid('A link needs a variant, a date or none, and whether it is pinned.');
  const { options, pinned, expires } = wanted.data;
  const now = context.now();
  const expiresAt = expires ? endOfDay(expires) : null;
  if (expiresAt && expiresAt <= now) throw invalid('A link must expire in the future; choose a later day.');
  const stored = await openDesign(context, id);
  const before = await context.links.list(context.actor.workspace, id);
  if (before.filter((each) => linkState(each, now) === 'open').length >= MOST_LINKS) {
    throw invalid(`A design has at most ${MOST_LINKS} open links; withdraw one first.`);
  }
  const token = randomBytes(TOKEN_BYTES).toString('base64url');
  const link: DesignLink = {
    id: context.newId(),
    workspace: context.actor.workspace,
    design: id,
    tokenHash: hashOf(token),
    // A quotation never carries agreements, whatever was asked.
    options: options.variant === 'quotation' ? { ...options, withAgreements: false } : options,
    pinned: pinned ? { design: stored.design, revision: stored.revision } : null,
    createdBy: context.actor.user,
    createdAt: now.toISOString(),
    expiresAt: expiresAt?.toISOString() ?? null,
    withdrawnAt: null,
  };
  await context.links.create(link);
  return { link, token };
}

function endOfDay(date: string): Date {
  return new Date(new Date(`${date}T00:00:00Z`).getTime() + 86_400_000);
}

export async function listLinks(context: Context, id: string): Promise<DesignLink[]> {
  allow(context.actor, 'listLinks');
  await openDesign(context, id);
  return context.links.list(context.actor.workspace, id);
}

export async function withdrawLink(context: Context, link: string): Promise<void> {
  allow(context.actor, 'withdrawLink');
  if (!(await context.links.withdraw(context.actor.workspace, link, context.now()))) throw notFound('link');
}

export interface LinkedReport extends ReadReport {
  readonly link: DesignLink;
}

/** For a stranger. Expired, withdrawn, deleted and invented links are told apart by nobody outside. */
export async function openLink(context: Outside, token: string): Promise<LinkedReport> {
  return reportBehind(context, await linkOf(context, token));
}

/** For who writes its file later: the link must still be open then. */
export async function openLinkByHash(context: Outside, tokenHash: string): Promise<LinkedReport> {
  return reportBehind(context, stillOpen(context, await context.links.byTokenHash(tokenHash)));
}

async function reportBehind(context: Outside, link: DesignLink): Promise<LinkedReport> {
  const actor: Actor = { user: 'link', workspace: link.workspace, role: 'viewer' };
  const shown = await designBehind(context, link);
  return { ...(await reportOf({ ...context, actor }, shown, link.options)), link };
}

async function designBehind({ designs }: Outside, link: DesignLink): Promise<StoredDesign> {
  // A pinned link ends with its design too.
  const current = await designs.find(link.workspace, link.design);
  if (!current) throw closed();
  return link.pinned ? { ...current, ...link.pinned } : current;
}

/** Whoever has no open link is turned away before anything is worked out for them. */
export async function requireLink(context: Outside, token: string): Promise<void> {
  await linkOf(context, token);
}

export async function linkOf(context: Outside, token: string): Promise<DesignLink> {
  if (!TOKEN.test(token)) throw closed();
  const hash = hashOf(token);
  const link = await context.links.byTokenHash(hash);
  const isSame = link !== null && timingSafeEqual(Buffer.from(link.tokenHash), Buffer.from(hash));
  return stillOpen(context, isSame ? link : null);
}

function stillOpen({ now }: Outside, link: DesignLink | null): DesignLink {
  if (!link || linkState(link, now()) !== 'open') throw closed();
  return link;
}

/** Ids of the lines whose calculation the link shows: none of a quotation, none that holds what was negotiated. */
export function explainedLines({ report, cases, link }: LinkedReport): Set<string> {
  if (report.variant === 'quotation') return new Set();
  const lines = cases.likely.sections.flatMap((section) => section.lines);
  return new Set(
    lines.flatMap((line) => (line.status === 'priced' && isShown(line.monthly, link) ? [line.id] : [])),
  );
}

function isShown(monthly: Figure, { options }: DesignLink): boolean {
  return options.variant === 'full' && (options.withAgreements || !isConfidential(monthly));
}

/** One line, and what is tied to it; the rest of the design is not priced for it. */
export async function linkedTrace(context: Outside, token: string, id: string): Promise<PlainFigure> {
  const link = await linkOf(context, token);
  const { design } = await designBehind(context, link);
  const plan = planOf(design, await loadBooks(context.books, link.workspace, design));
  const figure = plan.pricer.explain(plan, { case: 'likely' }, { of: 'component', id });
  if (!figure || !isShown(figure, link)) throw notFound('calculation');
  return toPlain(figure);
}

function closed(): AppError {
  return new AppError(
    'not-found',
    'This link does not open a report. It may have expired or been withdrawn.',
  );
}
