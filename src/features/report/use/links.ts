/** Read-only links: a report for people outside, until it expires or is withdrawn. Need Q5. */
import { z } from 'zod';
import { planOf } from '@/engine/pricing';
import { type Figure, isConfidential, type PlainFigure, toPlain } from '@/engine/trace';
import type { Actor } from '@/platform/use/actor';
import { allow } from '@/platform/use/may';
import { invalid, notFound } from '@/platform/use/app-error';
import { openDesign } from '@/features/design/use/designs';
import { loadBooks } from '@/features/price-books/use/load-books';
import { closed, lastDaySchema, newTerms, openByHash, openByToken, requireRoom } from './link-terms';
import type { Context, DesignLink, StoredDesign } from '@/stores/ports';
import { type ReadReport, reportOf } from './report';

const wantedSchema = z.strictObject({
  options: z.strictObject({
    variant: z.enum(['full', 'quotation']),
    validUntil: z.iso.date().nullable(),
    withAgreements: z.boolean(),
  }),
  pinned: z.boolean(),
  expires: lastDaySchema,
});

type Outside = Omit<Context, 'actor'>;

export interface MadeLink {
  readonly link: DesignLink;
  /** The end of the address. Told now or never: only its hash is kept. */
  readonly token: string;
}

export async function createLink(context: Context, id: string, body: unknown): Promise<MadeLink> {
  allow(context.actor, 'createLink');
  const wanted = wantedSchema.safeParse(body);
  if (!wanted.success) throw invalid('A link needs a variant, a date or none, and whether it is pinned.');
  const { options, pinned, expires } = wanted.data;
  const { terms, token } = newTerms(context, expires);
  const stored = await openDesign(context, id);
  requireRoom('design', await context.links.list(context.actor.workspace, id), context.now());
  const link: DesignLink = {
    ...terms,
    design: id,
    // A quotation never carries agreements, whatever was asked.
    options: options.variant === 'quotation' ? { ...options, withAgreements: false } : options,
    pinned: pinned ? { design: stored.design, revision: stored.revision } : null,
  };
  await context.links.create(link);
  return { link, token };
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
  return reportBehind(context, await openByHash(context.links, tokenHash, context.now()));
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

async function linkOf(context: Outside, token: string): Promise<DesignLink> {
  const link = await openByToken(context.links, token, context.now());
  if (!link) throw closed();
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
