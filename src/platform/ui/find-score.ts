/** How well something fits the words one types: every word must be in it, and where it stands decides the order. */

/** 1 where the label is just that, less where it begins so, where a word of it does, least where it is somewhere inside; 0: not at all. */
export function findScore(search: string, label: string, others: readonly string[]): number {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const name = label.toLowerCase();
  const rest = others.join(' ').toLowerCase();
  const typed = words.join(' ');
  if (typed === '' || name === typed) return 1;
  if (name.startsWith(typed)) return 0.95;
  let score = 1;
  for (const word of words) score = Math.min(score, wordScore(word, name, rest));
  return score;
}

function wordScore(word: string, name: string, rest: string): number {
  if (beginsAWord(word, name)) return 0.9;
  if (name.includes(word)) return 0.6;
  if (beginsAWord(word, rest)) return 0.4;
  return rest.includes(word) ? 0.2 : 0;
}

function beginsAWord(word: string, text: string): boolean {
  const at = text.indexOf(word);
  return at === 0 || new RegExp(`[^\\p{L}\\p{N}]${escaped(word)}`, 'u').test(text);
}

function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
