/**
 * Which calculation an amount was worked out by. It goes up when the same design and books come to another amount, so
 * that what was kept is worked out anew and a reader is told. 2: exact where two rules meet.
 */
export const CALCULATION = 2;
