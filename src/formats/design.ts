/** The design file, version 1: what a person made, without prices; priced anew wherever it is opened. */
import { z } from 'zod';
import { type Kind, KIND_CODES, kindOf } from '@/core/books';
import type { Design } from '@/core/design';
import type { DesignSummary } from '@/core/range';
import { amountText, code, currency, isoDate, LIMITS, longText, name, term, unit } from './fields';
import { type JsonBounds, readBoundedJson } from './bounded-json';
import { check, type Checked, type Fault, refused } from './faults';

export const id = code;

const wholeText = amountText.refine(
  (text) => /^\d{1,7}$/.test(text) && Number(text) <= 1_000_000,
  'must be a whole number up to 1000000',
);

export const cased = z.strictObject({
  likely: amountText,
  lean: amountText.optional(),
  heavy: amountText.optional(),
});
export const casedCount = z.strictObject({
  likely: wholeText,
  lean: wholeText.optional(),
  heavy: wholeText.optional(),
});

export const usageEntry = z.strictObject({ amount: cased, unit });

export const need = z.strictObject({
  vcpu: amountText,
  memory: amountText,
  family: name.optional(),
  processor: name.optional(),
  allowBurstable: z.boolean().optional(),
  allowRetiring: z.boolean().optional(),
});

export const choice = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('none') }),
  z.strictObject({ by: z.literal('sku'), sku: code }),
  z.strictObject({ by: z.literal('cheapest'), need }),
]);

export const running = z.discriminatedUnion('pattern', [
  z.strictObject({ pattern: z.literal('always') }),
  z.strictObject({ pattern: z.literal('hours'), hoursPerMonth: cased }),
  z.strictObject({ pattern: z.literal('days'), hoursPerDay: cased, daysPerMonth: cased }),
]);

export const place = z.strictObject({ book: code, region: code });

export const component = z
  .strictObject({
    id,
    name,
    kind: z.enum(KIND_CODES),
    count: casedCount,
    place: place.nullable(),
    choice,
    running,
    usage: z.record(code, usageEntry),
    term,
  })
  .superRefine((value, context) => {
    for (const message of kindFaults(value.kind, value)) context.addIssue({ code: 'custom', ...message });
  });

function kindFaults(
  kind: Kind,
  value: { choice: { by: string }; usage: Record<string, unknown>; term: string },
) {
  const definition = kindOf(kind);
  const faults: { path: (string | number)[]; message: string }[] = [];
  for (const meter of Object.keys(value.usage)) {
    if (!definition.meters.some((each) => each.meter === meter && each.from !== 'running')) {
      faults.push({ path: ['usage', meter], message: `${definition.label} has no meter “${meter}”` });
    }
  }
  if (value.choice.by === 'cheapest' && kind !== 'server') {
    faults.push({ path: ['choice', 'by'], message: 'only servers can be chosen by need' });
  }
  if (value.term !== 'on-demand' && !definition.committable) {
    faults.push({ path: ['term'], message: `${definition.label} cannot be paid with a commitment` });
  }
  return faults;
}

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

export const designSchema = z.strictObject({
  title: name,
  description: longText,
  currency,
  assumptions: z.strictObject({ month, countAllowances: z.boolean(), exchange }),
  books: bookPins,
  sections: z.array(section).max(LIMITS.sections),
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
