/** The picture that docs/architecture.md opens with, drawn from the folders as they are. `./run formats` writes it. */
import fs from 'node:fs';
import path from 'node:path';
import { ENGINE_RANKS } from '../../tests/support/layers';

const WIDTH = 960;
const EDGE = 16;
const LINE = 22;
const LETTER = 7.2;

const foldersOf = (folder: string): readonly string[] =>
  fs
    .readdirSync(path.join('src', folder), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => entry.name)
    .sort();

interface Band {
  readonly title: string;
  readonly note: string;
  readonly rows: readonly (readonly string[])[];
}

/** As many words in a row as fit. */
function wrapped(words: readonly string[]): string[][] {
  const rows: string[][] = [[]];
  let width = 0;
  for (const word of words) {
    const own = word.length * LETTER + 26;
    if (width + own > WIDTH - 260 && rows.at(-1)!.length > 0) {
      rows.push([]);
      width = 0;
    }
    rows.at(-1)!.push(word);
    width += own;
  }
  return rows;
}

function engineRows(): string[][] {
  const ranks = new Map<number, string[]>();
  for (const name of foldersOf('engine')) {
    const rank = ENGINE_RANKS[name] ?? -1;
    ranks.set(rank, [...(ranks.get(rank) ?? []), name]);
  }
  return [...ranks].sort(([a], [b]) => b - a).map(([, names]) => names);
}

/** From the top, what a person meets, down to what everything stands on; each band imports only those below it. */
export function bands(): readonly Band[] {
  const all = foldersOf('.');
  const shown = ['engine', 'features', 'platform'];
  const features = foldersOf('features').map(
    (name) => `${name} (${foldersOf(`features/${name}`).join(' ')})`,
  );
  return [
    {
      title: 'doors and stores',
      note: 'routes, commands, what is kept',
      rows: wrapped(all.filter((name) => !shown.includes(name))),
    },
    { title: 'features', note: 'one folder each', rows: wrapped(features) },
    { title: 'platform', note: 'what features stand on', rows: wrapped(foldersOf('platform')) },
    { title: 'engine', note: 'a design and its prices; pure', rows: engineRows() },
  ];
}

export function architecturePicture(): string {
  const parts: string[] = [];
  let top = EDGE;
  for (const { title, note, rows } of bands()) {
    const height = Math.max(62, rows.length * (LINE + 8) + 20);
    parts.push(
      `<rect x="${EDGE}" y="${top}" width="${WIDTH - 2 * EDGE}" height="${height}" rx="6" fill="#FFFFFF" stroke="#D9E0DA"/>`,
      `<text x="${EDGE + 14}" y="${top + 26}" font-weight="600" fill="#14594A">${title}</text>`,
      `<text x="${EDGE + 14}" y="${top + 44}" font-size="11" fill="#55635C">${note}</text>`,
    );
    rows.forEach((row, at) => {
      let left = 220;
      const y = top + 10 + at * (LINE + 8);
      for (const word of row) {
        const width = Math.round(word.length * LETTER + 16);
        parts.push(
          `<rect x="${left}" y="${y}" width="${width}" height="${LINE}" rx="4" fill="#E3EFEA"/>`,
          `<text x="${left + 8}" y="${y + 15}" fill="#17211D">${word}</text>`,
        );
        left += width + 10;
      }
    });
    top += height + 12;
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${top + 4}" font-family="sans-serif" font-size="12">`,
    `<title>Folders of the source, each band importing only those below it</title>`,
    `<rect width="100%" height="100%" fill="#F4F6F3"/>`,
    ...parts,
    '</svg>',
    '',
  ].join('\n');
}
