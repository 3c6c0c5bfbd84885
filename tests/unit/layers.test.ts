/** Who may import whom: walks every import and fails on a breach or a cycle. The table is docs/architecture.md's. */
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const SRC = path.resolve(import.meta.dirname, '../../src');

/** Ranks inside core: a module may import lower ranks only, through their index. */
const CORE_RANKS: Readonly<Record<string, number>> = {
  base: 0,
  money: 1,
  units: 1,
  trace: 1,
  time: 1,
  rates: 2,
  usage: 2,
  drivers: 3,
  terms: 3,
  books: 4,
  sizing: 5,
  rating: 6,
  design: 6,
  pricing: 7,
  program: 8,
  fleet: 8,
  compare: 8,
  moving: 8,
  review: 8,
  bills: 8,
  analysis: 9,
  watches: 9,
  alternatives: 9,
  range: 10,
  'bare-rates': 10,
  curves: 10,
  draws: 10,
  paying: 10,
  comparison: 11,
  axes: 11,
  'own-or-rent': 11,
  display: 12,
  checks: 13,
  'deployment-forms': 13,
  kept: 13,
  report: 14,
};

const MAY_IMPORT: Readonly<Record<string, readonly string[]>> = {
  core: ['core'],
  formats: ['core', 'formats'],
  handover: ['core', 'handover'],
  operations: ['core', 'formats', 'operations'],
  data: ['core', 'formats', 'operations', 'data'],
  jobs: ['core', 'operations', 'jobs'],
  workers: ['core', 'formats', 'workers'],
  ui: ['core/display', 'core/trace', 'ui'],
  desk: ['core', 'formats', 'handover', 'operations', 'desk'],
  screens: [
    'core',
    'formats',
    'ui',
    'operations',
    'workers/client',
    'workers/protocol',
    'workers/fleet-client',
    'workers/fleet-protocol',
    'workers/study-client',
    'workers/study-protocol',
    'workers/review-client',
    'workers/review-protocol',
    'workers/list-client',
    'workers/list-protocol',
    'screens',
  ],
  app: ['core', 'formats', 'ui', 'operations', 'desk/protocol', 'desk/threads', 'screens', 'app'],
  cli: ['core', 'formats', 'handover', 'operations', 'demo', 'cli'],
  demo: ['core', 'formats', 'operations', 'demo'],
};

/** The wiring: the only files that bring the outside in. */
const WIRING: Readonly<Record<string, readonly string[]>> = {
  'app/wiring.ts': ['data', 'jobs', 'demo'],
  'cli/set-up.ts': ['data'],
  'desk/thread.ts': ['data'],
};

const CORE_PACKAGES = ['decimal.js', 'jsep'];

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

const files = filesBelow(SRC);
const imports = files.flatMap(importsOf);
const layerOf = (file: string): string => file.split('/')[0]!;
const moduleOf = (file: string): string => file.split('/')[1]!;

describe('layers', () => {
  it('are all known', () => {
    const layers = new Set(
      files
        .map((file) => path.relative(SRC, file))
        .filter((file) => file.includes('/'))
        .map(layerOf),
    );
    expect([...layers].sort()).toEqual(Object.keys(MAY_IMPORT).sort());
  });

  it('import only what the table allows', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      if (!internal || !file.includes('/')) return false;
      const allowed = [...MAY_IMPORT[layerOf(file)]!, ...(WIRING[file] ?? [])];
      return !allowed.some((each) => target === each || target.startsWith(`${each}/`));
    });
    expect(breaches).toEqual([]);
  });

  it('in core, import lower ranks only, through their index, and no package but those for decimals and formulas', () => {
    const breaches = imports.filter(({ file, target, internal }) => {
      if (layerOf(file) !== 'core') return false;
      if (!internal) return !CORE_PACKAGES.includes(target);
      const [from, to] = [moduleOf(file), moduleOf(target)];
      if (from === to) return false;
      const throughIndex = target.split('/').length === 2;
      return !throughIndex || !(CORE_RANKS[to]! < CORE_RANKS[from]!);
    });
    expect(breaches).toEqual([]);
  });

  it('in pricing, ask a book only where offers are looked up', () => {
    const lookUp = new Set([
      'core/pricing/book-set.ts',
      'core/pricing/choose.ts',
      'core/pricing/conditions.ts',
      'core/pricing/run-state.ts',
      'core/pricing/resolve.ts',
      'core/pricing/run.ts',
    ]);
    const asking = files
      .map((file) => path.relative(SRC, file))
      .filter(
        (file) =>
          file.startsWith('core/pricing/') &&
          /\bPriceBook\b/.test(fs.readFileSync(path.join(SRC, file), 'utf8')),
      );
    expect(asking.filter((file) => !lookUp.has(file))).toEqual([]);
  });

  it('have no import cycles', () => {
    const known = new Set(files.map((file) => path.relative(SRC, file)));
    const resolve = (target: string): string | undefined =>
      [`${target}.ts`, `${target}.tsx`, `${target}/index.ts`].find((each) => known.has(each));
    const edges = new Map<string, string[]>();
    for (const { file, target, internal } of imports) {
      const to = internal ? resolve(target) : undefined;
      if (to) edges.set(file, [...(edges.get(file) ?? []), to]);
    }
    const done = new Set<string>();
    const cycles: string[] = [];
    const visit = (file: string, trail: readonly string[]): void => {
      if (trail.includes(file))
        return void cycles.push([...trail.slice(trail.indexOf(file)), file].join(' -> '));
      if (done.has(file)) return;
      for (const next of edges.get(file) ?? []) visit(next, [...trail, file]);
      done.add(file);
    };
    for (const file of known) visit(file, []);
    expect(cycles).toEqual([]);
  });

  it('ask what a kind is by its traits, not by its name, wherever something is worked out', () => {
    const asking = files.filter(
      (file) =>
        /core\/(pricing|analysis|program|range|compare|design|terms)\//.test(file) &&
        /kind (===|!==) '/.test(fs.readFileSync(file, 'utf8')),
    );
    expect(asking.map((file) => path.relative(SRC, file))).toEqual([]);
  });

  it('keep every file under 300 lines', () => {
    const long = files.filter((file) => fs.readFileSync(file, 'utf8').split('\n').length > 300);
    expect(long.map((file) => path.relative(SRC, file))).toEqual([]);
  });
});
