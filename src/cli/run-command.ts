/** One command from its words to its exit code; codes come from the one error table. Nothing is thrown. */
import { asAppError, ERROR_TABLE } from '@/platform/use/app-error';
import { COMMANDS } from './commands';
import { HELP } from './help';
import { readCall, WrongCall } from './options';
import { say } from './print';
import { terminal } from './terminal';

const WRONG_CALL = 64;

/**
 * Runs what `args` ask for on the terminal at hand.
 *
 * @example `await runCommand(['price', 'ship.json', '--books', 'books'])` gives 0, 3 where something is not priced.
 */
export async function runCommand(args: readonly string[]): Promise<number> {
  try {
    const read = readCall(args, COMMANDS);
    if (read) return await read.command.run(read.call);
    say(HELP);
    return 0;
  } catch (thrown) {
    return refuse(thrown, args.includes('--json') || args.join(' ').includes('--format json'));
  }
}

/** Faults as data where the answer was wanted as data, else as sentences; never a stack. */
function refuse(thrown: unknown, asData: boolean): number {
  const { err } = terminal();
  if (thrown instanceof WrongCall) {
    const error = { code: 'wrong-call', message: thrown.message };
    err(asData ? `${JSON.stringify({ error })}\n` : `${thrown.message} See “wick --help”.\n`);
    return WRONG_CALL;
  }
  const error = asAppError(thrown);
  if (asData) {
    err(`${JSON.stringify(error.outside())}\n`);
    return ERROR_TABLE[error.code].exit;
  }
  const lines = [error.message];
  for (const { line, column, path, message } of error.detail.faults ?? []) {
    const place = line ? `line ${line}, column ${column ?? 1}` : '';
    lines.push(`  ${[place, path].filter(Boolean).join(': ') || 'file'}: ${message}`);
  }
  if (error.detail.more) lines.push(`  … and ${error.detail.more} more`);
  err(`${lines.join('\n')}\n`);
  return ERROR_TABLE[error.code].exit;
}
