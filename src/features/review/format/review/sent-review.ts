/**
 * What a pipeline sends of a change: which change it is, the extract of its plan, and the team's own files beside the code.
 * The plan itself is never sent: the extract has what rules read, and nothing else. Needs O8, O9.
 */
import { z } from 'zod';
import { cut } from '@/engine/base';
import { costing, type Extract } from '@/features/review/calc';
import { check, type Checked, type Fault, refused } from '@/platform/formats/faults';
import { extractSchema } from './extract-schema';
import { readLimits } from './limits-schema';
import { readLoadProfile } from './load-schema';

/** Of a request, in bytes. */
export const MOST_SENT_BYTES = 20_000_000;

const ONE_LINE = /^[^\u0000-\u001f\u007f-\u009f\u2028\u2029\p{Cs}]*$/u;
const line = (most: number) =>
  z.string().trim().max(most, `must be at most ${most} characters`).regex(ONE_LINE, 'must stand on one line');

/** Where a change is: `open` until it is merged or given up. */
export const PHASES = ['open', 'merged', 'closed'] as const;
export type ReviewPhase = (typeof PHASES)[number];

const file = z.string().max(1_000_000).nullable().default(null);

export const sentReviewSchema = z.strictObject({
  wick: z.literal('change-review'),
  version: z.literal(1),
  /** As the team calls the place of its code. */
  repository: line(200).min(1, 'must not be empty'),
  /** Number or name of the change within the repository. */
  change: line(100).min(1, 'must not be empty'),
  commit: line(100).min(1, 'must not be empty'),
  branch: line(200).default(''),
  title: line(300).default(''),
  author: line(200).default(''),
  phase: z.enum(PHASES).default('open'),
  extract: extractSchema,
  /** The load profile as it stands beside the code. */
  load: file,
  /** The limits as they stand beside the code. */
  limits: file,
});

export interface SentReview {
  readonly repository: string;
  readonly change: string;
  readonly commit: string;
  readonly branch: string;
  readonly title: string;
  readonly author: string;
  readonly phase: ReviewPhase;
  readonly extract: Extract;
  readonly load: string | null;
  readonly limits: string | null;
}

/** Refused whole where the extract or one of the files is faulty. */
export function readSentReview(data: unknown): Checked<SentReview> {
  const read = check(sentReviewSchema, data);
  if (!read.ok) return read;
  const { wick: _, version: __, ...sent } = read.value;
  const faults = [
    ...repeatedFaults(sent.extract as Extract),
    ...filesFaults('load', sent.load, readLoadProfile),
    ...filesFaults('limits', sent.limits, readLimits),
  ];
  return faults.length > 0 ? refused(faults) : { ok: true, value: sent as SentReview };
}

/** A resource is one row and a line one amount: what stands twice would be counted once. */
function repeatedFaults({ resources }: Extract): readonly Fault[] {
  const faults: Fault[] = [];
  const seen = { address: new Set<string>(), before: new Set<string>(), after: new Set<string>() };
  const once = (known: Set<string>, name: string, path: string): void => {
    if (known.has(name)) faults.push({ path, message: `“${cut(name, 100)}” stands twice` });
    known.add(name);
  };
  resources.forEach(({ address, before, after }, at) => {
    const path = `extract.resources[${at}]`;
    once(seen.address, address, `${path}.address`);
    for (const [which, side] of [
      ['before', before],
      ['after', after],
    ] as const)
      for (const { component } of costing(side)) once(seen[which], component.id, `${path}.${which}`);
  });
  return faults;
}

function filesFaults(
  path: string,
  text: string | null,
  read: (text: string) => Checked<unknown>,
): readonly Fault[] {
  if (text === null) return [];
  const found = read(text);
  return found.ok
    ? []
    : found.faults.map((fault) => ({ ...fault, path: [path, fault.path].filter(Boolean).join('.') }));
}

/** As a file or the body of a request. */
export function writeSentReview(review: SentReview): string {
  return JSON.stringify({ wick: 'change-review', version: 1, ...review });
}
