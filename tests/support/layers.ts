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

/** What is asked of a worker, without what answers there. */
const SCREEN = [
  ...PURE,
  'formats',
  'operations',
  'platform/workers',
  'platform/ui',
  'platform/screen',
  'platform/shell',
];

export const MAY_IMPORT: Readonly<Record<string, readonly string[]>> = {
  engine: ['engine'],
  'platform/words': ['engine', 'platform/words'],
  'platform/tables': ['engine', 'platform/tables', 'platform/words'],
  'platform/files': [...PURE, 'platform/files'],
  'platform/workers': [...PURE, 'formats', 'platform/workers'],
  'platform/ui': ['engine', 'platform/tables', 'platform/words', 'platform/ui'],
  'platform/screen': [...PURE, 'formats', 'operations', 'platform/ui', 'platform/screen'],
  'platform/shell': [...PURE, 'formats', 'operations', 'platform/ui', 'platform/screen', 'platform/shell'],
  calc: PURE,
  words: PURE,
  formats: [...PURE, 'formats'],
  operations: [...PURE, 'formats', 'operations'],
  data: [...PURE, 'formats', 'operations', 'data'],
  jobs: [...PURE, 'operations', 'jobs'],
  worker: [...PURE, 'formats', 'platform/workers', 'worker'],
  file: [...PURE, 'platform/files', 'file'],
  screen: [...SCREEN, 'worker', 'screen'],
  desk: [...PURE, 'formats', 'platform/files', 'file', 'operations', 'desk'],
  app: [...SCREEN, 'screen', 'desk/protocol', 'desk/threads', 'app'],
  cli: [...PURE, 'formats', 'platform/files', 'file', 'operations', 'demo', 'cli'],
  demo: [...PURE, 'formats', 'operations', 'demo'],
};

/** The wiring: the only files that bring the outside in. */
export const WIRING: Readonly<Record<string, readonly string[]>> = {
  'app/wiring.ts': ['data', 'jobs', 'demo'],
  'cli/set-up.ts': ['data'],
  'desk/thread.ts': ['data'],
};

/**
 * Features whose screens still know one another both ways: views of a design know its session, and its screen mounts them. To
 * be cut by registering; a pair that is cut is taken out here, and none may come.
 */
export const STILL_MUTUAL: readonly string[] = [
  'alerts bills',
  'checklist design',
  'compare design',
  'compare report',
  'design load',
  'design paying',
  'design range',
  'design report',
  'design saved-questions',
  'design unit-prices',
  'fleet own-or-rent',
  'load range',
  'load saved-questions',
  'paying saved-questions',
  'range saved-questions',
];
