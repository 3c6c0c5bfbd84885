import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, storeOf, transferOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { allComponents, applyEdits, type Component, type Design } from '@/engine/design';
import { planOf, priceDesign } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { CHECKS, environmentOf, type Finding, findingsOf, lookedAt, untouchedOf } from './';
import { drawn } from '@tests/support/drawn';

const BOOKS = smallBooks();
let made = 0;
const newId = (): string => `new-${(made += 1)}`;

function found(design: Design, check: string, books = BOOKS): Finding[] {
  return findingsOf(planOf(design, books), newId).filter((each) => each.check === check);
}

/** The design after the remedy of its one finding. */
function remedied(design: Design, check: string, books = BOOKS): Design {
  const [finding] = found(design, check, books);
  const applied = applyEdits(design, finding!.remedy!.edits);
  if (!applied.ok) throw new Error('the remedy cannot be applied');
  return applied.value.design;
}

const wide = (components: readonly Component[], part: Partial<Design> = {}): Design =>
  designOf(components, { books: [{ book: 'wide', revision: 1 }], ...part });
const inWide = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}): Component =>
  componentOf({ id, kind, place: { book: 'wide', region: 'severn' }, choice: { by: 'sku', sku }, ...part });
const held = (amount: string): Component['usage'] => ({
  stored: { amount: { likely: amount }, unit: 'GiB' },
});

describe('rules', () => {
  it('have codes of their own and say why they matter', () => {
    expect(new Set(CHECKS.map((each) => each.check)).size).toBe(CHECKS.length);
    expect(CHECKS.length).toBeGreaterThanOrEqual(22);
    for (const { title, reason } of CHECKS)
      expect([title, reason].every((text) => text.length > 8)).toBe(true);
  });

  it('whose remedies were all taken can be applied to any design and leave it priced', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        for (const { remedy } of findingsOf(planOf(design, WIDE_BOOKS), newId)) {
          if (!remedy) continue;
          const after = applyEdits(design, remedy.edits);
          expect(after.ok).toBe(true);
          if (!after.ok) continue;
          const before = priceDesign(design, WIDE_BOOKS, 'likely').unpriced;
          expect(priceDesign(after.value.design, WIDE_BOOKS, 'likely').unpriced).toBeLessThanOrEqual(before);
        }
      }),
      { numRuns: drawn(40) },
    );
  });

  it('find nothing any more where their remedy was taken', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        for (const { check, subject, remedy, answered } of findingsOf(planOf(design, WIDE_BOOKS), newId)) {
          const after = remedy && answered === null && applyEdits(design, remedy.edits);
          // A copy may itself hold what was found in the original.
          if (!after || !after.ok || check === 'dearer-than-needed') continue;
          const again = findingsOf(planOf(after.value.design, WIDE_BOOKS), newId).find(
            (each) => each.check === check && each.subject === subject && each.answered === null,
          );
          expect(again?.says ?? null).toBeNull();
        }
      }),
      { numRuns: drawn(25) },
    );
  });
});

describe('companions', () => {
  const database = inWide('db', 'relational-database', 'DB', { usage: held('400') });

  it('are missed, and come with usage that fits the design, marked as a guess', () => {
    const added = allComponents(remedied(wide([database]), 'no-backup', WIDE_BOOKS)).at(-1)!;
    expect(added).toMatchObject({
      kind: 'backup',
      place: { book: 'wide', region: 'severn' },
      usage: { stored: { amount: { likely: '800' }, unit: 'GB' } },
    });
    expect(added.guesses).toContain('usage/stored');
    expect(found(wide([database, added]), 'no-backup', WIDE_BOOKS)).toEqual([]);
  });

  it('are not missed by what needs none', () => {
    const design = wide([inWide('q', 'queue', 'QUEUE')]);
    for (const check of ['no-backup', 'no-snapshots', 'no-monitoring', 'no-front-door-protection']) {
      expect(found(design, check, WIDE_BOOKS)).toEqual([]);
    }
  });

  it('have no remedy where nothing of the kind is sold', () => {
    const [finding] = found(designOf([serverOf('a')]), 'no-monitoring');
    expect(finding).toMatchObject({ remedy: null, answered: null });
  });

  it('stay found when answered, with the answer', () => {
    const answers = [{ check: 'no-monitoring', subject: '', reason: 'Counted by the other team.' }];
    expect(found(designOf([serverOf('a')], { answers }), 'no-monitoring')[0]!.answered).toBe(
      'Counted by the other team.',
    );
  });
});

