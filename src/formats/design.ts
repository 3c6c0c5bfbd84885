/** The design file, version 1: what a person made, without prices; priced anew wherever it is opened. */
import { z } from 'zod';
import { KIND_CODES } from '@/core/books';
import { chargeFaults } from '@/core/rates';
import { allComponents, type Component, type Design } from '@/core/design';
import type { DesignSummary } from '@/core/range';
import { type JsonBounds, readBoundedJson } from './bounded-json';
import { shareText } from './charge';
import { component, place } from './component';
import { designFileToday } from './earlier-names';
import { check, type Checked, type Fault, faultsOf, refused } from './faults';
import {
  amountText,
  amountUpTo,
  code,
  currency,
  isoDate,
  LIMITS,
  longText,
  name,
  term,
  unit,
} from './fields';
import { casedOf } from './use-fields';

export const id = code;

export const section = z.strictObject({
  id,
  name,
  place: place.nullable().optional(),
  components: z.array(component).max(LIMITS.components),
});

export const month = z.union([
  z.strictObject({ hours: z.enum(['730', '720', '744', 'book']) }),
  z.strictObject({
    hours: z.literal('calendar'),
    year: z.int().min(2000).max(2100),
    month: z.int().min(1).max(12),
  }),
]);

const exchangeRate = amountText.refine(
  (text) => !(Number(text) < 1e-9 || Number(text) > 1e9),
  'must be above zero: from 0.000000001 to 1000000000',
);

/** Of a month; doubling it is taken, more is a percentage that was meant otherwise. */
const monthlyGrowth = casedOf(
  amountUpTo(1, 'must be a share of at most 1 (100 % a month); 15 % is written 0.15'),
);
const shareOnTop = amountUpTo(10, 'must be a share of at most 10 (1 000 %); 20 % is written 0.2');

export const exchange = z
  .array(
    z.strictObject({
      from: currency,
      to: currency,
      rate: exchangeRate,
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
  growth: z.strictObject({ traffic: monthlyGrowth, stock: monthlyGrowth }),
  season: z
    .array(amountUpTo(1000, 'must be at most a thousand times'))
    .length(12, 'must be twelve multipliers, January first'),
  campaigns: z
    .array(
      z.strictObject({ month: monthNumber, times: amountUpTo(10_000, 'must be at most ten thousand times') }),
    )
    .max(60),
  contingency: shareOnTop,
  tax: shareOnTop,
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
    z
      .strictObject({
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
        margin: amountUpTo(100, 'must be a share of at most 100; 20 % is written 0.2').nullable(),
      })
      .refine(({ from, to }) => !from || !to || to >= from, {
        path: ['to'],
        message: 'must not be before it begins',
      }),
  )
  .max(200);

const MOST_ANSWERS = 2000;

export const CHECK_ANSWER = { check: code, subject: z.union([id, z.literal('')]), reason: name } as const;

export const designSchema = z.strictObject({
  title: name,
  description: longText,
  currency,
  assumptions,
  books: bookPins,
  place: place.nullable().optional(),
  sections: z.array(section).max(LIMITS.sections),
  agreements: agreements.optional(),
  answers: z.array(z.strictObject(CHECK_ANSWER)).max(MOST_ANSWERS).optional(),
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
  const file = check(designFileSchema, designFileToday(json.value));
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
  const agreed = (design.agreements ?? []).map((each) => each.id);
  agreed.forEach((each, index) => {
    if (agreed.indexOf(each) !== index)
      faults.push({ path: `agreements[${index}].id`, message: `the id “${each}” stands twice` });
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

/** Everything about a design that a file could not say, by path. */
export function faultsOfDesign(design: Design): Fault[] {
  const parsed = designSchema.safeParse(design);
  return [...(parsed.success ? [] : faultsOf(parsed.error)), ...designFaults(design)];
}

const byId = (design: Design): Map<string, Component> =>
  new Map(allComponents(design).map((each) => [each.id, each]));

/**
 * What a change brings in that a file could not say: whatever is accepted can be taken out and brought in again. A part
 * that was faulty before may stay so, so that the rest of it can be put right one after the other. Only what is another
 * than before is looked at.
 */
export function faultsOfChange(before: Design, after: Design): Fault[] {
  const known = byId(before);
  const faults: Fault[] = [];
  for (const row of allComponents(after)) {
    const old = known.get(row.id);
    if (old === row) continue;
    const found = componentFaults(row);
    if (found.length === 0) continue;
    const had = new Set(old ? componentFaults(old).map(textOf) : []);
    const fresh = found.filter((fault) => !had.has(textOf(fault)));
    // By the name of the component, which is how a person knows it.
    faults.push(...fresh.map(({ path, message }) => ({ path: `“${row.name}” ${path}`.trim(), message })));
  }
  const had = new Set(
    sizeFaults(before)
      .concat(designFaults(before))
      .map((fault) => fault.message),
  );
  faults.push(
    ...sizeFaults(after)
      .concat(designFaults(after))
      .filter((fault) => !had.has(fault.message)),
  );
  return faults;
}

const textOf = ({ path, message }: Fault): string => `${path}: ${message}`;

function componentFaults(row: Component): Fault[] {
  const parsed = component.safeParse(row);
  return parsed.success ? [] : faultsOf(parsed.error);
}

/** Lists of a design that have an end. */
function sizeFaults({ sections, answers = [] }: Design): Fault[] {
  const faults: Fault[] = [];
  if (sections.length > LIMITS.sections) {
    faults.push({ path: 'sections', message: `a design has at most ${LIMITS.sections} sections` });
  }
  if (answers.length > MOST_ANSWERS) {
    faults.push({ path: 'answers', message: `a design keeps at most ${MOST_ANSWERS} answers` });
  }
  return faults;
}

/** Writes the file; with `summary`, what it costs goes along for readers. */
export function writeDesign(design: Design, summary?: DesignSummary): string {
  const priced = summary ? { priced: summary } : {};
  return `${JSON.stringify({ format: 'wick-design', version: 1, design, ...priced }, null, 2)}\n`;
}
