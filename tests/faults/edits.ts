/** Random edits, many of them where they do not belong: whatever is accepted can be taken out and brought in again. */
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { seededRandom } from '@/engine/base';
import { allComponents, type Design, type Edit, editsBetween } from '@/engine/design';
import { readDesign, writeDesign } from '@/features/design/format/design';
import { AppError } from '@/platform/use/app-error';
import { editDesign } from '@/features/design/use/edit-design';
import { importDesign, openDesign } from '@/features/design/use/designs';
import { memoryStores } from '@/stores/memory-stores';
import { mixed } from '@tests/reference/mixed-design';
import { testContext } from '@tests/support/store-contract';
import { type Counts, noCounts } from './count';
import { mutated } from './edges';

const EDITS = 12;

/** Edits of one design made of what stands in another, and some of them given to a component of another kind. */
function poolOf(from: Design, to: Design): Edit[] {
  const edits = editsBetween(from, to);
  const here = allComponents(from);
  const moved = edits.flatMap((edit, at) =>
    'id' in edit && here.length > 0 ? [{ ...edit, id: here[at % here.length]!.id } as Edit] : [],
  );
  const taken = allComponents(to).flatMap((each, at): Edit[] => {
    const { id } = here[at % Math.max(1, here.length)] ?? { id: 'none' };
    const use = Object.entries(each.usage).map(([meter, value]): Edit => ({
      edit: 'set-usage',
      id,
      meter,
      value,
    }));
    const { term, choice, licences, size } = each;
    return [
      ...use,
      { edit: 'set-component', id, field: 'term', value: term },
      { edit: 'set-component', id, field: 'choice', value: choice },
      { edit: 'set-component', id, field: 'licences', value: licences ?? null },
      { edit: 'set-component', id, field: 'size', value: size ?? null },
    ];
  });
  return [...edits, ...moved, ...taken];
}

export async function tryEdits(designs: number, first = 0): Promise<Counts> {
  const counts = noCounts();
  for (let seed = first; seed < first + designs; seed += 1) {
    const random = seededRandom(`edits ${seed}`);
    const context = testContext(memoryStores());
    const id = await importDesign(context, writeDesign(mixed(seed % 400).design));
    for (let turn = 0; turn < EDITS; turn += 1) {
      const { design, revision } = await openDesign(context, id);
      const edit = random.pick(poolOf(design, mixed((seed + 7 * turn + 1) % 400).design));
      const sent = random.next() < 0.5 ? edit : mutated(random, edit);
      counts.tried += 1;
      try {
        await editDesign(context, id, { baseRevision: revision, batch: randomUUID(), edits: [sent] });
        counts.taken += 1;
      } catch (error) {
        if (error instanceof AppError && error.code === 'invalid') counts.refused += 1;
        else
          counts.bad.push(
            `seed ${seed}, turn ${turn}: ${String(error)} at ${JSON.stringify(sent).slice(0, 200)}`,
          );
        continue;
      }
      const after = (await openDesign(context, id)).design;
      const again = readDesign(writeDesign(after));
      if (!again.ok) {
        const [fault] = again.faults;
        counts.bad.push(
          `seed ${seed}, turn ${turn}: its file is refused (${fault!.path} ${fault!.message}) after ${JSON.stringify(sent).slice(0, 200)}`,
        );
      } else if (!isDeepStrictEqual(again.value, JSON.parse(JSON.stringify(after)))) {
        counts.bad.push(`seed ${seed}, turn ${turn}: its file is another design`);
      }
    }
  }
  return counts;
}
