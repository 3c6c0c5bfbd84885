/**
 * Runs the command line as a pipeline would: in a folder of its own with the files of the change, with a token in its
 * surroundings, and against a folder of price books. For the stand-in of a code forge.
 */
import 'server-only';
import { execFile } from 'node:child_process';
import fs from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { AppError } from '@/platform/use/app-error';
import { type RunCommand } from '@/features/review/use/forge-ports';

/** Milliseconds, and bytes of what it may say. */
const PATIENCE = 60_000;
const MOST_SAID = 4_000_000;

function ran(
  args: readonly string[],
  more: { readonly cwd: string; readonly env: NodeJS.ProcessEnv },
): ReturnType<RunCommand> {
  const program = process.env.WICK_CLI;
  if (!program)
    throw new AppError(
      'unavailable',
      'The command line is not here. Start the application with ./run demo or ./run serve.',
    );
  return new Promise((resolve, reject) => {
    const options = { ...more, timeout: PATIENCE, maxBuffer: MOST_SAID };
    execFile(process.execPath, [program, ...args], options, (error, out, err) => {
      if (error && typeof error.code !== 'number')
        return reject(new AppError('unavailable', 'The pipeline did not come to an end.', {}, error));
      resolve({ exit: error ? Number(error.code) : 0, out, err });
    });
  });
}

let books: Promise<string> | null = null;

/** Written once by every process that needs them. */
function booksFolder(): Promise<string> {
  books ??= (async () => {
    const folder = await fs.mkdtemp(path.join(os.tmpdir(), 'wick-pipeline-'));
    process.once('exit', () => void fs.rm(folder, { recursive: true, force: true }));
    const { exit, err } = await ran(['demo-files', folder], { cwd: folder, env: ownEnvironment() });
    if (exit !== 0)
      throw new AppError('unavailable', `The pipeline has no price books: ${err.slice(0, 200)}`);
    return path.join(folder, 'books');
  })().catch((error: unknown) => {
    books = null;
    throw error;
  });
  return books;
}

/** Nothing of ours: a pipeline knows no database. */
function ownEnvironment(more: Record<string, string> = {}): NodeJS.ProcessEnv {
  return { PATH: process.env.PATH, HOME: process.env.HOME, NODE_ENV: 'production', ...more };
}

export const runCommand: RunCommand = async ({ args, files, token }) => {
  const folder = await fs.mkdtemp(path.join(os.tmpdir(), 'wick-change-'));
  try {
    for (const [name, text] of Object.entries(files)) await fs.writeFile(path.join(folder, name), text);
    return await ran([...args, '--books', await booksFolder()], {
      cwd: folder,
      env: ownEnvironment({ WICK_TOKEN: token }),
    });
  } finally {
    await fs.rm(folder, { recursive: true, force: true });
  }
};
