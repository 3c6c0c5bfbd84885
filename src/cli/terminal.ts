/**
 * Where a command reads from and prints to: the process's own streams and environment, or those that a test hands in. It
 * travels with the call, so that several commands can run in one process without hearing one another.
 */
import { AsyncLocalStorage } from 'node:async_hooks';
import fs from 'node:fs';

export interface Terminal {
  readonly out: (content: string | Uint8Array) => void;
  readonly err: (text: string) => void;
  /** All of standard input. */
  readonly input: () => Uint8Array;
  /** The same as it comes. */
  readonly stream: () => AsyncIterable<Uint8Array>;
  readonly env: Readonly<Record<string, string | undefined>>;
}

/** What is printed last stands whole even where the process ends at once: faults are written straight to the file. */
const PROCESS: Terminal = {
  out: (content) => void process.stdout.write(content),
  err: (text) => void fs.writeSync(2, text),
  input: () => fs.readFileSync(0),
  stream: () => process.stdin,
  env: process.env,
};

const current = new AsyncLocalStorage<Terminal>();

export const terminal = (): Terminal => current.getStore() ?? PROCESS;

/** Runs `work` with another terminal than the process's own. */
export const onTerminal = <T>(other: Terminal, work: () => Promise<T>): Promise<T> =>
  current.run(other, work);
