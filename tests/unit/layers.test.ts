/** Who may import whom: walks every import and fails on a breach or a circle. The table is docs/architecture.md's. */
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { architecturePicture } from '../../scripts/lib/architecture-picture';
import { ENGINE_RANKS, MAY_IMPORT, STILL_MUTUAL, WIRING } from '@tests/support/layers';

const SRC = path.resolve(import.meta.dirname, '../../src');

const PURE_PACKAGES = ['decimal.js', 'jsep'];
const PURE = ['engine', 'calc', 'words', 'platform/words', 'platform/tables'];

interface Import {
  readonly file: string;
  readonly target: string;
  readonly internal: boolean;
}

function filesBelow(folder: string): string[] {
  return fs.readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const full = path.join(folder, entry.name);
    if (entry.isDirectory()) return filesBelow(full);
    return /\.tsx?$/.test(entry.name) && !/\.test\.tsx?$/.test(entry.name) ? [full] : [];
  });
}

function importsOf(full: string): Import[] {
  const file = path.relative(SRC, full);
  return ts.preProcessFile(fs.readFileSync(full, 'utf8')).importedFiles.flatMap(({ fileName }): Import[] => {
    if (fileName.endsWith('.css')) return [];
    if (fileName.startsWith('@/')) return [{ file, target: fileName.slice(2), internal: true }];
    if (fileName.startsWith('.'))
      return [
        { file, target: path.relative(SRC, path.resolve(path.dirname(full), fileName)), internal: true },
      ];
    return [{ file, target: fileName, internal: false }];
  });
}

/** `engine`, a layer of any feature (`calc`, `screen` …), a part of the platform, or a folder of its own. */
function layerOf(file: string): string {
  const [first, second, third] = file.split('/');
  if (first === 'features') return third!;
  return first === 'platform' ? `platform/${second}` : first!;
}

const featureOf = (file: string): string | null =>
  file.startsWith('features/') ? file.split('/')[1]! : null;

const files = filesBelow(SRC);
const names = files.map((file) => path.relative(SRC, file));
const known = new Set(names);
const imports = files.flatMap(importsOf);

const resolved = (target: string): string | undefined =>
  [`${target}.ts`, `${target}.tsx`, `${target}/index.ts`].find((each) => known.has(each));

/** Circles in a graph, each as the names that it goes through. */
function circlesIn(edges: ReadonlyMap<string, readonly string[]>): string[] {
  const done = new Set<string>();
  const circles: string[] = [];
  const visit = (node: string, trail: readonly string[]): void => {
    if (trail.includes(node))
      return void circles.push([...trail.slice(trail.indexOf(node)), node].join(' -> '));
    if (done.has(node)) return;
    for (const next of edges.get(node) ?? []) visit(next, [...trail, node]);
    done.add(node);
  };
  for (const node of edges.keys()) visit(node, []);
  return circles;
}

function graphOf(nodeOf: (file: string) => string | null, of = imports): Map<string, string[]> {
  const edges = new Map<string, string[]>();
  for (const { file, target, internal } of of) {
    const to = internal ? resolved(target) : undefined;
    const [from, into] = [nodeOf(file), to ? nodeOf(to) : null];
    if (from !== null && into !== null && from !== into)
      edges.set(from, [...new Set([...(edges.get(from) ?? []), into])]);
  }
  return edges;
}

describe('layers', () => {
  it('are all known', () => {
    const layers = new Set(names.filter((file) => file.includes('/')).map(layerOf));
    expect([...layers].sort()).toEqual(Object.keys(MAY_IMPORT).sort());
  });

  it('import only what the table allows', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      if (!internal || !file.includes('/')) return false;
      const allowed = [...MAY_IMPORT[layerOf(file)]!, ...(WIRING[file] ?? [])];
      const layer = layerOf(target);
      return !allowed.some((each) => layer === each || target === each);
    });
    expect(breaches).toEqual([]);
  });

  it('of the engine import lower ranks only, through their index', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      if (!internal || layerOf(file) !== 'engine') return false;
      const [from, to] = [file.split('/')[1]!, target.split('/')[1]!];
      if (from === to) return false;
      return target.split('/').length !== 2 || !(ENGINE_RANKS[to]! < ENGINE_RANKS[from]!);
    });
    expect(breaches).toEqual([]);
  });

  it('that are pure need no package but those for decimals and formulas', () => {
    const breaches = imports.filter(
      ({ file, target, internal }) =>
        !internal && PURE.includes(layerOf(file)) && !PURE_PACKAGES.includes(target),
    );
    expect(breaches).toEqual([]);
  });

  it('know another one’s pure part through its index alone', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      const to = internal ? resolved(target) : undefined;
      if (!to || !['calc', 'words', 'engine'].includes(layerOf(to))) return false;
      const same = layerOf(file) === layerOf(to) && featureOf(file) === featureOf(to);
      return !same && path.basename(to) !== 'index.ts';
    });
    expect(breaches).toEqual([]);
  });

  it('in pricing, ask a book only where offers are looked up', () => {
    const lookUp = new Set(
      ['book-set', 'choose', 'conditions', 'run-state', 'resolve', 'run'].map(
        (name) => `engine/pricing/${name}.ts`,
      ),
    );
    const asking = names.filter(
      (file) =>
        file.startsWith('engine/pricing/') &&
        /\bPriceBook\b/.test(fs.readFileSync(path.join(SRC, file), 'utf8')),
    );
    expect(asking.length).toBeGreaterThan(3);
    expect(asking.filter((file) => !lookUp.has(file))).toEqual([]);
  });

  it('have no circle of files', () => {
    expect(circlesIn(graphOf((file) => file))).toEqual([]);
  });

  it('of screens know of a worker what one can ask, not what answers', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      const to = internal ? resolved(target) : undefined;
      if (!to || layerOf(file) !== 'screen' || !['worker', 'platform/workers'].includes(layerOf(to)))
        return false;
      return !/(^|\/|-)(client|protocol)\.ts$/.test(to);
    });
    expect(breaches).toEqual([]);
  });

  it('of features’ calculation and words make no circle of features', () => {
    const pure = imports.filter(({ file }) => ['calc', 'words'].includes(layerOf(file)));
    const graph = graphOf(featureOf, pure);
    expect(graph.size).toBeGreaterThan(5);
    expect(circlesIn(graph)).toEqual([]);
  });

  it('let features know one another one way, but for those that are still to be cut', () => {
    const graph = graphOf(featureOf);
    const mutual = [...graph].flatMap(([from, into]) =>
      into.filter((to) => from < to && graph.get(to)?.includes(from)).map((to) => `${from} ${to}`),
    );
    expect(mutual.sort()).toEqual(STILL_MUTUAL);
  });

  it('ask what a kind is by its traits, not by its name, wherever something is worked out', () => {
    const asking = names.filter(
      (file) =>
        /^engine\/(pricing|analysis|program|summary|difference|design|terms)\//.test(file) &&
        /kind (===|!==) '/.test(fs.readFileSync(path.join(SRC, file), 'utf8')),
    );
    expect(asking).toEqual([]);
  });

  it('are drawn in the picture of docs/architecture.md as they are (./run formats writes it)', () => {
    expect(fs.readFileSync('docs/architecture.svg', 'utf8')).toBe(architecturePicture());
  });

  it('keep every file under 300 lines', () => {
    const long = names.filter(
      (file) => fs.readFileSync(path.join(SRC, file), 'utf8').split('\n').length > 300,
    );
    expect(long).toEqual([]);
  });
});
