/** One random design held against the second calculation; a failure is made small and printed as files. */
import { differences, reported, shrunk } from './agree';
import { mixed, type Mixed } from './mixed-design';

/** The usual month in the likely case and, by turns, in one of the others. */
export function checkSeed(seed: number): void {
  const find = (one: Mixed) => differences(one, ['likely', seed % 2 === 0 ? 'lean' : 'heavy']);
  const drawn = mixed(seed);
  if (find(drawn).length === 0) return;
  const small = shrunk(drawn, (one) => find(one).length > 0);
  throw new Error(reported(small, find(small)));
}
