/** ./run backup FILE: everything that is kept, into one file; while the application runs or not. */
import path from 'node:path';
import { backUp, onDatabase } from './lib/archive';
import { main, say, stop } from './lib/say';

main(async () => {
  const [given] = process.argv.slice(2);
  if (!given) stop('Name the file: ./run backup FILE');
  const file = path.resolve(process.env.WICK_CALLED_IN ?? '.', given);
  await onDatabase((url) => backUp(url, file));
  say(`Written to ${file}.`);
});
