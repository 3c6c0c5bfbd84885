/** The layers and what each may import: docs/architecture.md in a form that a test can hold. */

/** Ranks inside the engine: a module imports lower ranks only. */
export const ENGINE_RANKS: Readonly<Record<string, number>> = {
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
  difference: 8,
  moving: 8,
  analysis: 9,
  summary: 10,
};

/** Pure: no clock, no chance, no document, no database, no package but those for decimals and formulas. */
const PURE = ['engine', 'calc', 'words', 'platform/tables', 'platform/words'];

/** What files and requests are read with; it knows no feature. */
const FORMAT = [...PURE, 'platform/formats', 'format'];
/** What can be done: its ports name all stores (`stores/ports.ts`). */
const USE = [...FORMAT, 'platform/use', 'use', 'stores/ports'];
const SCREEN = [...USE, 'platform/workers', 'platform/ui', 'platform/screen', 'platform/shell'];

export const MAY_IMPORT: Readonly<Record<string, readonly string[]>> = {
  engine: ['engine'],
  'platform/words': ['engine', 'platform/words'],
  'platform/tables': ['engine', 'platform/tables', 'platform/words'],
  'platform/formats': [...PURE, 'platform/formats'],
  'platform/files': [...PURE, 'platform/files'],
  'platform/workers': [...FORMAT, 'platform/workers'],
  'platform/use': [...FORMAT, 'platform/use', 'stores/ports'],
  'platform/data': [...FORMAT, 'platform/use', 'platform/data', 'stores/schema', 'stores/ports'],
  'platform/ui': ['engine', 'platform/tables', 'platform/words', 'platform/ui'],
  'platform/screen': [...USE, 'platform/ui', 'platform/screen'],
  'platform/shell': [...USE, 'platform/ui', 'platform/screen', 'platform/shell'],
  calc: PURE,
  words: PURE,
  format: FORMAT,
  use: USE,
  store: [...USE, 'platform/data', 'store', 'stores/schema'],
  stores: [...USE, 'platform/data', 'store', 'stores'],
  worker: [...FORMAT, 'platform/workers', 'worker'],
  file: [...PURE, 'platform/files', 'file'],
  screen: [...SCREEN, 'worker', 'screen'],
  jobs: [...USE, 'jobs'],
  desk: [...USE, 'platform/files', 'file', 'desk'],
  app: [...SCREEN, 'screen', 'desk/protocol', 'desk/threads', 'app'],
  cli: [...USE, 'platform/files', 'file', 'demo', 'cli', 'stores/memory-stores'],
  demo: [...USE, 'demo'],
};

/** The wiring: the only files that bring the outside in. */
export const WIRING: Readonly<Record<string, readonly string[]>> = {
  'app/wiring.ts': ['platform/data', 'stores/repositories', 'jobs', 'demo'],
  'cli/set-up.ts': ['platform/data', 'stores/repositories'],
  'desk/thread.ts': ['platform/data', 'stores/repositories'],
};

/**
 * Features that still know one another both ways: views of a design know its session, and its screen mounts them; forms of files
 * are shared. To be cut by registering; a pair that is cut is taken out here, and none may come.
 */
export const STILL_MUTUAL: readonly string[] = [
  'alerts bills',
  'bills price-books',
  'bills review',
  'checklist design',
  'compare design',
  'compare report',
  'design load',
  'design paying',
  'design price-books',
  'design range',
  'design report',
  'design saved-questions',
  'design unit-prices',
  'fleet own-or-rent',
  'fleet price-books',
  'fleet report',
  'load range',
  'load saved-questions',
  'own-or-rent report',
  'paying saved-questions',
  'price-books review',
  'range saved-questions',
];
