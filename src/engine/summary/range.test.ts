import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { decimal } from '../base';
import { allComponents, applyEdits } from '../design';
import { casesOf, createPricer } from '../pricing';
import { printedWick, summarise, summaryOf, wickOver } from './';
import { drawn } from '@tests/support/drawn';

describe('the wick', () => {
  it('spans all three cases, also where lean turns out dearer than heavy', () => {
    const wick = wickOver({ lean: decimal('9'), likely: decimal('5'), heavy: decimal('7') });
    expect([wick.low, wick.likely, wick.high].map(String)).toEqual(['5', '5', '9']);
  });
});

describe('a shown wick', () => {
  it('has the printed amount as its likely one, and as each end that equals it', () => {
    const wick = { low: decimal('5.004'), likely: decimal('5.004'), high: decimal('7') };
    const shown = printedWick(wick, decimal('5.01'));
    expect([shown.low, shown.likely, shown.high].map(String)).toEqual(['5.01', '5.01', '7']);
  });

  it('says what the row says, on screen and in the report, for any design', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const summary = summarise(design, WIDE_BOOKS);
        for (const row of [summary, ...summary.sections, ...summary.sections.flatMap(({ lines }) => lines)]) {
          if (row.wick) expect(row.wick.likely).toBe(row.printed);
        }
        const narrow = summary.sections
          .flatMap(({ lines }) => lines)
          .filter((line) => line.wick && line.lean === line.monthly && line.heavy === line.monthly);
        for (const line of narrow)
          expect([line.wick!.low, line.wick!.high]).toEqual([line.printed, line.printed]);
      }),
      { numRuns: drawn(40) },
    );
  });
});

describe('a summary of a design of which little changed', () => {
  it('is what a summary of all of it anew is', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.integer({ min: 0, max: 9 }), (design, count) => {
        const [changed] = allComponents(design);
        if (!changed) return;
        const pricer = createPricer(WIDE_BOOKS);
        const plan = pricer.plan(design);
        summaryOf(casesOf(plan));
        const edit = {
          edit: 'set-component',
          id: changed.id,
          field: 'count',
          value: { likely: String(count) },
        } as const;
        const after = applyEdits(design, [edit]);
        if (!after.ok) throw new Error('refused');
        const reused = summaryOf(casesOf(pricer.plan(after.value.design, plan)));
        const anew = summarise(structuredClone(after.value.design), WIDE_BOOKS);
        expect({ ...reused, firstYear: anew.firstYear }).toEqual(anew);
      }),
      { numRuns: drawn(40) },
    );
  });
});

describe('the summary', () => {
  const books = smallBooks();
  const summary = summarise(
    designOf([
      serverOf('a', { count: { likely: '2', lean: '1', heavy: '3' } }),
      transferOf('b', { likely: '250', lean: '50' }),
      serverOf('c', { choice: { by: 'none' } }),
    ]),
    books,
  );
  const [section] = summary.sections;

  it('brings the three cases of every line together', () => {
    expect(section!.lines[0]).toMatchObject({
      printed: '146',
      lean: '73',
      heavy: '219',
      wick: { low: '73', likely: '146', high: '219' },
    });
    expect(section!.lines[1]).toMatchObject({ printed: '60', lean: '0', heavy: '60' });
  });

  it('adds up to sections and to the design, in every case', () => {
    expect(summary).toMatchObject({
      printed: '206',
      lean: '73',
      heavy: '279',
      wick: { low: '73', likely: '206', high: '279' },
    });
    expect(section).toMatchObject({ printed: '206', unpriced: 1 });
  });

  it('has no amount, no range and a reason for what is not priced', () => {
    expect(section!.lines[2]).toMatchObject({ priced: false, printed: null, wick: null, monthly: null });
    expect(section!.lines[2]!.issues.map((issue) => issue.code)).toEqual(['choice.missing']);
    expect(summary.unpriced).toBe(1);
  });

  it('names near misses and what they lack', () => {
    const need = { by: 'cheapest' as const, need: { vcpu: '9', memory: '16' } };
    const none = summarise(designOf([serverOf('a', { choice: need })]), books).sections[0]!.lines[0]!;
    expect(none.nearest[0]).toEqual({ sku: 'A-8', name: 'a-8', lacks: 'too few vCPU' });
  });

  it('survives being sent as text', () => {
    expect(JSON.parse(JSON.stringify(summary))).toEqual(summary);
  });
});
