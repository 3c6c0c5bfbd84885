/** What was negotiated, as it is entered: a share, a price, tiers, a margin; and what is refused with a sentence. */
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { agreementOf, designOf, serverOf, storeOf } from '@tests/support/designs';
import { KINDS } from '@/engine/books';
import type { Edit } from '@/engine/design';
import { type Agreement, TERMS } from '@/engine/terms';
import { UNIT_CODES } from '@/engine/units';
import { designSchema } from '@/features/design/format/design';
import { coveredMeters, draftOf, EMPTY_DRAFT, EVERYTHING, priceUnits, readDraft } from './agreement-draft';
import { Agreements } from './agreements';

afterEach(cleanup);

const amount = fc.integer({ min: 1, max: 999_999 }).map((cents) => String(cents / 100));
const share = fc.integer({ min: 1, max: 1000 }).map((tenths) => String(tenths / 1000));
const tiers = fc
  .tuple(
    fc.uniqueArray(fc.integer({ min: 1, max: 9999 }), { maxLength: 4 }),
    fc.array(amount, { minLength: 5 }),
  )
  .map(([ends, prices]) => [
    ...ends.sort((a, b) => a - b).map((upTo, at) => ({ upTo: String(upTo), price: prices[at]! })),
    { upTo: null, price: prices[4]! },
  ]);
const fixed = {
  meter: fc.constantFrom('running', 'transferred', 'licence.ledger-db'),
  unit: fc.constantFrom(...UNIT_CODES),
  term: fc.constantFrom(...TERMS.filter((term) => term !== 'on-demand')),
};
const optional = { requiredKeys: ['by', 'meter', 'price', 'tiers'] } as const;
const anyAgreement = fc
  .record({
    name: fc.constantFrom('Yearly talks', 'A frame “2027”'),
    covers: fc.constantFrom(
      EVERYTHING,
      { ...EVERYTHING, books: ['small', 'wide'] },
      { ...EVERYTHING, kinds: ['server'], skus: ['A-4'] },
    ),
    from: fc.constantFrom(null, '2027-01-01'),
    to: fc.constantFrom(null, '2027-12-31'),
    margin: fc.option(share),
    discount: fc.oneof(
      fc.record({ by: fc.constant('share'), share }),
      fc.record(
        { by: fc.constant('price'), price: amount, ...fixed },
        { ...optional, requiredKeys: ['by', 'meter', 'price'] },
      ),
      fc.record(
        { by: fc.constant('tiers'), tiers, ...fixed },
        { ...optional, requiredKeys: ['by', 'meter', 'tiers'] },
      ),
    ),
  })
  .map((part) => agreementOf(part as Partial<Agreement>));

describe('an agreement as typed', () => {
  it('is, unchanged, what it was: nothing that a file may say is lost by opening it', () => {
    fc.assert(
      fc.property(anyAgreement, (agreement) => {
        expect(readDraft(draftOf(agreement), agreement.id)).toEqual(agreement);
      }),
    );
  });

  it('is one that a file takes', () => {
    fc.assert(
      fc.property(anyAgreement, (agreement) => {
        const read = readDraft(draftOf(agreement), 'new');
        const parsed = designSchema.safeParse(designOf([serverOf('a')], { agreements: [read as Agreement] }));
        expect(parsed.error?.issues ?? []).toEqual([]);
      }),
    );
  });

  const named = { ...EMPTY_DRAFT, name: 'Talks' };
  const priced = { ...named, by: 'price', meter: 'running', price: '0.05' } as const;
  it.each([
    ['without a name', { ...EMPTY_DRAFT, discount: '10' }, 'needs a name'],
    ['without anything agreed', named, 'Enter a discount or a margin'],
    ['of a margin without one', { ...named, by: 'nothing' as const }, 'Enter a margin'],
    ['above all', { ...named, discount: '101' }, 'from 0 to 100'],
    ['with a margin in words', { ...named, discount: '1', margin: 'much' }, 'zero or more'],
    ['that ends first', { ...named, discount: '1', from: '2027-02-01', to: '2027-01-31' }, 'ends before'],
    ['of no meter', { ...priced, meter: '' }, 'Choose the meter'],
    ['at a price in words', { ...priced, price: 'cheap' }, 'The price: '],
    ['at a price below zero', { ...priced, price: '-1' }, 'The price: '],
    [
      'in tiers that fall',
      { ...priced, by: 'tiers' as const, tiers: '1 up to 9, 2 up to 3, 1 beyond' },
      'must rise',
    ],
    ['in tiers without an end', { ...priced, by: 'tiers' as const, tiers: '1 up to 9' }, 'without an end'],
  ])('%s is refused', (_, draft, says) => expect(readDraft(draft, 'a')).toContain(says));
});

