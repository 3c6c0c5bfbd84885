import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { applyEdits, type Design } from '@/engine/design';
import { priceDesign } from '@/engine/pricing';
import { formKinds, formsFor, type MachineWish } from './';

const SMALL = designOf([]);
const WIDE: Design = designOf([], { books: [{ book: 'wide', revision: 1 }] });
const wish = (part: Partial<MachineWish> = {}): MachineWish => ({
  job: 'compute',
  ownSystem: null,
  ownHardware: null,
  licence: null,
  running: 'always',
  vcpu: '2',
  memory: '4',
  count: '3',
  ...part,
});
let made = 0;
const newId = (): string => `f${(made += 1)}`;
const inWide = (part: Partial<MachineWish> = {}) =>
  formsFor(wish(part), { book: 'wide', region: 'severn' }, WIDE, WIDE_BOOKS, newId);

describe('forms of the same capacity', () => {
  it('are priced as they would be in the design, the cheapest first', () => {
    const rows = inWide();
    const fitting = rows.filter((row) => row.component);
    expect(new Set(fitting.map((row) => row.form.kind)).size).toBeGreaterThan(1);
    for (const [index, row] of fitting.entries()) {
      const add = { edit: 'add-component', section: 'section', index: 0, component: row.component! } as const;
      const added = applyEdits(WIDE, [add]);
      if (!added.ok) throw new Error('refused');
      const priced = priceDesign(added.value.design, WIDE_BOOKS, 'likely');
      expect(priced.monthly.value.toString()).toBe(row.monthly!.toString());
      if (index > 0) expect(row.monthly!.greaterThanOrEqualTo(fitting[index - 1]!.monthly!)).toBe(true);
    }
  });

  it('have at least what was asked for: as many hosts as all of it needs', () => {
    const book = WIDE_BOOKS.get('wide', 1)!;
    const asked = { vcpu: '20', memory: '64', count: '7' };
    for (const row of inWide({ ...asked, ownHardware: true })) {
      if (!row.component || row.component.choice.by !== 'sku') continue;
      const offer = book.offer(row.component.choice.sku)!;
      const hosts = Number(row.component.count.likely);
      expect(hosts * Number(offer.vcpu)).toBeGreaterThanOrEqual(140);
      expect((hosts - 1) * Number(offer.vcpu) < 140 || (hosts - 1) * Number(offer.memory) < 448).toBe(true);
    }
  });

  it('that a question leaves out stay in the list and say why', () => {
    const rows = inWide({ ownSystem: false });
    const server = rows.find((row) => row.form.kind === 'server')!;
    expect([server.component, server.note]).toEqual([null, 'You would run the system yourself.']);
    expect(inWide({ ownHardware: false }).find((row) => row.form.kind === 'dedicated-host')!.note).toContain(
      'used or not',
    );
  });

  it('sleep where they can, and say so where they cannot', () => {
    const asleep = inWide({ running: 'asleep' });
    const runTime = asleep.find((row) => row.form.kind === 'container-run-time')!;
    const always = inWide().find((row) => row.form.kind === 'container-run-time')!;
    expect(runTime.monthly!.lessThan(always.monthly!)).toBe(true);
    expect(asleep.find((row) => row.form.kind === 'server')!.note).toContain('always on');
  });

  it('have their licence in the rate or let one bring it, as one wishes', () => {
    const brought = inWide({ licence: 'brought' }).filter((row) => row.component);
    expect(brought.length).toBeGreaterThan(0);
    for (const row of brought) {
      const { choice } = row.component!;
      const offer = choice.by === 'sku' ? WIDE_BOOKS.get('wide', 1)!.offer(choice.sku) : undefined;
      expect(offer!.capabilities).toContain('bring-licence');
      expect(row.note).toContain('not in the amount');
    }
    expect(
      inWide({ licence: 'brought', ownHardware: true }).find((row) => row.form.kind === 'dedicated-host')!
        .note,
    ).toBe('Nothing of this size lets you bring a licence here.');
    const engine = inWide({ job: 'database', licence: 'included' });
    expect(engine.find((row) => row.form.kind === 'server')).toMatchObject({
      component: null,
      note: 'The engine’s licence is yours there.',
    });
    expect(engine.find((row) => row.form.kind === 'relational-database')!.component).not.toBeNull();
    expect(
      inWide({ job: 'database', licence: 'brought' }).find((row) => row.form.kind === 'relational-database')!
        .component,
    ).toBeNull();
  });

  it('are not made up where nothing is sold or the book is not here', () => {
    const rows = formsFor(
      wish({ job: 'database' }),
      { book: 'small', region: 'severn' },
      SMALL,
      smallBooks(),
      newId,
    );
    expect(rows.find((row) => row.form.kind === 'relational-database')).toMatchObject({
      component: null,
      note: 'Nothing of this size is sold here.',
    });
    expect(formsFor(wish(), { book: 'lost', region: 'x' }, SMALL, smallBooks(), newId)).toEqual([]);
    expect(formKinds('database')).toEqual(['relational-database', 'server', 'dedicated-host']);
  });
});
