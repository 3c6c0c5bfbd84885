import { describe, expect, it } from 'vitest';
import { AppError, asAppError } from './app-error';

/** As another bundle of the same program has it. */
class OtherError extends Error {
  readonly detail = { more: 3 };
  constructor(
    readonly code: string,
    message: string,
    name = 'AppError',
  ) {
    super(message);
    this.name = name;
  }
}

describe('an error', () => {
  it('of another bundle of the program is what it was there', () => {
    const known = asAppError(new OtherError('not-found', 'Not here.'));
    expect([known.code, known.message, known.detail]).toEqual(['not-found', 'Not here.', { more: 3 }]);
  });

  it('that only looks like one is a fault of ours, and tells nothing of itself', () => {
    for (const odd of [
      new OtherError('not-found', 'x', 'Error'),
      new OtherError('toString', 'x'),
      { code: 'invalid' },
    ]) {
      expect(asAppError(odd)).toMatchObject({
        code: 'internal',
        message: expect.stringContaining('our side') as string,
      });
    }
  });

  it('keeps what it came from for the log, and tells nothing of it outside', () => {
    const cause = Object.assign(new Error('password of the database is wrong'), { code: 'ECONNREFUSED' });
    const error = asAppError(cause);
    expect([error.code, error.cause]).toEqual(['unavailable', cause]);
    expect(JSON.stringify(error.outside())).not.toContain('password');
    const other = new OtherError('not-found', 'Not here.');
    expect(asAppError(other).cause).toBe(other);
    expect(new AppError('invalid', 'No.').cause).toBeUndefined();
  });
});
