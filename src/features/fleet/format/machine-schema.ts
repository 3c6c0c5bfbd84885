/** A machine as it is stored and sent, one a line; and the file that holds them. */
import { z } from 'zod';
import { cut } from '@/engine/base';
import { FACT_SOURCES, type Machine } from '@/features/fleet/calc';
import { LIMITS } from '@/platform/formats/fields';

/** Words of an inventory: shortened rather than refused, without control characters. */
const MOST_WORDS = 2000;
/** Characters as a person counts them may be written as two. */
const word = z
  .string()
  .max(2 * LIMITS.name)
  .regex(/^[^\u0000-\u001f\u007f\p{Cs}]*$/u);
const words = z
  .string()
  .max(2 * MOST_WORDS)
  .regex(/^[^\u0000\p{Cs}]*$/u);

const fact = (most: number) =>
  z.strictObject({ value: z.number().min(0).max(most), from: z.enum(FACT_SOURCES) });
const positive = (most: number) =>
  z.strictObject({ value: z.number().positive().max(most), from: z.enum(FACT_SOURCES) });
const share = fact(1).nullable();

export const machineSchema = z.strictObject({
  id: word.min(1),
  name: word.min(1),
  host: word,
  cluster: word,
  environment: word,
  system: word,
  power: z.enum(['on', 'off']).nullable(),
  kind: z.enum(['physical', 'virtual']).nullable(),
  tags: z.array(word).max(50),
  applications: words,
  licences: words,
  sharedDisks: z.boolean(),
  vcpu: positive(1e5),
  memory: positive(1e6),
  storage: fact(1e9).nullable(),
  stored: fact(1e9).nullable(),
  peakCpu: share,
  usualCpu: share,
  peakMemory: share,
  usualMemory: share,
  iops: fact(1e9).nullable(),
  sent: fact(1e9).nullable(),
});

const PLAIN = /^[ -~]*$/;

/** Words that are longer than a machine may have are cut; control characters are spaces. */
export function tidyMachine(machine: Machine): Machine {
  const one = (text: string): string => {
    // Nearly all of them are short and plain.
    if (text.length <= LIMITS.name && PLAIN.test(text)) return text.trim();
    return cut(text.replace(/[\u0000-\u001f\u007f\p{Cs}]+/gu, ' ').trim(), LIMITS.name).trim();
  };
  const many = (text: string): string => cut(text.replace(/[\u0000\p{Cs}]/gu, ' '), MOST_WORDS);
  const { id, name, host, cluster, environment, system, tags, applications, licences } = machine;
  return {
    ...machine,
    id: one(id) || 'machine',
    name: one(name) || one(id) || 'machine',
    host: one(host),
    cluster: one(cluster),
    environment: one(environment),
    system: one(system),
    tags: tags.slice(0, 50).map(one).filter(Boolean),
    applications: many(applications),
    licences: many(licences),
  };
}

export const machinesHead = z.strictObject({
  format: z.literal('wick-machines'),
  version: z.literal(1),
  count: z.int().min(1).max(250_000),
});

/** The lines of a file of machines: its head, then one machine a line. */
export function* machineLines(machines: readonly Machine[]): Generator<string> {
  yield `${JSON.stringify({ format: 'wick-machines', version: 1, count: machines.length })}\n`;
  for (const machine of machines) yield `${JSON.stringify(machine)}\n`;
}
