/** ./run restore FILE: brings a backup into an empty installation. */
import path from 'node:path';
import { restore, onDatabase } from './lib/archive';
import { main, say, stop } from './lib/say';

main(async () => {
  const [given] = process.argv.slice(2);
  if (!given) stop('Name the file: ./run restore FILE');
  const file = path.resolve(process.env.WICK_CALLED_IN ?? '.', given);
  await onDatabase((url) => restore(url, file));
  say(`Brought in from ${file}.`);
});