describe('lines', () => {
  it('not sold where they stand are moved to the nearest region that sells them', () => {
    const book = BOOKS.get('small', 3)!;
    const elsewhere = book.regions.find((region) => !book.sells('A-4', region.code))!;
    const design = designOf([serverOf('a', { place: { book: 'small', region: elsewhere.code } })]);
    expect(priceDesign(design, BOOKS, 'likely').unpriced).toBe(1);
    const moved = remedied(design, 'not-sold-here');
    expect(priceDesign(moved, BOOKS, 'likely').unpriced).toBe(0);
  });

  it('dearer than another of the same size are named, with what it would save', () => {
    const all = BOOKS.get('small', 3)!;
    const dear = all
      .soldIn('severn', 'server')
      .filter((offer) => offer.lifecycle === 'current')
      .map((offer) => serverOf(offer.sku, { choice: { by: 'sku', sku: offer.sku } }));
    for (const component of dear) {
      const design = designOf([component]);
      const before = priceDesign(design, BOOKS, 'likely').monthly.value;
      for (const { remedy } of found(design, 'dearer-than-needed')) {
        const after = applyEdits(design, remedy!.edits);
        if (!after.ok) throw new Error('refused');
        expect(priceDesign(after.value.design, BOOKS, 'likely').monthly.value.lessThan(before)).toBe(true);
      }
    }
    expect(dear.length).toBeGreaterThan(2);
  });

  it('committed and idle are better on demand, running always they are not', () => {
    const committed = (running: Component['running']): Design =>
      wide([inWide('a', 'server', 'S-4', { term: '12-none', running, count: { likely: '2' } })]);
    expect(found(committed({ pattern: 'always' }), 'commitment-does-not-pay', WIDE_BOOKS)).toEqual([]);
    const idle = committed({ pattern: 'hours', hoursPerMonth: { likely: '20' } });
    const better = remedied(idle, 'commitment-does-not-pay', WIDE_BOOKS);
    expect(allComponents(better)[0]!.term).toBe('on-demand');
    expect(
      priceDesign(better, WIDE_BOOKS, 'likely').monthly.value.lessThan(
        priceDesign(idle, WIDE_BOOKS, 'likely').monthly.value,
      ),
    ).toBe(true);
  });

  it('paid as interruptible without leave are found', () => {
    const design = wide([inWide('a', 'server', 'S-4', { term: 'interruptible' })]);
    expect(allComponents(remedied(design, 'interruptible-stateful', WIDE_BOOKS))[0]!.term).toBe('on-demand');
    const allowed = wide([inWide('a', 'server', 'S-4', { term: 'interruptible', mayBeStopped: true })]);
    expect(found(allowed, 'interruptible-stateful', WIDE_BOOKS)).toEqual([]);
  });

  it('entered in GB and billed in GiB can be read as GiB', () => {
    const design = designOf([
      volumeOf('v', { likely: '100' }, { usage: { capacity: { amount: { likely: '100' }, unit: 'GB' } } }),
    ]);
    expect(allComponents(remedied(design, 'decimal-or-binary'))[0]!.usage.capacity).toMatchObject({
      amount: { likely: '100' },
      unit: 'GiB',
    });
    expect(found(designOf([volumeOf('v', { likely: '100' })]), 'decimal-or-binary')).toEqual([]);
  });

  it('that stand once become two', () => {
    expect(allComponents(remedied(designOf([serverOf('a')]), 'no-second-zone'))[0]!.count.likely).toBe('2');
    const night = serverOf('a', { running: { pattern: 'hours', hoursPerMonth: { likely: '80' } } });
    expect(found(designOf([night]), 'no-second-zone')).toEqual([]);
  });
});

