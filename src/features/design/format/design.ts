/** The design file, version 1: what a person made, without prices; priced anew wherever it is opened. */
import { z } from 'zod';
import { allComponents, type Component, type Design, designInStep } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import { alternatives, MOST_ALTERNATIVES } from './alternative';
import { type JsonBounds, readBoundedJson } from '@/platform/formats/bounded-json';
import { component, place } from './component';
import { agreements, assumptions, bookPins, CHECK_ANSWER, section } from './design-parts';
import { designFileToday } from './earlier-names';
import { check, type Checked, type Fault, faultsOf, refused } from '@/platform/formats/faults';
import { currency, LIMITS, longText, name } from '@/platform/formats/fields';

const MOST_ANSWERS = 2000;

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
  alternatives: alternatives.optional(),
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
  if (faults.length > 0) return refused(faults);
  // What follows a driver is what its formula gives, whatever the file says beside it.
  return { ok: true, value: designInStep(file.value.design as Design) };
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
  const others = (design.alternatives ?? []).map((each) => each.id);
  others.forEach((each, index) => {
    if (others.indexOf(each) !== index)
      faults.push({ path: `alternatives[${index}].id`, message: `the id “${each}” stands twice` });
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
function sizeFaults({ sections, answers = [], alternatives: others = [] }: Design): Fault[] {
  const faults: Fault[] = [];
  if (sections.length > LIMITS.sections) {
    faults.push({ path: 'sections', message: `a design has at most ${LIMITS.sections} sections` });
  }
  if (answers.length > MOST_ANSWERS) {
    faults.push({ path: 'answers', message: `a design keeps at most ${MOST_ANSWERS} answers` });
  }
  if (others.length > MOST_ALTERNATIVES) {
    const message = `a design has at most ${MOST_ALTERNATIVES} alternatives`;
    faults.push({ path: 'alternatives', message });
  }
  return faults;
}

/** Writes the file; with `summary`, what it costs goes along for readers. */
export function writeDesign(design: Design, summary?: DesignSummary): string {
  const priced = summary ? { priced: summary } : {};
  return `${JSON.stringify({ format: 'wick-design', version: 1, design, ...priced }, null, 2)}\n`;
}
