/** Loads the demo into a workspace: books through the same import as anyone's, designs under fixed ids. */
import { priceAfterEdit, publishBook, type Context } from '@/operations';
import { checkPriceBook } from '@/formats';
import { DEMO_DESIGNS } from './designs';
import { DEMO_REVISIONS, generateBook } from './generate-book';
import { NORVANE } from './norvane';
import { OSMERE } from './osmere';

export const DEMO_PROFILES = [NORVANE, OSMERE];

export function demoDesignId(index: number): string {
  return `00000000-0000-4000-8000-${String(101 + index).padStart(12, '0')}`;
}

/** May run again after it was broken off: what is there already is left as it is. */
export async function loadDemo(context: Context): Promise<void> {
  const { workspace } = context.actor;
  const listed = await context.books.list(workspace);
  for (const profile of DEMO_PROFILES) {
    for (const revision of DEMO_REVISIONS) {
      const known = listed.find((book) => book.key === profile.key)?.revisions ?? [];
      if (known.some((each) => each.number === revision.number)) continue;
      const checked = checkPriceBook(generateBook(profile, revision));
      if (!checked.ok)
        throw new Error(`the demo book ${profile.key} is faulty: ${JSON.stringify(checked.faults[0])}`);
      await publishBook(context, checked.value);
    }
  }
  for (const [index, design] of DEMO_DESIGNS.entries()) {
    const id = demoDesignId(index);
    if (await context.designs.find(workspace, id)) continue;
    const at = new Date(context.now().getTime() - index * 60_000);
    await context.designs.create(workspace, id, design, at);
    await priceAfterEdit(context, id);
  }
}
