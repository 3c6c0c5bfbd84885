/** Read-only links of a study: its report for whoever decides and has no place in the workspace. Needs N15, Q5. */
import { z } from 'zod';
import type { Actor } from '@/platform/use/actor';
import { invalid, notFound } from '@/platform/use/app-error';
import {
  closed,
  lastDaySchema,
  newTerms,
  openByHash,
  openByToken,
  requireRoom,
} from '@/features/report/use/link-terms';
import { allow } from '@/platform/use/may';
import type { Context, StudyLink } from '@/stores/ports';
import { openStudy } from './studies';
import { type StudyFile, studyFileOf } from './study-file';

type Outside = Omit<Context, 'actor'>;

const wantedSchema = z.strictObject({ pinned: z.boolean(), expires: lastDaySchema });

export interface MadeStudyLink {
  readonly link: StudyLink;
  /** The end of the address. Told now or never: only its hash is kept. */
  readonly token: string;
}

export async function createStudyLink(context: Context, id: string, body: unknown): Promise<MadeStudyLink> {
  allow(context.actor, 'createStudyLink');
  const wanted = wantedSchema.safeParse(body);
  if (!wanted.success) throw invalid('A link needs a date or none, and whether it is pinned.');
  const { pinned, expires } = wanted.data;
  const { terms, token } = newTerms(context, expires);
  const { study, revision } = await openStudy(context, id);
  requireRoom('study', await context.studyLinks.list(context.actor.workspace, id), context.now());
  const link: StudyLink = { ...terms, study: id, pinned: pinned ? { study, revision } : null };
  await context.studyLinks.create(link);
  return { link, token };
}

export async function listStudyLinks(context: Context, id: string): Promise<StudyLink[]> {
  allow(context.actor, 'listStudyLinks');
  await openStudy(context, id);
  return context.studyLinks.list(context.actor.workspace, id);
}

export async function withdrawStudyLink(context: Context, link: string): Promise<void> {
  allow(context.actor, 'withdrawStudyLink');
  if (!(await context.studyLinks.withdraw(context.actor.workspace, link, context.now())))
    throw notFound('link');
}

export interface LinkedStudy extends StudyFile {
  readonly revision: number;
  readonly isPinned: boolean;
}

/** For a stranger: worked out whole, as the study's own people see it. */
export async function openStudyLink(outside: Outside, token: string): Promise<LinkedStudy> {
  const link = await openByToken(outside.studyLinks, token, outside.now());
  if (!link) throw closed();
  return studyBehind(outside, link);
}

/** For who writes its file later: the link must still be open then. */
export async function openStudyLinkByHash(outside: Outside, tokenHash: string): Promise<LinkedStudy> {
  return studyBehind(outside, await openByHash(outside.studyLinks, tokenHash, outside.now()));
}

async function studyBehind(outside: Outside, link: StudyLink): Promise<LinkedStudy> {
  const actor: Actor = { user: 'link', workspace: link.workspace, role: 'viewer' };
  // A pinned link ends with its study too.
  const current = await outside.studies.find(actor.workspace, link.study);
  if (!current) throw closed();
  const { study, revision } = link.pinned ?? current;
  return { ...studyFileOf(study), revision, isPinned: link.pinned !== null };
}
