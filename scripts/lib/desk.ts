/** The threads beside the application (`src/desk`), bundled: the built application does not carry their code. */
import fs from 'node:fs';
import path from 'node:path';
import { BUNDLED, replaceFile } from '../bundle-cli.mjs';

const FOLDER = 'node_modules/.wick-desk';

/** Left alone where nothing changed. */
function replace(file: string, contents: Uint8Array): void {
  if (fs.existsSync(file) && fs.readFileSync(file).equals(contents)) return;
  fs.mkdirSync(path.dirname(file), { recursive: true });
  replaceFile(file, contents);
}

let making: Promise<string> | undefined;

/** Under a second; made anew at each start, so that it is never older than the application. */
export function ensureDesk(): Promise<string> {
  return (making ??= make());
}

async function make(): Promise<string> {
  const { build } = await import('esbuild');
  const { outputFiles = [] } = await build({
    write: false,
    entryPoints: ['src/desk/thread.ts'],
    outdir: FOLDER,
    ...BUNDLED,
  });
  for (const { path: file, contents } of outputFiles) replace(file, contents);
  return path.resolve(FOLDER, 'thread.mjs');
}
