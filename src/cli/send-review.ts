/** `wick review --send URL`: the extract and the files beside the code, never the plan, to an installation of the team's own. */
import type { Extract, Review } from '@/features/review/calc';
import {
  PHASES,
  type ReviewPhase,
  type SentReview,
  writeSentReview,
} from '@/features/review/format/review/sent-review';
import { AppError, type AppErrorCode, ERROR_TABLE } from '@/platform/use/app-error';
import { readText } from './files';
import { type Call, WrongCall } from './options';
import { terminal } from './terminal';

/** Milliseconds. */
const PATIENCE = 30_000;
const TOKEN_NAME = 'WICK_TOKEN';

/** What must be said for a review to be found again; a pipeline hears of it before anything is worked out or sent. */
export function requireNamed(call: Call): void {
  for (const option of ['repository', 'change', 'commit'] as const)
    if (call.one(option) === undefined) throw new WrongCall(`--send needs --${option}.`);
  if (!terminal().env[TOKEN_NAME])
    throw new WrongCall(`--send needs a token of a pipeline in ${TOKEN_NAME}.`);
  phaseOf(call);
}

function phaseOf(call: Call): ReviewPhase {
  const given = call.one('phase') ?? 'open';
  const phase = PHASES.find((each) => each === given);
  if (!phase) throw new WrongCall(`--phase takes ${PHASES.join(', ')}.`);
  return phase;
}

interface Worked {
  readonly review: Review;
  readonly extract: Extract;
}

interface Told {
  readonly page: string;
  readonly summary: { readonly difference: string; readonly currency: string } | null;
}

/** Says on the error channel where it is kept, and whether the books there say something else. */
export async function sendReview(call: Call, { review, extract }: Worked): Promise<void> {
  const text = (option: 'load' | 'limits'): string | null => {
    const file = call.one(option);
    return file === undefined ? null : readText(file);
  };
  const sent: SentReview = {
    repository: call.one('repository')!,
    change: call.one('change')!,
    commit: call.one('commit')!,
    branch: call.one('branch') ?? '',
    title: call.one('title') ?? '',
    author: call.one('author') ?? '',
    phase: phaseOf(call),
    extract,
    load: text('load'),
    limits: text('limits'),
  };
  const told = await post(call.one('send')!, writeSentReview(sent));
  const { summary } = told;
  terminal().err(`Kept at ${told.page}\n`);
  if (!summary) return void terminal().err('It is still being worked out there.\n');
  if (summary.difference !== review.totals.difference || summary.currency !== review.currency)
    terminal().err(
      `With the price books there it is ${summary.difference} ${summary.currency}, here ${review.totals.difference} ${review.currency}: the books differ.\n`,
    );
}

async function post(address: string, body: string): Promise<Told> {
  const url = addressOf(address);
  const headers = {
    'content-type': 'application/json',
    authorization: `Bearer ${terminal().env[TOKEN_NAME]}`,
  };
  let response: Response;
  try {
    response = await fetch(url, { method: 'POST', headers, body, signal: AbortSignal.timeout(PATIENCE) });
  } catch (error) {
    throw new AppError(
      'unavailable',
      `Nothing answers at ${url.origin}. The review was not kept there.`,
      {},
      error,
    );
  }
  const answer = (await response.json().catch(() => null)) as Record<string, unknown> | null;
  if (response.ok && typeof answer?.page === 'string') return answer as unknown as Told;
  const said = typeof answer?.detail === 'string' ? answer.detail : `It answered ${response.status}.`;
  throw new AppError(codeOf(response.status), `The review was not kept at ${url.origin}: ${said}`);
}

function addressOf(address: string): URL {
  try {
    return new URL('/api/v1/reviews', address);
  } catch (error) {
    throw new WrongCall(`--send takes an address like http://127.0.0.1:4310, not “${address}”.`, {
      cause: error,
    });
  }
}

function codeOf(status: number): AppErrorCode {
  const found = Object.entries(ERROR_TABLE).find(([, row]) => row.status === status);
  return (found?.[0] as AppErrorCode | undefined) ?? 'unavailable';
}
