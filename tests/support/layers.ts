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

export const MAY_IMPORT: Readonly<Record<string, readonly string[]>> = {
  engine: ['engine'],
  'platform/tables': ['engine', 'platform/tables', 'platform/words'],
  'platform/words': ['engine', 'platform/words'],
  calc: PURE,
  words: PURE,
  formats: [...PURE, 'formats'],
  handover: [...PURE, 'handover'],
  operations: [...PURE, 'formats', 'operations'],
  data: [...PURE, 'formats', 'operations', 'data'],
  jobs: [...PURE, 'operations', 'jobs'],
  workers: [...PURE, 'formats', 'workers'],
  ui: ['engine/trace', 'platform/tables', 'platform/words', 'words', 'ui'],
  desk: [...PURE, 'formats', 'handover', 'operations', 'desk'],
  screens: [
    ...PURE,
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
  app: [...PURE, 'formats', 'ui', 'operations', 'desk/protocol', 'desk/threads', 'screens', 'app'],
  cli: [...PURE, 'formats', 'handover', 'operations', 'demo', 'cli'],
  demo: [...PURE, 'formats', 'operations', 'demo'],
};

/** The wiring: the only files that bring the outside in. */
export const WIRING: Readonly<Record<string, readonly string[]>> = {
  'app/wiring.ts': ['data', 'jobs', 'demo'],
  'cli/set-up.ts': ['data'],
  'desk/thread.ts': ['data'],
};
