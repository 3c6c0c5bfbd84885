/**
 * The application's one error type, its closed list of codes, and the one table that says what each code is on the
 * outside: an HTTP status and an exit code. Inner details never leave through it.
 */
import type { Fault } from '@/platform/formats/faults';

export const ERROR_TABLE = {
  'not-found': { status: 404, exit: 4 },
  'unknown-token': { status: 401, exit: 5 },
  forbidden: { status: 403, exit: 5 },
  misdirected: { status: 421, exit: 5 },
  'not-json': { status: 415, exit: 2 },
  invalid: { status: 422, exit: 2 },
  'too-large': { status: 413, exit: 2 },
  stale: { status: 409, exit: 6 },
  conflict: { status: 409, exit: 6 },
  busy: { status: 429, exit: 7 },
  gone: { status: 499, exit: 7 },
  unavailable: { status: 503, exit: 7 },
  'no-room': { status: 507, exit: 7 },
  internal: { status: 500, exit: 1 },
} as const;

export type AppErrorCode = keyof typeof ERROR_TABLE;

export interface AppErrorDetail {
  readonly faults?: readonly Fault[];
  readonly more?: number;
  /** For `stale`: what has come in between. */
  readonly since?: unknown;
}

export class AppError extends Error {
  constructor(
    readonly code: AppErrorCode,
    message: string,
    readonly detail: AppErrorDetail = {},
    /** What it came from: for the log, never for the outside. */
    cause?: unknown,
  ) {
    super(message, cause === undefined ? undefined : { cause });
    this.name = 'AppError';
  }

  /** What may be shown outside. */
  outside(): { error: { code: AppErrorCode; message: string } & AppErrorDetail } {
    return { error: { code: this.code, message: this.message, ...this.detail } };
  }
}

const NO_ROOM = new Set(['53100', 'ENOSPC', 'EDQUOT']);

/** The database cannot store what came in, whoever let it through: text with NUL or half characters, numbers out of range. */
const NOT_STORABLE = new Set(['22021', '22P05', '22P02', '22003', '22007', '22008', '22023', '54000']);

const CONNECTION_CODES = new Set([
  // Given up: it took too long, or too many wait.
  '57014',
  '53300',
  '55P03',
  '40001',
  '40P01',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  '57P01',
  '57P02',
  '57P03',
  '08006',
  '08001',
  '08003',
]);

/** Pages and routes are bundled apart, each with an `AppError` of its own: what one made, the other must know. */
function isOurs(thrown: unknown): thrown is AppError {
  return (
    thrown instanceof Error &&
    thrown.name === 'AppError' &&
    'code' in thrown &&
    Object.hasOwn(ERROR_TABLE, String(thrown.code))
  );
}

/** The one place that turns anything thrown into an `AppError`. */
export function asAppError(thrown: unknown): AppError {
  if (thrown instanceof AppError) return thrown;
  if (isOurs(thrown)) return new AppError(thrown.code, thrown.message, thrown.detail, thrown);
  const become = (code: AppErrorCode, message: string): AppError => new AppError(code, message, {}, thrown);
  const code = thrown && typeof thrown === 'object' && 'code' in thrown ? String(thrown.code) : '';
  const text = thrown instanceof Error ? thrown.message : '';
  if (NO_ROOM.has(code) || /no space left on device/i.test(text)) {
    return become('no-room', 'The disk of the database is full. Make room on it, then try again.');
  }
  if (NOT_STORABLE.has(code)) {
    return become('invalid', 'This holds a value that cannot be stored. Nothing was changed.');
  }
  if (code === '23505') return become('conflict', 'This is there already. Nothing was changed.');
  if (
    CONNECTION_CODES.has(code) ||
    /connection terminated|timeout exceeded when trying to connect|query read timeout|connection error/i.test(
      text,
    )
  ) {
    return become('unavailable', 'The database does not answer. Nothing was changed; try again in a moment.');
  }
  return become('internal', 'Something went wrong on our side. Nothing was changed.');
}

export function invalid(message: string, faults: readonly Fault[] = [], more = 0): AppError {
  return new AppError('invalid', message, { faults, more });
}

export function notFound(what: string): AppError {
  return new AppError(
    'not-found',
    `This ${what} is not here. It may have been deleted, or the address is wrong.`,
  );
}
