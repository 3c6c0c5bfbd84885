/** The command line: read the call, load only what it needs, print; exit codes from the one error table. */
import fs from 'node:fs';
import { asAppError, ERROR_TABLE } from '@/operations/app-error';
import { COMMANDS } from './commands';
import { HELP } from './help';
import { readCall, WrongCall } from './options';
import { say } from './print';

const WRONG_CALL = 64;

async function run(args: readonly string[]): Promise<number> {
  const read = readCall(args, COMMANDS);
  if (!read) {
    say(HELP);
    return 0;
  }
  return read.command.run(read.call);
}

/** Faults as data where the answer was wanted as data, else as sentences; never a stack. */
function tell(thrown: unknown, asData: boolean): number {
  if (thrown instanceof WrongCall) {
    const error = { code: 'wrong-call', message: thrown.message };
    fs.writeSync(2, asData ? `${JSON.stringify({ error })}\n` : `${thrown.message} See “wick --help”.\n`);
    return WRONG_CALL;
  }
  const error = asAppError(thrown);
  if (asData) {
    fs.writeSync(2, `${JSON.stringify(error.outside())}\n`);
    return ERROR_TABLE[error.code].exit;
  }
  const lines = [error.message];
  for (const { line, column, path, message } of error.detail.faults ?? []) {
    const place = line ? `line ${line}, column ${column ?? 1}` : '';
    lines.push(`  ${[place, path].filter(Boolean).join(': ') || 'file'}: ${message}`);
  }
  if (error.detail.more) lines.push(`  … and ${error.detail.more} more`);
  fs.writeSync(2, `${lines.join('\n')}\n`);
  return ERROR_TABLE[error.code].exit;
}

const args = process.argv.slice(2);
const asData = args.includes('--json') || args.join(' ').includes('--format json');
// Names of files are meant where the call was made.
if (process.env.WICK_CALLED_IN) process.chdir(process.env.WICK_CALLED_IN);
// Who reads no further (head, less) is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});

run(args).then(
  (code) => {
    process.exitCode = code;
  },
  (thrown: unknown) => {
    process.exitCode = tell(thrown, asData);
  },
);