describe('what a price can be of', () => {
  const design = designOf([
    serverOf('a', { licences: [{ product: 'ledger-db', how: 'included' }] }),
    storeOf('b', {}),
  ]);
  const codes = (covers: Partial<typeof EVERYTHING>): string[] =>
    coveredMeters(design, { ...EVERYTHING, ...covers }).map((meter) => meter.meter);

  it('are the meters of what is covered, licences among them', () => {
    expect(codes({ kinds: ['server'] })).toEqual(expect.arrayContaining(['running', 'licence.ledger-db']));
    expect(codes({ kinds: ['server'] })).not.toContain('stored');
    expect(codes({ skus: ['STORE'] })).toContain('stored');
    expect(codes({ skus: ['STORE'] })).not.toContain('running');
    expect(codes({})).toEqual(expect.arrayContaining(['running', 'stored']));
    expect(codes({ categories: ['Storage'] })).not.toContain('running');
  });

  it('has a unit to be per, whatever the meter', () => {
    for (const { kind, meters } of KINDS) {
      for (const meter of meters) expect(priceUnits(meter), `${kind} ${meter.meter}`).not.toEqual([]);
    }
    expect(priceUnits(KINDS[0]!.meters[0])).toContain('hour');
    expect(
      priceUnits(
        coveredMeters(design, { ...EVERYTHING, skus: ['STORE'] }).find((each) => each.meter === 'stored'),
      ),
    ).toContain('TB-month');
  });
});

describe('the agreements of a design', () => {
  const show = (agreements: readonly Agreement[]) => {
    const applied: Edit[][] = [];
    const design = designOf([serverOf('a'), storeOf('b', {})], { agreements });
    render(<Agreements design={design} bookList={[]} apply={(edits) => void applied.push([...edits])} />);
    return applied;
  };
  const change = (label: string | RegExp, value: string, within_ = screen.getAllByRole('form')[0]!): void => {
    fireEvent.change(within(within_).getByLabelText(label), { target: { value } });
  };

  it('take a price in tiers, with a unit and a way of paying', () => {
    const applied = show([]);
    const form = screen.getByRole('form', { name: 'A new agreement', hidden: true });
    change('Name of the agreement', 'Sea freight', form);
    change('What was agreed', 'tiers', form);
    fireEvent.click(within(form).getByText('Add the agreement'));
    expect(within(form).getByRole('alert', { hidden: true }).textContent).toContain('Choose the meter');
    change('Meter', 'stored', form);
    change('Prices in tiers', '0.02 up to 50, 0.01 beyond', form);
    change('Price per', 'TB-month', form);
    change('In place of the price', '12-none', form);
    fireEvent.click(within(form).getByText('Add the agreement'));
    expect(applied).toEqual([
      [
        {
          edit: 'set-agreements',
          agreements: [
            {
              ...agreementOf({ name: 'Sea freight' }),
              id: expect.any(String),
              discount: {
                by: 'tiers',
                meter: 'stored',
                unit: 'TB-month',
                term: '12-none',
                tiers: [
                  { upTo: '50', price: '0.02' },
                  { upTo: null, price: '0.01' },
                ],
              },
            },
          ],
        },
      ],
    ]);
  });

  it('are changed in place, and keep what the form does not show apart', () => {
    const several = agreementOf({ id: 'x', name: 'Both', covers: { books: ['small', 'wide'] } });
    const applied = show([several, agreementOf()]);
    fireEvent.click(screen.getByRole('button', { name: 'Change “Both”' }));
    const form = screen.getByRole('form', { name: 'Change “Both”' });
    expect(within(form).getByText('several, as entered')).toBeTruthy();
    change('Discount, %', '12.5', form);
    fireEvent.click(within(form).getByRole('button', { name: 'Change the agreement' }));
    expect(applied).toEqual([
      [
        {
          edit: 'set-agreements',
          agreements: [{ ...several, discount: { by: 'share', share: '0.125' } }, agreementOf()],
        },
      ],
    ]);
    expect(screen.queryByRole('form', { name: 'Change “Both”' })).toBeNull();
  });
});
