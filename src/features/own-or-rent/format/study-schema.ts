/** A study of owning against renting as it is stored, sent and written to files. What is wrong with its numbers is said by
 * the core, at the field; here it only has to be one. */
import { z } from 'zod';
import {
  type FieldList,
  FIELDS,
  GENERAL,
  HARDWARE_SORTS,
  LICENCE_COUNTS,
  type Study,
  STUDY_KINDS,
} from '@/features/own-or-rent/calc';
import { type JsonBounds, readBoundedJson } from '@/platform/formats/bounded-json';
import { check, type Checked, faultsOf } from '@/platform/formats/faults';
import { code, currency, longText, name } from '@/platform/formats/fields';

const number = z
  .string()
  .regex(
    /^-?\d{1,15}(\.\d{1,18})?$/,
    'must be a plain decimal as text, for example "0.0425" (no exponent, at most 15 digits before the point and 18 after)',
  );

const guess = z.strictObject({ likely: number, lean: number.optional(), heavy: number.optional() });

/** Every number of a list. */
function guesses<L extends FieldList>(list: L) {
  return Object.fromEntries(Object.keys(FIELDS[list]).map((field) => [field, guess])) as Record<
    keyof (typeof FIELDS)[L],
    typeof guess
  >;
}

const kind = z.enum(STUDY_KINDS).exclude(['move', 'tax']);
const general = Object.fromEntries(Object.keys(GENERAL).map((id) => [id, guess.optional()]));
const thing = { id: code, name };

export const studySchema = z.strictObject({
  title: name,
  currency,
  origin: longText,
  start: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'must be a month, for example "2027-01"'),
  years: z.int().min(3).max(7),
  basis: z.enum(['cash', 'spread']),
  tax: z.enum(['none', 'cash', 'spread']),
  sunk: z.boolean(),
  worthLeft: z.boolean(),
  against: z.tuple([code, code]),
  parts: z.array(z.strictObject({ ...thing, ...guesses('parts') })).max(100),
  hardware: z
    .array(z.strictObject({ ...thing, sort: z.enum(HARDWARE_SORTS), follows: code, ...guesses('hardware') }))
    .max(40),
  contracts: z.array(z.strictObject({ ...thing, kind, ...guesses('contracts') })).max(60),
  licences: z
    .array(z.strictObject({ ...thing, per: z.enum(LICENCE_COUNTS), ...guesses('licences') }))
    .max(40),
  targets: z
    .array(
      z.strictObject({
        ...thing,
        source: longText,
        parts: z.record(code, z.strictObject(guesses('rented'))),
        extras: z.array(z.strictObject({ ...thing, kind, ...guesses('extras') })).max(20),
        ...guesses('targets'),
      }),
    )
    .max(12),
  waves: z.array(z.strictObject({ ...thing, parts: z.array(code).max(100), ...guesses('waves') })).max(60),
  variants: z
    .array(
      z.strictObject({
        ...thing,
        target: code.nullable(),
        stays: z.array(code).max(100),
        ...guesses('variants'),
        buying: z.enum(['due', 'now']),
      }),
    )
    .min(1)
    .max(12),
  general: z.strictObject(general),
});

export const studyFileSchema = z.strictObject({
  format: z.literal('wick-study'),
  version: z.literal(1),
  study: studySchema,
});

const BOUNDS: JsonBounds = { mostBytes: 2_000_000 };

/** Reads and checks a study file. All faults by path. */
export function readStudy(text: string): Checked<Study> {
  const json = readBoundedJson(text, BOUNDS);
  if (!json.ok) return json;
  const file = check(studyFileSchema, json.value);
  return file.ok ? { ok: true, value: file.value.study as Study } : file;
}

/** A study as somebody sent it, or what is wrong with it in words. */
export function readSentStudy(
  data: unknown,
): { readonly ok: true; readonly value: Study } | { readonly ok: false; readonly message: string } {
  const read = studySchema.safeParse(data);
  if (read.success) return { ok: true, value: read.data as Study };
  const [fault] = faultsOf(read.error);
  return { ok: false, message: fault ? `${fault.path}: ${fault.message}.` : 'It is no study.' };
}

export function writeStudy(study: Study): object {
  return { format: 'wick-study', version: 1, study };
}
