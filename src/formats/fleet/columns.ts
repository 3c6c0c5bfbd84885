/**
 * What the columns of an inventory mean: by their headings, whatever order they stand in and whatever program wrote them.
 * Each has its guess; a person may say otherwise. Needs M1.
 */

/** What a machine may have. `ignored`: a column that means nothing here. */
export const FIELDS = [
  'id',
  'name',
  'host',
  'cluster',
  'environment',
  'system',
  'power',
  'vcpu',
  'memory',
  'storage',
  'stored',
  'peakCpu',
  'usualCpu',
  'peakMemory',
  'usualMemory',
] as const;
export type Field = (typeof FIELDS)[number];

/** What numbers of a column are measured in, where its heading says it. */
export type ColumnUnit = 'MB' | 'MiB' | 'GB' | 'GiB' | 'TB' | 'TiB' | '%';

export interface Column {
  readonly at: number;
  readonly heading: string;
  readonly field: Field | null;
  /** Null: the heading does not say. */
  readonly unit: ColumnUnit | null;
}

/** Words of a heading, lower case, without signs; all of one list must stand in it. The first that fits is meant. */
const WORDS: readonly (readonly [Field, readonly (readonly string[])[]])[] = [
  [
    'peakCpu',
    [
      ['cpu', 'peak'],
      ['cpu', 'max'],
      ['processor', 'peak'],
      ['cpu', 'spitze'],
      ['cpu', 'pico'],
    ],
  ],
  [
    'usualCpu',
    [
      ['cpu', '95'],
      ['cpu', 'p95'],
      ['cpu', 'percentile'],
      ['processor', '95'],
    ],
  ],
  [
    'peakMemory',
    [
      ['memory', 'peak'],
      ['memory', 'max'],
      ['ram', 'peak'],
      ['ram', 'max'],
      ['mem', 'peak'],
      ['mem', 'max'],
    ],
  ],
  [
    'usualMemory',
    [
      ['memory', '95'],
      ['ram', '95'],
      ['mem', '95'],
      ['memory', 'p95'],
      ['ram', 'p95'],
      ['mem', 'p95'],
    ],
  ],
  ['stored', [['disk', 'used'], ['storage', 'used'], ['used', 'space'], ['consumed'], ['belegt']]],
  ['storage', [['storage'], ['disk'], ['provisioned'], ['capacity'], ['speicherplatz'], ['stockage']]],
  ['memory', [['memory'], ['ram'], ['mem'], ['arbeitsspeicher'], ['memoria'], ['mémoire']]],
  ['vcpu', [['vcpu'], ['vcpus'], ['cpus'], ['cpu'], ['cores'], ['processors'], ['prozessoren'], ['núcleos']]],
  ['power', [['power'], ['state'], ['status'], ['running']]],
  ['cluster', [['cluster']]],
  ['host', [['host'], ['hypervisor'], ['node']]],
  ['environment', [['environment'], ['env'], ['stage'], ['umgebung']]],
  ['system', [['os'], ['operating'], ['system'], ['guest'], ['betriebssystem']]],
  ['id', [['id'], ['uuid'], ['serial'], ['key']]],
  ['name', [['name'], ['machine'], ['server'], ['vm'], ['hostname'], ['instance']]],
];

const UNITS: readonly (readonly [ColumnUnit, RegExp])[] = [
  ['MiB', /\bmib\b/i],
  ['GiB', /\bgib\b/i],
  ['TiB', /\btib\b/i],
  ['MB', /\bmb\b/i],
  ['GB', /\bgb\b/i],
  ['TB', /\btb\b/i],
  ['%', /%|\bpercent\b|\bpct\b|\bprozent\b/i],
];

/** `CPU peak (%)` → `cpu`, `peak`. */
function wordsOf(heading: string): Set<string> {
  const apart = heading.replace(/([a-zà-ÿ])([A-Z])/g, '$1 $2').toLowerCase();
  return new Set(apart.split(/[^a-z0-9à-ÿ]+/).filter(Boolean));
}

export function unitOf(heading: string): ColumnUnit | null {
  return UNITS.find(([, pattern]) => pattern.test(heading.replaceAll('_', ' ')))?.[0] ?? null;
}

/**
 * The columns of a header row. Each field is taken once: by the column that names it first; `chosen` goes before any
 * guess, by heading.
 */
export function columnsOf(
  headings: readonly string[],
  chosen: ReadonlyMap<string, Field | null> = new Map(),
): Column[] {
  const taken = new Set<Field>([...chosen.values()].filter((field) => field !== null));
  const guessed = new Map<number, Field>();
  for (const [field, lists] of WORDS) {
    if (taken.has(field)) continue;
    const at = headings.findIndex((heading, index) => {
      if (guessed.has(index) || chosen.has(heading.trim())) return false;
      const words = wordsOf(heading);
      return lists.some((list) => list.every((word) => words.has(word)));
    });
    if (at < 0) continue;
    guessed.set(at, field);
    taken.add(field);
  }
  return headings.map((heading, at) => ({
    at,
    heading: heading.trim(),
    field: chosen.get(heading.trim()) ?? guessed.get(at) ?? null,
    unit: unitOf(heading),
  }));
}
