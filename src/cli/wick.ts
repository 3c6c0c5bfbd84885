/** The command line as a process: its words, its folder, its exit code. */
import { runCommand } from './run-command';

// Names of files are meant where the call was made.
if (process.env.WICK_CALLED_IN) process.chdir(process.env.WICK_CALLED_IN);
// Who reads no further (head, less) is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error;
  process.exit(0);
});

process.exitCode = await runCommand(process.argv.slice(2));
