/** What one press does must be taken by the server: every remedy is an edit batch like any other. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { anyDesign, componentOf, designOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { CHECKS, findingsOf } from '@/features/checklist/calc';
import { indexBook } from '@/engine/books';
import { applyEdits, type Design } from '@/engine/design';
import { plainMoney } from '@/platform/words';
import { bookSet, type BookSet, planOf, priceDesign } from '@/engine/pricing';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { editBatchSchema } from '@/features/design/format/edit';
import { readDesign, writeDesign } from '@/features/design/format/design';
import { toBookData } from '@/features/price-books/format/price-book';
import { drawn } from '@tests/support/drawn';

const DEMO_BOOKS = bookSet(
  DEMO_PROFILES.flatMap((profile) =>
    DEMO_REVISIONS.map((revision) => indexBook(toBookData(generateBook(profile, revision)))),
  ),
);

let made = 0;
const newId = (): string => `made-${(made += 1)}`;
const seen = new Set<string>();

/** Every remedy as the screen would send it, and the design after it as a file would carry it. */
function takeAll(design: Design, books: BookSet): void {
  for (const { check, remedy } of findingsOf(planOf(design, books), newId)) {
    if (!remedy) continue;
    seen.add(check);
    const batch = { baseRevision: 0, batch: crypto.randomUUID(), edits: remedy.edits };
    const read = editBatchSchema.safeParse(batch);
    expect([check, read.success ? [] : read.error.issues]).toEqual([check, []]);
    const after = applyEdits(design, remedy.edits);
    if (!after.ok) throw new Error(`${check}: ${after.issue.code}`);
    const file = readDesign(writeDesign(after.value.design));
    expect([check, file.ok]).toEqual([check, true]);
  }
}

describe('a store', () => {
  const store = () =>
    designOf(
      [
        componentOf({
          id: 'a',
          kind: 'object-store',
          place: { book: 'norvane', region: 'severn-1' },
          choice: { by: 'sku', sku: 'NV-STORE-NEAR' },
          usage: {
            stored: { amount: { likely: '20000' }, unit: 'GB' },
          },
        }),
      ],
      { books: [{ book: 'norvane', revision: 2 }] },
    );
  const graded = (design: Design) =>
    findingsOf(planOf(design, DEMO_BOOKS), newId).filter((each) => each.check === 'cheaper-grade');

  it('that nobody reads is cheaper at another grade, and saves what it says', () => {
    const [found] = graded(store());
    const after = applyEdits(store(), found!.remedy!.edits);
    if (!after.ok) throw new Error('refused');
    const cost = (design: Design) => priceDesign(design, DEMO_BOOKS, 'likely').monthly.value;
    const saved = cost(store()).minus(cost(after.value.design));
    expect(saved.greaterThan(cost(store()).times('0.2'))).toBe(true);
    expect(found!.says).toContain(`${plainMoney(saved, 'USD')} USD less for this use`);
    expect(graded(after.value.design)).toEqual([]);
  });
});

describe('every remedy', () => {
  it('of random designs is taken by the server and by files', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => takeAll(design, WIDE_BOOKS)),
      { numRuns: drawn(40) },
    );
    fc.assert(
      fc.property(anyDesign, (design) => takeAll(design, smallBooks())),
      { numRuns: drawn(40) },
    );
  });

  it('of the demo’s designs too', () => {
    for (const design of DEMO_DESIGNS) takeAll(design, DEMO_BOOKS);
  });

  it('was met often enough for this to mean something', () => {
    expect(seen.size).toBeGreaterThan(CHECKS.length / 2);
  });
});