describe('the design as a whole', () => {
  it('says where a line stands apart', () => {
    const design = designOf([
      serverOf('a', { count: { likely: '9' } }),
      serverOf('b', { place: { book: 'small', region: 'tasman' } }),
    ]);
    const [finding] = found(design, 'mixed-regions');
    expect(finding).toMatchObject({ subject: 'b' });
    expect(allComponents(remedied(design, 'mixed-regions'))[1]!.place!.region).toBe('severn');
  });

  it('asks once whether a region that went from line to line is meant', () => {
    const design = designOf(['a', 'b', 'c', 'd'].map((id) => serverOf(id)));
    expect(found(design, 'inherited-region')).toHaveLength(1);
    expect(found(remedied(design, 'inherited-region'), 'inherited-region')[0]!.answered).toContain(
      'is meant',
    );
  });

  it('says what the account’s allowance is worth, and how to leave it out', () => {
    const design = designOf([transferOf('out', { likely: '1500' })]);
    const [finding] = found(design, 'allowance-counted-twice');
    if (!finding) throw new Error('not found');
    expect(finding.says).toMatch(/\d+\.\d\d USD/);
    expect(remedied(design, 'allowance-counted-twice').assumptions.countAllowances).toBe(false);
  });

  it('notices another month than the book’s', () => {
    const design = designOf([serverOf('a')], {
      assumptions: { month: { hours: '744' }, countAllowances: true, exchange: [] },
    });
    expect(remedied(design, 'month-convention').assumptions.month).toEqual({ hours: 'book' });
    const same = designOf([serverOf('a')], {
      assumptions: { month: { hours: '720' }, countAllowances: true, exchange: [] },
    });
    expect(found(same, 'month-convention')).toEqual([]);
  });

  it('offers a second environment, unless a section is one', () => {
    const design = designOf([serverOf('a', { count: { likely: '10' } }), volumeOf('v', { likely: '100' })]);
    const staged = remedied(design, 'no-non-production');
    expect(staged.sections[1]!.components.map((each) => each.count.likely)).toEqual(['3', '1']);
    expect(found(staged, 'no-non-production')).toEqual([]);
  });
});

describe('an environment', () => {
  const section = designOf([
    serverOf('a', { count: { likely: '4', heavy: '10' }, term: '36-part', committed: { likely: '2' } }),
    storeOf('s', { stored: { amount: { likely: '200' }, unit: 'GB' } }),
    serverOf('none', { count: { likely: '0' } }),
  ]).sections[0]!;

  it('has fewer of what there are several of, less of what there is one of, and never none of something', () => {
    const copy = environmentOf(section, { name: 'Test', share: '0.1', running: null, newId });
    expect(copy.components.map((each) => each.count)).toEqual([
      { likely: '1', heavy: '1' },
      { likely: '1' },
      { likely: '0' },
    ]);
    expect(copy.components[1]!.usage.stored!.amount.likely).toBe('20');
    expect(copy.components[0]).toMatchObject({ term: '36-part', running: { pattern: 'always' } });
    expect(copy.components[0]!.committed).toBeUndefined();
  });

  it('that sleeps is not committed', () => {
    const running = { pattern: 'hours', hoursPerMonth: { likely: '200' } } as const;
    const copy = environmentOf(section, { name: 'Test', share: '1', running, newId });
    expect(copy.components[0]).toMatchObject({ term: 'on-demand', running, count: { likely: '4' } });
    expect(new Set(copy.components.map((each) => each.id)).size).toBe(3);
  });
});

describe('what must be at hand', () => {
  it('is every chosen offer’s kind and every companion’s, wherever the design stands', () => {
    const kinds = lookedAt(designOf([serverOf('a')])).map(({ kind, place }) => `${kind} ${place!.region}`);
    expect(kinds).toContain('server severn');
    expect(kinds).toContain('backup severn');
    expect(lookedAt(designOf([]))).toEqual([]);
  });
});

describe('guesses and untouched defaults', () => {
  it('are listed with the most money first, and not where somebody has thought about it', () => {
    const design = designOf([
      serverOf('small'),
      serverOf('big', { count: { likely: '9' } }),
      serverOf('done', {
        count: { likely: '2', heavy: '4' },
        running: { pattern: 'hours', hoursPerMonth: { likely: '100' } },
      }),
      transferOf('out', { likely: '300', heavy: '900' }, { guesses: ['usage/transferred'] }),
      serverOf('lost', { choice: { by: 'none' } }),
    ]);
    const list = untouchedOf(design, summarise(design, BOOKS));
    expect(list.map((each) => each.id)).toEqual(['big', 'small', 'out']);
    expect(list[0]!.what).toEqual(['always on', 'on demand', 'no lean or heavy']);
    expect(list[2]!.what).toEqual(['“Sent out” is a guess']);
  });

  it('carry the very amounts that the ledger prints', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const summary = summarise(design, WIDE_BOOKS);
        const lines = summary.sections.flatMap((section) => section.lines);
        for (const { id, monthly } of untouchedOf(design, summary)) {
          expect(monthly).toBe(lines.find((line) => line.id === id)!.printed);
        }
      }),
      { numRuns: drawn(30) },
    );
  });
});
