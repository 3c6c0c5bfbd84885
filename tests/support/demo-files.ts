/** The demo as files, as `wick demo-files` writes them: once for all files of tests that share a process. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { runWick } from './run-wick';

/** With `books` (the newest revisions; earlier ones are in `earlier`), `designs` and `fleets`, once `demoFiles` is done. */
export const DEMO_FILES = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-demo-files-'));

let made: Promise<void> | undefined;

export const demoFiles = (): Promise<void> => (made ??= make());

async function make(): Promise<void> {
  const { status, stderr } = await runWick(['demo-files', DEMO_FILES]);
  if (status !== 0) throw new Error(stderr);
  const [books, earlier] = [path.join(DEMO_FILES, 'books'), path.join(DEMO_FILES, 'earlier')];
  fs.mkdirSync(earlier);
  for (const name of fs.readdirSync(books))
    if (name.endsWith('-r1.json')) fs.renameSync(path.join(books, name), path.join(earlier, name));
}
