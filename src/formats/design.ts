/** The design file, version 1: what a person made, without prices; priced anew wherever it is opened. */
import { z } from 'zod';
import { KIND_CODES } from '@/core/books';
import { chargeFaults } from '@/core/rates';
import type { Design } from '@/core/design';
import type { DesignSummary } from '@/core/range';
import { type JsonBounds, readBoundedJson } from './bounded-json';
import { shareText } from './charge';
import { component } from './component';
import { check, type Checked, type Fault, refused } from './faults';
import { amountText, code, currency, isoDate, LIMITS, longText, name, term, unit } from './fields';
import { cased } from './use-fields';

export const id = code;

export const section = z.strictObject({ id, name, components: z.array(component).max(LIMITS.components) });

export const month = z.union([
  z.strictObject({ hours: z.enum(['730', '720', '744', 'book']) }),
  z.strictObject({
    hours: z.literal('calendar'),
    year: z.int().min(2000).max(2100),
    month: z.int().min(1).max(12),
  }),
]);

export const exchange = z
  .array(
    z.strictObject({
      from: currency,
      to: currency,
      rate: amountText.refine((text) => Number(text) > 0, 'must be above zero'),
      date: isoDate,
    }),
  )
  .max(200);

export const bookPins = z.array(z.strictObject({ book: code, revision: z.int().min(1) })).max(200);

const monthNumber = z.int().min(1).max(120);

export const ASSUMPTION_FIELDS = {
  month,
  countAllowances: z.boolean(),
  exchange,
  allowanceShare: shareText,
  start: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'must be a month like 2027-01'),
  growth: z.strictObject({ traffic: cased, stock: cased }),
  season: z.array(amountText).length(12, 'must be twelve multipliers, January first'),
  campaigns: z.array(z.strictObject({ month: monthNumber, times: amountText })).max(60),
  contingency: amountText,
  tax: amountText,
  horizon: monthNumber,
  budget: amountText,
} as const;

const assumptions = z.strictObject(ASSUMPTION_FIELDS).partial({
  allowanceShare: true,
  start: true,
  growth: true,
  season: true,
  campaigns: true,
  contingency: true,
  tax: true,
  horizon: true,
  budget: true,
});

const codes = z.array(code).max(500);

/** A fixed price replaces that of one meter under one way of paying, in a unit of its own if it says so. */
const FIXED = { meter: code, unit: unit.optional(), term: term.optional() } as const;

const agreedTiers = z
  .array(z.strictObject({ upTo: amountText.nullable(), price: amountText }))
  .min(1)
  .max(50)
  .superRefine((tiers, context) => {
    for (const { path, message } of chargeFaults({ structure: 'graduated', tiers }, '')) {
      const [, at, field] = /\[(\d+)\]\.(\w+)$/.exec(path) ?? [];
      context.addIssue({ code: 'custom', path: at && field ? [Number(at), field] : [], message });
    }
  });

export const agreements = z
  .array(
    z.strictObject({
      id,
      name,
      covers: z.strictObject({
        books: codes,
        categories: z.array(name).max(50),
        kinds: z.array(z.enum(KIND_CODES)).max(KIND_CODES.length),
        skus: codes,
      }),
      from: isoDate.nullable(),
      to: isoDate.nullable(),
      discount: z
        .discriminatedUnion('by', [
          z.strictObject({ by: z.literal('share'), share: shareText }),
          z.strictObject({ by: z.literal('price'), price: amountText, ...FIXED }),
          z.strictObject({ by: z.literal('tiers'), tiers: agreedTiers, ...FIXED }),
        ])
        .nullable(),
      margin: amountText.nullable(),
    }),
  )
  .max(200);

export const CHECK_ANSWER = { check: code, subject: z.union([id, z.literal('')]), reason: name } as const;

export const designSchema = z.strictObject({
  title: name,
  description: longText,
  currency,
  assumptions,
  books: bookPins,
  sections: z.array(section).max(LIMITS.sections),
  agreements: agreements.optional(),
  answers: z.array(z.strictObject(CHECK_ANSWER)).max(2000).optional(),
});

export const designFileSchema = z.strictObject({
  format: z.literal('wick-design'),
  version: z.literal(1),
  design: designSchema,
  /** What it cost when it was written; for readers. Opening the file prices it anew and ignores this. */
  priced: z.unknown().optional(),
});

export const DESIGN_BOUNDS: JsonBounds = { mostBytes: 8_000_000 };

/** Reads and checks a design file; ids must be unique. All faults by path. */
export function readDesign(text: string): Checked<Design> {
  const json = readBoundedJson(text, DESIGN_BOUNDS);
  if (!json.ok) return json;
  const file = check(designFileSchema, json.value);
  if (!file.ok) return file;
  const faults = designFaults(file.value.design as Design);
  return faults.length > 0 ? refused(faults) : { ok: true, value: file.value.design as Design };
}

/** What must hold across a design: unique ids, one pin a book, a bounded number of components. */
export function designFaults(design: Design): Fault[] {
  const faults: Fault[] = [];
  const seen = new Set<string>();
  const see = (value: string, path: string): void => {
    if (seen.has(value)) faults.push({ path, message: `the id “${value}” stands twice` });
    seen.add(value);
  };
  let components = 0;
  design.sections.forEach((each, at) => {
    see(each.id, `sections[${at}].id`);
    each.components.forEach((row, index) => see(row.id, `sections[${at}].components[${index}].id`));
    components += each.components.length;
  });
  const books = design.books.map((pin) => pin.book);
  books.forEach((book, index) => {
    if (books.indexOf(book) !== index)
      faults.push({ path: `books[${index}].book`, message: `“${book}” is pinned twice` });
  });
  const rates = design.assumptions.exchange.map(({ from, to, date }) => `${from} to ${to} of ${date}`);
  rates.forEach((rate, index) => {
    if (rates.indexOf(rate) !== index)
      faults.push({ path: `assumptions.exchange[${index}]`, message: `the rate ${rate} stands twice` });
  });
  if (components > LIMITS.components) {
    faults.push({ path: 'sections', message: `a design holds at most ${LIMITS.components} components` });
  }
  return faults;
}

/** Writes the file; with `summary`, what it costs goes along for readers. */
export function writeDesign(design: Design, summary?: DesignSummary): string {
  const priced = summary ? { priced: summary } : {};
  return `${JSON.stringify({ format: 'wick-design', version: 1, design, ...priced }, null, 2)}\n`;
}
