/** Months of a study by their names. */

const NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/**
 * The month so many months after the start of a study.
 *
 * @example
 * studyMonth('2027-11', 3); // => 'Feb 2028'
 */
export function studyMonth(start: string, month: number): string {
  const [year, first] = start.split('-').map(Number) as [number, number];
  const at = first - 1 + month;
  return `${NAMES[((at % 12) + 12) % 12]!} ${year + Math.floor(at / 12)}`;
}
