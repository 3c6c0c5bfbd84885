/** The load profile as a file: YAML beside the code. Numbers may be written as numbers; three of them are lean, likely, heavy. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import type { LoadProfile, LoadRule } from '@/features/review/calc';
import { commitmentOf } from '@/engine/terms';
import type { Checked } from '@/platform/formats/faults';
import { amountText, code, name, term, unit } from '@/platform/formats/fields';
import { load, running, usageEntry } from '@/features/design/format/use-fields';
import { readYaml } from './yaml-file';

const number = z.union([z.string(), z.number()]).transform(String);

/** `12`, or `[10, 12, 20]`, or `{lean: 10, likely: 12, heavy: 20}`. */
const amount = z.union([
  number.transform((likely) => ({ likely })),
  z.tuple([number, number, number]).transform(([lean, likely, heavy]) => ({ lean, likely, heavy })),
  z.strictObject({ likely: number, lean: number.optional(), heavy: number.optional() }),
]);

const use = z
  .strictObject({
    amount,
    unit,
    each: z.strictObject({ amount, unit }).optional(),
    setAside: amount.optional(),
    keptDays: amount.optional(),
  })
  .pipe(usageEntry);

const rule = z.strictObject({
  address: name,
  part: name.optional(),
  usage: z.record(z.string().max(80), use).optional(),
  running: running.optional(),
  load: load.optional(),
  term: term.optional(),
});

/** A commitment that is held already; of money, `units` is how much an hour. */
const heldRule = z.strictObject({
  name,
  kind: z.enum(KIND_CODES).default('server'),
  book: code,
  region: code,
  sku: code,
  term: term.refine((each) => commitmentOf(each) !== null, 'must be a commitment: 12-none, 36-all …'),
  units: number.pipe(amountText),
});

export const loadProfileSchema = z.strictObject({
  wick: z.literal('load-profile'),
  version: z.literal(1),
  title: name.optional(),
  loads: z.array(rule).max(5000),
  held: z.array(heldRule).max(200).optional(),
});

export function readLoadProfile(text: string): Checked<LoadProfile> {
  const read = readYaml(text, loadProfileSchema);
  if (!read.ok) return read;
  const { title = '', loads, held } = read.value;
  const value: LoadProfile = { title, loads: loads as readonly LoadRule[], ...(held && { held }) };
  return { ok: true, value };
}
