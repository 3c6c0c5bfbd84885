/** The docs name what is there. */
import fs from 'node:fs';
import { describe, expect, it } from 'vitest';

const pages = [
  'README.md',
  'CONTRIBUTING.md',
  ...['docs', 'docs/formats'].flatMap((folder) =>
    fs
      .readdirSync(folder)
      .filter((name) => name.endsWith('.md'))
      .map((name) => `${folder}/${name}`),
  ),
];

/** From the root, or from the source: `engine/pricing/pools.ts`. */
const PATHS =
  /(?<![\w/.-])(?:(?:src|tests|scripts|bench|docs)\/|(?:engine|features|platform|stores|app|cli|desk|jobs|demo)\/)[\w./-]+\.(?:tsx?|mjs|md|svg|png|json|yaml|csv|ndjson)\b/g;

describe('the docs', () => {
  it('name files that are there', () => {
    const named = pages.flatMap((page) =>
      [...fs.readFileSync(page, 'utf8').matchAll(PATHS)].map(([file]) => ({ page, file })),
    );
    expect(named.length).toBeGreaterThan(50);
    const missing = named.filter(({ file }) => !fs.existsSync(file) && !fs.existsSync(`src/${file}`));
    expect(missing).toEqual([]);
  });
});
