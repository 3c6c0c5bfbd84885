/**
 * The first `most` characters, never through one that is written as two; half characters that were there are left out.
 *
 * @example
 * cut('lighthouse', 5); // => 'light'
 */
export function cut(text: string, most: number): string {
  const characters = [...text.slice(0, 2 * most)];
  return characters
    .slice(0, most)
    .filter((character) => !/^\p{Cs}$/u.test(character))
    .join('');
}
