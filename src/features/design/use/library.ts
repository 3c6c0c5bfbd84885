/** What a team keeps for the next design. Needs A11, J12. */
import { z } from 'zod';
import { agreements } from '@/features/design/format/design-parts';
import { component as componentSchema } from '@/features/design/format/component';
import { designSchema } from '@/features/design/format/design';
import { allow } from '@/platform/use/may';
import { invalid, notFound } from '@/platform/use/app-error';
import { openDesign } from './designs';
import type { Context, LibraryItem, LibraryKind } from '@/stores/ports';

const MOST_KEPT = 500;

const wanted = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('component'), name: z.string().min(1).max(200), body: componentSchema }),
  z.strictObject({
    what: z.literal('agreement'),
    name: z.string().min(1).max(200),
    body: agreements.element,
  }),
]);

export function listLibrary(context: Context, what: LibraryKind): Promise<LibraryItem[]> {
  allow(context.actor, 'listLibrary');
  return context.kept.list(context.actor.workspace, what);
}

/** Keeps a component or an agreement; one of the same name is replaced. */
export async function keep(context: Context, data: unknown): Promise<void> {
  allow(context.actor, 'keep');
  const read = wanted.safeParse(data);
  if (!read.success) throw invalid('This cannot be kept: it is no component and no agreement.');
  const { what, name, body } = read.data;
  await put(context, what, name, body);
}

/** A design as a starter of one's own. */
export async function keepAsStarter(context: Context, id: string): Promise<void> {
  allow(context.actor, 'keepAsStarter');
  const { design } = await openDesign(context, id);
  await put(context, 'starter', design.title, designSchema.parse(design));
}

async function put(context: Context, what: LibraryKind, name: string, body: object): Promise<void> {
  const { workspace } = context.actor;
  const all = await context.kept.list(workspace, what);
  const same = all.find((each) => each.name === name);
  if (!same && all.length >= MOST_KEPT) throw invalid(`At most ${MOST_KEPT} are kept; remove one first.`);
  if (same) await context.kept.remove(workspace, same.id);
  const keptAt = context.now().toISOString();
  await context.kept.put(workspace, { id: context.newId(), what, name, body, keptAt });
}

export async function removeFromLibrary(context: Context, id: string): Promise<void> {
  allow(context.actor, 'removeFromLibrary');
  if (!(await context.kept.remove(context.actor.workspace, id))) throw notFound('kept thing');
}
