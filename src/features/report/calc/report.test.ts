import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { agreementOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll, decimal } from '@/engine/base';
import type { Design } from '@/engine/design';
import { planOf, priceDesign, printedAmounts } from '@/engine/pricing';
import { reevaluate } from '@tests/support/reevaluate';
import { agreementWords, buildReport, liveComponents, mainEntries, type Report } from './';
import { drawn } from '@tests/support/drawn';

const SMALL_BOOKS = smallBooks();
const FULL = { variant: 'full', validUntil: null, withAgreements: true } as const;
const QUOTATION = { variant: 'quotation', validUntil: '2026-12-31', withAgreements: false } as const;
const runs = { numRuns: drawn(60) };

const total = (values: readonly string[]): string => addAll(values.map((each) => decimal(each))).toFixed(2);
const linesOf = (report: Report) => report.sections.flatMap((section) => section.lines);

describe('a report', () => {
  it('adds up: lines to sections, sections and shares to the total, months to the whole', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const { report } = buildReport(design, WIDE_BOOKS, FULL);
        for (const section of report.sections) {
          expect(total(section.lines.flatMap((line) => line.amount ?? []))).toBe(section.amount);
        }
        const { monthly, whole } = report.total;
        expect(total(report.sections.map((section) => section.amount))).toBe(monthly);
        expect(total(report.byCategory.map((row) => row.value))).toBe(monthly);
        expect(total(report.byKind.map((row) => row.value))).toBe(monthly);
        for (const rows of [report.months, report.quarters, report.years]) {
          expect(total(rows.map((row) => row.cash))).toBe(whole);
        }
      }),
      runs,
    );
  });

  it('prints what the ledger prints', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const printed = printedAmounts(priceDesign(design, WIDE_BOOKS, 'likely'));
        const { report } = buildReport(design, WIDE_BOOKS, FULL);
        expect(report.total.monthly).toBe(printed.total.toFixed(2));
        for (const line of linesOf(report)) {
          expect(line.amount).toBe(printed.components.get(line.id)?.toFixed(2) ?? null);
        }
      }),
      runs,
    );
  });

  it('names the first year as the ledger does, and lets every printed month fit into it', () => {
    const design = designOf(
      [serverOf('a', { count: { likely: '7' } }), transferOf('out', { likely: '1333' })],
      {
        assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [], horizon: 29 },
      },
    );
    const { report, cases } = buildReport(design, SMALL_BOOKS, FULL);
    expect(report.total.firstYear).toBe(cases.likely.twelveMonths.toFixed(2));
    expect(report.years[0]!.cash).toBe(report.total.firstYear);
    expect(total(report.months.slice(0, 12).map((month) => month.cash))).toBe(report.total.firstYear);
    expect(total(report.months.slice(24).map((month) => month.cash))).toBe(report.years[2]!.cash);
  });

  it('says what is not priced, and what was not wanted and why', () => {
    const design = designOf([serverOf('a'), serverOf('lost', { choice: { by: 'none' } })], {
      answers: [{ check: 'no-backup', subject: 'a', reason: 'Rebuilt from images.' }],
    });
    const { report } = buildReport(design, SMALL_BOOKS, FULL);
    expect(report.total.unpriced).toBe(1);
    expect(report.exclusions.map((row) => row.label)).toEqual([
      'Component lost is not priced',
      'Not wanted: No backup, Component a',
    ]);
    expect(report.exclusions[1]!.value).toBe('Rebuilt from images.');
  });
});

const NEGOTIATED: Design = designOf([serverOf('a', { count: { likely: '3' } })], {
  agreements: [agreementOf({ name: 'Harbour frame', margin: '0.25' })],
});

describe('an agreement in words', () => {
  it.each<[Partial<Parameters<typeof agreementOf>[0]>, string]>([
    [{}, '10 % off, for everything'],
    [
      { discount: { by: 'price', meter: 'running', price: '0.08' }, covers: { books: ['small'] } },
      'running at 0.08, for books small',
    ],
    [
      { discount: { by: 'price', meter: 'running', price: '0.08', unit: 'hour', term: '12-none' } },
      'running at 0.08 per hour, in place of 12 months, nothing upfront, for everything',
    ],
    [
      {
        discount: {
          by: 'tiers',
          meter: 'transferred',
          unit: 'TB',
          tiers: [
            { upTo: '10', price: '80' },
            { upTo: null, price: '60' },
          ],
        },
        margin: '0.05',
      },
      'transferred at 80 up to 10, 60 beyond per TB, margin 5 %, for everything',
    ],
  ])('%j', (part, words) => expect(agreementWords(agreementOf(part)).replaceAll('\u00a0', ' ')).toBe(words));
});

