/** Types of the bundler of the command line, which is plain JavaScript because it runs before anything is translated. */
import type { BuildOptions } from 'esbuild';

export function ensureCli(): Promise<string>;
export const BUNDLED: BuildOptions;
