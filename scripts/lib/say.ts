/** What scripts tell people: progress on one stream, one clear sentence when something cannot be done. */

export class Stop extends Error {}

/** Ends a script with one sentence that says what is wrong and what to do. */
export function stop(sentence: string): never {
  throw new Stop(sentence);
}

export function say(sentence: string): void {
  process.stdout.write(`${sentence}\n`);
}

/** Runs a script's main function; a `Stop` becomes its sentence and exit code 69, anything else keeps its trace. */
export function main(run: () => Promise<void>): void {
  run().catch((error: unknown) => {
    if (error instanceof Stop) process.stderr.write(`${error.message}\n`);
    else console.error(error);
    process.exit(error instanceof Stop ? 69 : 1);
  });
}

export function optionOf(name: string, fallback: string): string {
  const args = process.argv.slice(2);
  const at = args.findIndex((arg) => arg === `--${name}` || arg.startsWith(`--${name}=`));
  if (at < 0) return fallback;
  const [, inline] = args[at]!.split('=');
  return inline ?? args[at + 1] ?? fallback;
}
