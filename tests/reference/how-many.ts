/**
 * How many of the drawn designs a run goes through: one of four every time, all of them with `WICK_LONG=1 ./run test`. The
 * everyday run has to stay well within its time on a slow machine.
 */
const SHARE = process.env.WICK_LONG === '1' ? 1 : 0.25;

export const someOf = (all: number): number => Math.ceil(all * SHARE);
