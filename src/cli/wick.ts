/** The command line: parse, call what the application calls, print; exit codes from the one error table. */
import { parseArgs } from 'node:util';
import { asAppError, ERROR_TABLE } from '@/operations';
import { priceCommand } from './price-command';
import { writeDemoFiles } from './demo-files-command';

const HELP = `./run wick price DESIGN.json --books FOLDER [--json]
    prices a design file with the price books (*.json) of a folder; no database, no network
./run wick demo-files FOLDER
    writes the demo's price books and designs as files

exit codes: 0 done · 2 a file is faulty · 3 priced, but not everything could be priced · 4 not found · 64 wrong call
`;

async function run(): Promise<number> {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: { books: { type: 'string' }, json: { type: 'boolean' }, help: { type: 'boolean' } },
  });
  const [command, subject] = positionals;
  if (values.help || !command) {
    process.stdout.write(HELP);
    return values.help ? 0 : 64;
  }
  if (command === 'price' && subject && values.books)
    return priceCommand(subject, values.books, values.json ?? false);
  if (command === 'demo-files' && subject) return writeDemoFiles(subject);
  process.stderr.write(HELP);
  return 64;
}

run()
  .then((code) => {
    process.exitCode = code;
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
      process.stderr.write(`  ${fault.path || 'file'}: ${fault.message}\n`);
    if (error.detail.more) process.stderr.write(`  … and ${error.detail.more} more\n`);
    process.exitCode = ERROR_TABLE[error.code].exit;
  });
