/** The command line: parse, call what the application calls, print; exit codes from the one error table. */
import { parseArgs } from 'node:util';
import { asAppError, ERROR_TABLE } from '@/operations';
import {
  checkCommand,
  diffFiles,
  diffRevisions,
  type Form,
  importCommand,
  placeText,
  searchCommand,
} from './books-command';
import { writeDemoFiles } from './demo-files-command';
import { priceCommand } from './price-command';
import { withDatabase } from './set-up';

const HELP = `./run wick price DESIGN.json --books FOLDER [--months 36] [--traffic 100]
    prices a design file with the price books of a folder; no database, no network; with --traffic also a month
    with so many times the traffic
./run wick report DESIGN.json --books FOLDER --as xlsx|pdf|md|json --out FILE
    [--variant quotation --until 2026-12-31] [--agreements]
    writes the design's report; no database
./run wick books check FILE …
    checks price-book files of any size; no database
./run wick books import FILE
    publishes a price book in the database of DATABASE_URL
./run wick books diff BEFORE AFTER
    compares two files; or --book KEY --from 1 --to 2 in the database
./run wick books search [WORDS …] [--kind server] [--region CODE] [--book KEY] [--family NAME]
    [--vcpu 4] [--memory 16] [--gpu 1] [--capability sleeps] [--price-from 10] [--price-to 200] [--limit 50]
    finds offers in the books of a folder (--books FOLDER) or of the database
./run wick demo-files FOLDER
    writes the demo's price books and designs as files

--format text|json|csv   how it is printed (text unless said; --json is short for --format json)

price books: *.json or flat *.csv, packed with gzip or not

exit codes: 0 done · 2 a file is faulty · 3 priced, but not everything could be priced · 4 not found
            6 exists already · 7 the database does not answer · 64 wrong call
`;

const OPTIONS = {
  books: { type: 'string' },
  months: { type: 'string' },
  traffic: { type: 'string' },
  as: { type: 'string' },
  out: { type: 'string' },
  variant: { type: 'string' },
  until: { type: 'string' },
  agreements: { type: 'boolean' },
  format: { type: 'string' },
  json: { type: 'boolean' },
  help: { type: 'boolean' },
  book: { type: 'string' },
  from: { type: 'string' },
  to: { type: 'string' },
  kind: { type: 'string' },
  region: { type: 'string' },
  family: { type: 'string' },
  vcpu: { type: 'string' },
  memory: { type: 'string' },
  gpu: { type: 'string' },
  capability: { type: 'string' },
  'price-from': { type: 'string' },
  'price-to': { type: 'string' },
  limit: { type: 'string' },
} as const;

type Values = Partial<Record<keyof typeof OPTIONS, string | boolean>>;

/** Null: the call is not one of ours. */
async function run(): Promise<number | null> {
  const { values, positionals } = parseArgs({ allowPositionals: true, options: OPTIONS });
  const form = formOf(values);
  if (values.help) {
    process.stdout.write(HELP);
    return 0;
  }
  const [command, subject, ...others] = positionals;
  if (!form || !command) return null;
  if (command === 'price' && subject && values.books) {
    return priceCommand(subject, values.books, form, values);
  }
  if (command === 'report' && subject && values.books && values.as && values.out) {
    const { as, out, variant, until, agreements } = values;
    // What writes sheets and pages takes a second to load; no other command waits for it.
    const { reportCommand } = await import('./report-command');
    return reportCommand(subject, values.books, { form: as, out, variant, until, agreements });
  }
  if (command === 'demo-files' && subject) return writeDemoFiles(subject);
  return command === 'books' && subject ? booksCommand(subject, others, values, form) : null;
}

async function booksCommand(
  verb: string,
  rest: readonly string[],
  values: Values,
  form: Form,
): Promise<number | null> {
  if (verb === 'check' && rest.length > 0) return checkCommand(rest, form);
  if (verb === 'import' && rest.length === 1) {
    return withDatabase((context) => importCommand(context, rest[0]!, form));
  }
  if (verb === 'diff' && rest.length === 2) return diffFiles(rest[0]!, rest[1]!, form);
  if (verb === 'diff' && rest.length === 0 && values.book && values.from && values.to) {
    const between = [Number(values.from), Number(values.to)] as const;
    return withDatabase((context) => diffRevisions(context, String(values.book), between, form));
  }
  if (verb !== 'search') return null;
  const query = queryOf(rest, values);
  return values.books
    ? searchCommand(null, String(values.books), query, form)
    : withDatabase((context) => searchCommand(context, undefined, query, form));
}

function queryOf(words: readonly string[], values: Values): Record<string, unknown> {
  const { kind, region, book, family, vcpu, memory, gpu, capability, limit } = values;
  const query = {
    text: words.join(' ') || undefined,
    ...{ kind, region, book, family, vcpu, memory, gpu, capability },
    priceFrom: values['price-from'],
    priceTo: values['price-to'],
    limit: limit === undefined ? 50 : Number(limit),
  };
  return Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined));
}

function formOf({ json, format = json ? 'json' : 'text' }: Values): Form | null {
  return format === 'text' || format === 'json' || format === 'csv' ? format : null;
}

run()
  .then((code) => {
    if (code === null) process.stderr.write(HELP);
    process.exitCode = code ?? 64;
  })
  .catch((thrown: unknown) => {
    if (thrown instanceof TypeError && 'code' in thrown && String(thrown.code).startsWith('ERR_PARSE_ARGS')) {
      process.stderr.write(`${thrown.message}\n${HELP}`);
      process.exitCode = 64;
      return;
    }
    const error = asAppError(thrown);
    if (error.code === 'internal') console.error(thrown);
    process.stderr.write(`${error.message}\n`);
    for (const fault of error.detail.faults ?? [])
      process.stderr.write(`  ${placeText(fault)}: ${fault.message}\n`);
    if (error.detail.more) process.stderr.write(`  … and ${error.detail.more} more\n`);
    process.exitCode = ERROR_TABLE[error.code].exit;
  });
