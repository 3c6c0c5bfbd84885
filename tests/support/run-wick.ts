/** The command line in the process of the test: its words in; its exit code and what it printed out. */
import { runCommand } from '@/cli/run-command';
import { onTerminal } from '@/cli/terminal';

export interface Ended {
  readonly status: number;
  readonly stdout: string;
  readonly stderr: string;
}

export interface Given {
  /** What stands on standard input. */
  readonly input?: string;
  readonly env?: Readonly<Record<string, string>>;
}

/** No database and no token, unless `env` names one. */
export async function runWick(args: readonly string[], { input = '', env = {} }: Given = {}): Promise<Ended> {
  const [out, err]: [Buffer[], string[]] = [[], []];
  const bytes = Buffer.from(input);
  const status = await onTerminal(
    {
      out: (content) => void out.push(Buffer.from(content)),
      err: (text) => void err.push(text),
      input: () => bytes,
      stream: async function* () {
        yield bytes;
      },
      env,
    },
    () => runCommand(args),
  );
  return { status, stdout: Buffer.concat(out).toString('utf8'), stderr: err.join('') };
}
