/**
 * Changes in a code forge, and the pipeline that prices each: the very command line runs on the plan, sends its extract, is
 * the comment in the discussion and the check that has to pass. Needs O3, O9, O14.
 */
import { z } from 'zod';
import { cut } from '@/engine/base';
import { AppError, invalid, notFound } from '@/platform/use/app-error';
import type { CodeForge, ForgeChange, ForgeCheck } from './forge-ports';
import { allow } from '@/platform/use/may';
import { forgetToken, mintToken } from './pipeline-tokens';
import type { Context } from '@/stores/ports';

const LIMIT_BROKEN = 8;

const changeSchema = z.object({ repository: z.string().max(200), change: z.string().max(100) });

export type NamedChange = z.infer<typeof changeSchema>;

/** Which one is meant. */
export function namedChange(body: unknown): NamedChange {
  const read = changeSchema.safeParse(body);
  if (!read.success) throw invalid('Say which change of which repository.');
  return read.data;
}

function forgeOf({ forge }: Context): CodeForge {
  if (!forge) throw new AppError('unavailable', 'No code forge is connected here.');
  return forge;
}

export async function listForge(context: Context): Promise<ForgeChange[]> {
  allow(context.actor, 'listForge');
  return context.forge?.changes(context.actor.workspace) ?? [];
}

export async function openForgeChange(context: Context, named: NamedChange): Promise<ForgeChange> {
  allow(context.actor, 'openForgeChange');
  const { repository, change } = named;
  const found = await context.forge?.find(context.actor.workspace, repository, change);
  if (!found) throw notFound('change');
  return found;
}

/** The author puts the next commit on the branch; what was checked before says nothing of it. */
export async function pushNext(context: Context, named: NamedChange): Promise<ForgeChange> {
  allow(context.actor, 'pushNext');
  const before = await openForgeChange(context, named);
  if (!before.next || before.phase === 'merged') throw invalid('There is no further commit for this branch.');
  const forge = forgeOf(context);
  const { workspace } = context.actor;
  await forge.push(workspace, named.repository, named.change);
  await forge.check(workspace, named.repository, named.change, NOT_CHECKED);
  return openForgeChange(context, named);
}

const NOT_CHECKED: ForgeCheck = { state: 'none', words: 'Not checked yet.' };

/** `address`: where this application is reached, for the command to send to. */
export async function runPipeline(
  context: Context,
  named: NamedChange,
  address: string,
): Promise<ForgeChange> {
  allow(context.actor, 'runPipeline');
  const before = await openForgeChange(context, named);
  const forge = forgeOf(context);
  const { workspace } = context.actor;
  const say = (check: ForgeCheck): Promise<void> =>
    forge.check(workspace, named.repository, named.change, check);
  await say({ state: 'running', words: 'The pipeline runs.' });
  try {
    const { exit, out, err } = await ran(context, before, address);
    if (exit !== 0 && exit !== LIMIT_BROKEN) {
      await say({ state: 'broken', words: cut(err.trim() || `The command ended with ${exit}.`, 500) });
      return await openForgeChange(context, named);
    }
    await forge.say(workspace, named.repository, named.change, out, context.now());
    // The comment's own first line.
    const words = out.split('\n')[0]!.replaceAll('**', '').replaceAll('\\', '');
    await say({ state: exit === 0 ? 'passed' : 'failed', words: cut(words, 500) });
  } catch (error) {
    await say({ state: 'broken', words: 'The pipeline could not be run; run it again.' });
    throw error;
  }
  return openForgeChange(context, named);
}

async function ran(
  context: Context,
  { repository, change, commits, branch, title, author, phase }: ForgeChange,
  address: string,
) {
  const files = await forgeOf(context).files(context.actor.workspace, repository, change);
  if (!files || !context.runCommand)
    throw new AppError('unavailable', 'Nothing that runs a pipeline is connected here.');
  const { plan, load, limits } = files;
  const token = await mintToken(context, `Pipeline of ${repository}`);
  const option = (name: string, value: string | null): string[] => (value ? [`--${name}=${value}`] : []);
  try {
    return await context.runCommand({
      args: [
        'review',
        'plan.json',
        '--format=markdown',
        ...option('load', load === null ? null : 'load.yaml'),
        ...option('limits', limits === null ? null : 'limits.yaml'),
        `--send=${address}`,
        ...option('repository', repository),
        ...option('change', change),
        ...option('commit', commits.at(-1)!.commit),
        ...option('branch', branch),
        ...option('title', title),
        ...option('author', author),
        ...option('phase', phase),
      ],
      files: {
        'plan.json': plan,
        ...(load !== null && { 'load.yaml': load }),
        ...(limits !== null && { 'limits.yaml': limits }),
      },
      token: token.secret,
    });
  } finally {
    await forgetToken(context, token.token.id);
  }
}

/** Only what passed its check; the review moves into the repository's history. */
export async function mergeChange(
  context: Context,
  named: NamedChange,
  address: string,
): Promise<ForgeChange> {
  allow(context.actor, 'mergeChange');
  const before = await openForgeChange(context, named);
  if (before.phase === 'merged') throw invalid('This change is merged already.');
  if (before.check.state !== 'passed')
    throw invalid(
      'The check has to pass before this can be merged. Run the pipeline, or change what it says.',
    );
  await forgeOf(context).merge(context.actor.workspace, named.repository, named.change);
  return runPipeline(context, named, address);
}
