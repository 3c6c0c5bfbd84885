/** Keys with which pipelines send their reviews: told once, kept as a hash, for one workspace and one purpose. Need O9. */
import { z } from 'zod';
import { name } from '@/platform/formats/fields';
import { cut } from '@/engine/base';
import type { Actor } from '@/platform/use/actor';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import { hashOfToken, newToken, TOKEN_FORM } from '@/features/report/use/link-terms';
import { allow } from '@/platform/use/may';
import type { Context, PipelineToken } from '@/stores/ports';

const MOST_TOKENS = 100;
/** Its beginning says what it is, so that whoever finds one knows. */
const BEGINNING = 'wick_';
/** Milliseconds between two notes of its last use. */
const NOTED = 60_000;

const wantedSchema = z.strictObject({ name });

export interface MadeToken {
  readonly token: PipelineToken;
  /** Told now or never. */
  readonly secret: string;
}

export async function createToken(context: Context, body: unknown): Promise<MadeToken> {
  allow(context.actor, 'createToken');
  const wanted = wantedSchema.safeParse(body);
  if (!wanted.success) throw invalid('A token needs a name, so that it is known later which one it is.');
  const { workspace } = context.actor;
  const open = (await context.tokens.list(workspace)).filter(({ withdrawnAt }) => withdrawnAt === null);
  if (open.length >= MOST_TOKENS)
    throw invalid(`A team has at most ${MOST_TOKENS} open tokens; withdraw one first.`);
  return mintToken(context, wanted.data.name);
}

/** For one run of a pipeline that is started from here; `forgetToken` ends it. */
export async function mintToken(context: Context, called: string): Promise<MadeToken> {
  const { workspace, user } = context.actor;
  const { token: key, tokenHash } = newToken();
  const token: PipelineToken = {
    id: context.newId(),
    workspace,
    name: cut(called, 200),
    tokenHash,
    createdBy: user,
    createdAt: context.now().toISOString(),
    lastUsedAt: null,
    withdrawnAt: null,
  };
  await context.tokens.create(token);
  return { token, secret: `${BEGINNING}${key}` };
}

/** Of a run that has ended: nothing of it is left. */
export async function forgetToken(context: Context, id: string): Promise<void> {
  await context.tokens.forget(context.actor.workspace, id);
}

export function listTokens(context: Context): Promise<PipelineToken[]> {
  allow(context.actor, 'listTokens');
  return context.tokens.list(context.actor.workspace);
}

export async function withdrawToken(context: Context, id: string): Promise<void> {
  allow(context.actor, 'withdrawToken');
  if (!(await context.tokens.withdraw(context.actor.workspace, id, context.now()))) throw notFound('token');
}

/** Whoever holds the token, as an actor of its workspace; `unknown-token` where it opens nothing. */
export async function actorOfToken(outside: Omit<Context, 'actor'>, secret: string | null): Promise<Actor> {
  const key = secret?.startsWith(BEGINNING) ? secret.slice(BEGINNING.length) : '';
  const found = TOKEN_FORM.test(key) ? await outside.tokens.byHash(hashOfToken(key)) : null;
  if (!found || found.withdrawnAt !== null)
    throw new AppError(
      'unknown-token',
      'This needs a token of a pipeline, and the one that came is not known or was withdrawn.',
    );
  const now = outside.now();
  if (found.lastUsedAt === null || now.getTime() - new Date(found.lastUsedAt).getTime() > NOTED)
    await outside.tokens.used(found.id, now);
  return { user: `pipeline:${found.id}`, workspace: found.workspace, role: 'pipeline' };
}
