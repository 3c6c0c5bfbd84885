/** A value given for three cases: lean, likely, heavy. Given one, it is used for all. Source: "Three cases". */
export const CASES = ['lean', 'likely', 'heavy'] as const;
export type Case = (typeof CASES)[number];

/** Decimals as text; lean and heavy only where they differ from likely. */
export interface Cased {
  readonly likely: string;
  readonly lean?: string;
  readonly heavy?: string;
}

export function readCase(value: Cased, which: Case): string {
  return value[which] ?? value.likely;
}

/** The same value in every case. */
export function sure(likely: string): Cased {
  return { likely };
}
