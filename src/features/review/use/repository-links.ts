/** Which design the changes of a repository move, and which of its lines is which resource. */
import { z } from 'zod';
import { code } from '@/platform/formats/fields';
import { invalid, notFound } from '@/platform/use/app-error';
import { allow } from '@/platform/use/may';
import type { Context, RepositoryLink } from '@/stores/ports';

const match = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('line'), line: code }),
  z.strictObject({ is: z.literal('new') }),
  z.strictObject({ is: z.literal('none') }),
]);

const linkSchema = z.strictObject({
  repository: z.string().min(1).max(200),
  /** Null takes the link away. */
  design: z.string().max(40).nullable(),
  matches: z
    .record(z.string().max(2500), match)
    .refine((all) => Object.keys(all).length <= 20_000)
    .default({}),
});

export function readRepositoryLink(context: Context, repository: string): Promise<RepositoryLink | null> {
  allow(context.actor, 'readRepositoryLink');
  return context.repositoryLinks.find(context.actor.workspace, repository);
}

export async function linkRepository(context: Context, body: unknown): Promise<void> {
  allow(context.actor, 'linkRepository');
  const read = linkSchema.safeParse(body);
  if (!read.success) throw invalid('A link needs a repository, a design, and which line is which resource.');
  const { workspace } = context.actor;
  const { repository, design, matches } = read.data;
  if (design !== null && !(await context.designs.find(workspace, design))) throw notFound('design');
  await context.repositoryLinks.put(workspace, repository, design === null ? null : { design, matches });
  // A limit may hang on the budget of the design.
  await context.reviews.outdate(workspace);
}
