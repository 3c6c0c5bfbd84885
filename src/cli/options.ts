/**
 * What can be called, as a table: what each command takes, needs and allows. A wrong call is answered in one line that
 * says what is missing; an option that means nothing for a command is refused, not ignored.
 */
import { parseArgs } from 'node:util';

export type Form = 'text' | 'json' | 'csv' | 'markdown' | 'junit' | 'sarif';

export interface Call {
  readonly given: readonly string[];
  readonly form: Form;
  /** An option that was given once; undefined: not given. */
  one(option: Option): string | undefined;
  /** All values of an option that may be given several times. */
  all(option: Option): readonly string[];
  has(option: Option): boolean;
}

export interface Command {
  /** As it is called: "price", "books check". */
  readonly name: string;
  /** What stands after it: "DESIGN …". */
  readonly takes: string;
  readonly least: number;
  readonly most: number;
  readonly needs: readonly Option[];
  readonly may: readonly Option[];
  readonly forms: readonly Form[];
  readonly run: (call: Call) => Promise<number>;
}

/** Every option, whether it has a value. */
const OPTIONS = {
  books: 'values',
  months: 'value',
  traffic: 'value',
  explain: 'value',
  out: 'value',
  as: 'value',
  variant: 'value',
  until: 'value',
  agreements: 'flag',
  'by-month': 'flag',
  beside: 'value',
  line: 'value',
  alternatives: 'value',
  axis: 'value',
  data: 'value',
  requests: 'value',
  within: 'value',
  'without-free': 'flag',
  section: 'value',
  by: 'value',
  leave: 'value',
  commit: 'value',
  'every-hour': 'value',
  'with-lines': 'value',
  term: 'value',
  level: 'value',
  at: 'value',
  rule: 'value',
  headroom: 'value',
  target: 'value',
  column: 'values',
  plan: 'value',
  'without-off': 'flag',
  prepaid: 'value',
  along: 'value',
  points: 'value',
  draws: 'value',
  table: 'value',
  seed: 'value',
  book: 'value',
  from: 'value',
  to: 'value',
  kind: 'value',
  region: 'value',
  family: 'value',
  vcpu: 'value',
  memory: 'value',
  gpu: 'value',
  capability: 'value',
  'price-from': 'value',
  'price-to': 'value',
  limit: 'value',
  against: 'value',
  load: 'value',
  map: 'values',
  limits: 'value',
  rules: 'value',
  design: 'value',
  'what-if': 'values',
  all: 'flag',
  'all-priced': 'flag',
  'draft-map': 'value',
  'draft-load': 'value',
  send: 'value',
  repository: 'value',
  change: 'value',
  branch: 'value',
  title: 'value',
  author: 'value',
  phase: 'value',
  format: 'value',
  json: 'flag',
  help: 'flag',
} as const;

export type Option = keyof typeof OPTIONS;

const EVERYWHERE: readonly Option[] = ['format', 'json', 'help'];
const FORMS: readonly Form[] = ['text', 'json', 'csv', 'markdown', 'junit', 'sarif'];

export class WrongCall extends Error {}

/** Throws `WrongCall` with one sentence. Null: help is asked for. */
export function readCall(
  args: readonly string[],
  commands: readonly Command[],
): { command: Command; call: Call } | null {
  const { values, positionals } = parsed(args);
  if (values.help || (args.length === 1 && args[0] === 'help')) return null;
  const { command, given } = commandOf(positionals, commands);
  const called = `wick ${command.name} ${command.takes}`.trim();
  if (given.length < command.least) throw new WrongCall(`“${called}” needs ${command.takes.split(' ')[0]}.`);
  if (given.length > command.most) {
    throw new WrongCall(`“${called}” takes no “${given[command.most]}”.`);
  }
  for (const option of Object.keys(values) as Option[]) {
    if ([...command.needs, ...command.may, ...EVERYWHERE].includes(option)) continue;
    throw new WrongCall(`--${option} means nothing for “wick ${command.name}”.`);
  }
  for (const option of command.needs) {
    if (values[option] === undefined) throw new WrongCall(`“${called}” needs --${option}.`);
  }
  const call: Call = {
    given,
    form: formOf(values, command),
    one: (option) => {
      const value = values[option];
      return typeof value === 'string' ? value : undefined;
    },
    all: (option) => {
      const value = values[option];
      return Array.isArray(value) ? (value as string[]) : [];
    },
    has: (option) => values[option] === true,
  };
  return { command, call };
}

type Values = Partial<Record<Option, string | boolean | string[]>>;

function parsed(args: readonly string[]): { values: Values; positionals: string[] } {
  const options = Object.fromEntries(
    Object.entries(OPTIONS).map(([name, kind]) => [
      name,
      { type: kind === 'flag' ? ('boolean' as const) : ('string' as const), multiple: kind === 'values' },
    ]),
  );
  try {
    return parseArgs({ args: [...args], allowPositionals: true, options });
  } catch (error) {
    const said = error instanceof Error ? error.message.split('. ')[0]! : 'The call cannot be read';
    throw new WrongCall(`${said}.`, { cause: error });
  }
}

function commandOf(
  positionals: readonly string[],
  commands: readonly Command[],
): { command: Command; given: readonly string[] } {
  const [first, second] = positionals;
  if (first === undefined) throw new WrongCall(`Say what to do: ${namesOf(commands)}.`);
  const two = commands.find(({ name }) => name === `${first} ${second}`);
  if (two) return { command: two, given: positionals.slice(2) };
  const one = commands.find(({ name }) => name === first);
  if (one) return { command: one, given: positionals.slice(1) };
  const family = commands.filter(({ name }) => name.startsWith(`${first} `));
  if (family.length > 0) throw new WrongCall(`“wick ${first}” needs one of: ${namesOf(family)}.`);
  throw new WrongCall(`There is no “wick ${first}”. There are: ${namesOf(commands)}.`);
}

const namesOf = (commands: readonly Command[]): string => commands.map(({ name }) => name).join(', ');

function formOf({ json, format }: Values, { name, forms }: Command): Form {
  if (json && format !== undefined && format !== 'json') {
    throw new WrongCall(`--json and --format ${String(format)} do not go together.`);
  }
  const form = json ? 'json' : ((format as string | undefined) ?? forms[0]!);
  const known = forms.find((each) => each === form);
  if (known) return known;
  const all = FORMS.filter((each) => forms.includes(each)).join(', ');
  throw new WrongCall(`--format of “wick ${name}” takes ${all}.`);
}