describe('a quotation', () => {
  const { report } = buildReport(NEGOTIATED, SMALL_BOOKS, QUOTATION);

  it('is priced as it is sold on: list 219, less a tenth, plus a quarter', () => {
    expect(report.total.monthly).toBe('246.38');
    expect(report.months[0]!.cash).toBe('246.38');
    expect(total(report.years.map((year) => year.cash))).toBe(report.total.whole);
    expect(report.validUntil).toBe('2026-12-31');
  });

  it('holds nothing from which the margin could be worked out', () => {
    const text = JSON.stringify(report);
    for (const secret of ['Harbour frame', '197.1', '219', '0.25', '25 %', '0.1"']) {
      expect(text).not.toContain(secret);
    }
    expect([report.rates, report.paying, report.agreements, report.total.list]).toEqual([[], [], [], null]);
  });
});

describe('a full report without agreements', () => {
  it('gives no reasons of the house for what was not wanted', () => {
    const answered: Design = {
      ...NEGOTIATED,
      answers: [{ check: 'no-backup', subject: 'a', reason: 'The customer pays us too little for it.' }],
    };
    const said = (variant: typeof FULL | typeof QUOTATION) =>
      JSON.stringify(buildReport(answered, SMALL_BOOKS, variant).report);
    expect(said(FULL)).toContain('too little');
    expect(said(QUOTATION)).not.toContain('too little');
  });

  it('withholds list prices, so that the discount cannot be worked out', () => {
    const built = buildReport(NEGOTIATED, SMALL_BOOKS, { ...FULL, withAgreements: false });
    expect(built.open).toBe(false);
    expect(built.report.rates).toEqual([]);
    expect(built.report.total).toMatchObject({ monthly: '197.10', list: null });
    expect(JSON.stringify(built.report)).not.toContain('Harbour frame');
  });

  it('shows them where there are none, or where they were chosen', () => {
    const plain = buildReport(designOf([serverOf('a')]), SMALL_BOOKS, { ...FULL, withAgreements: false });
    expect(plain.report.rates).toMatchObject([{ sku: 'A-4', price: '0.1' }]);
    const chosen = buildReport(NEGOTIATED, SMALL_BOOKS, FULL).report;
    expect(chosen.total.list).toBe('219.00');
    expect(chosen.agreements[0]!.label).toBe('Harbour frame');
  });
});

describe('the entries of a sheet', () => {
  it('follow a changed count or quantity wherever they say so', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.integer({ min: 2, max: 30 }), (design, tenths) => {
        const likely = priceDesign(design, WIDE_BOOKS, 'likely');
        const live = liveComponents(planOf(design, WIDE_BOOKS));
        const mains = mainEntries(design);
        const factor = decimal(tenths).dividedBy(10);
        const changed: Design = {
          ...design,
          sections: design.sections.map((section) => ({
            ...section,
            components: section.components.map((each) => {
              const main = mains.get(each.id)?.replace('usage/', '');
              const entry = main === undefined ? undefined : each.usage[main];
              if (!live.has(each.id) || !entry || main === undefined) return each;
              const amount = { likely: decimal(entry.amount.likely).times(factor).toString() };
              return { ...each, usage: { ...each.usage, [main]: { ...entry, amount } } };
            }),
          })),
        };
        const after = priceDesign(changed, WIDE_BOOKS, 'likely').sections[0]!.lines;
        const work = reevaluate(({ input, value }) =>
          input && live.has(input.component) && input.entry === mains.get(input.component)
            ? value.times(factor)
            : null,
        );
        likely.sections[0]!.lines.forEach((line, index) => {
          const expected = after[index]!;
          if (line.status !== 'priced' || expected.status !== 'priced' || !live.has(line.id)) return;
          let value;
          try {
            value = work(line.monthly);
          } catch {
            return; // It left its band: the sheet shows that it is not available.
          }
          expect(value.minus(expected.monthly.value).abs().toNumber()).toBeLessThan(1e-9);
        });
      }),
      { numRuns: drawn(100) },
    );
  });
});
