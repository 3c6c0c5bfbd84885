/** Types of the bundler of the programs, which is plain JavaScript because it runs before anything is translated. */
import type { BuildOptions } from 'esbuild';

export function ensureProgram(name: 'wick' | 'demo' | 'serve'): Promise<string>;
export const BUNDLED: BuildOptions;
export function replaceFile(file: string, contents: Uint8Array): void;
