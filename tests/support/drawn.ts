/**
 * How many of the random cases a run goes through. Every commit has a turn from 0 to 9 (the count of commits; `WICK_TURN`
 * for another) and goes through the tenth of the cases that is its own, so that ten commits one after the other go through
 * all of them. `WICK_LONG=1` goes through all at once. A case that failed is run again by its turn or its seed.
 */
const TURNS = 10;
const isLong = process.env.WICK_LONG === '1';

/** The turn of this run: the seed of what draws by chance. */
export const TURN = Number(process.env.WICK_TURN ?? 0) % TURNS;

/** How many of `all` draws: a tenth, but never fewer than make a test of it. */
export const drawn = (all: number, least = 6): number =>
  isLong ? all : Math.min(all, Math.max(least, Math.ceil(all / TURNS)));

/** The seeds of `all` from `first` on that are this run's. */
export const drawnSeeds = (first: number, all: number): readonly number[] =>
  Array.from({ length: all }, (_, at) => first + at).filter((seed) => isLong || seed % TURNS === TURN);

/** How often something has to be met at least, where `all` draws meet it `often`: chance spares a tenth some of it. */
export const metAtLeast = (often: number): number => (isLong ? often : Math.floor(often / TURNS / 2));
