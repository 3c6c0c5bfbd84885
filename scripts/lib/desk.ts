/** The threads beside the application (`src/desk`), bundled: the built application does not carry their code. */
import fs from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';
import { BUNDLED } from '../bundle-cli.mjs';

const FOLDER = 'node_modules/.wick-desk';

/** Whole or not at all, and left alone where nothing changed: another application may be reading it. */
function replace(file: string, contents: Uint8Array): void {
  if (fs.existsSync(file) && fs.readFileSync(file).equals(contents)) return;
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const making = `${file}.${process.pid}`;
  fs.writeFileSync(making, contents);
  fs.renameSync(making, file);
}

/** Under a second; made anew at each start, so that it is never older than the application. */
export async function ensureDesk(): Promise<string> {
  const { outputFiles = [] } = await build({
    write: false,
    entryPoints: ['src/desk/thread.ts'],
    outdir: FOLDER,
    ...BUNDLED,
  });
  for (const { path: file, contents } of outputFiles) replace(file, contents);
  return path.resolve(FOLDER, 'thread.mjs');
}
