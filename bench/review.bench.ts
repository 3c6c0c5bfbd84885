/**
 * Change reviews of small, large and very large plans: read, mapped and priced on both sides. Baseline of all is the parsing
 * of the same file in the same run.
 */
import { bookSet } from '@/engine/pricing';
import { extractOf, joinMaps, NO_PROFILE, reviewOf } from '@/features/review/calc';
import { indexBook } from '@/engine/books';
import { DEFAULT_MONTH } from '@/engine/time';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_MAPS } from '@/demo/maps';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';
import { readPlan } from '@/features/review/format/plan/read-plan';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { planJson } from '../tests/support/plans';
import { type BenchRow, measure, printRows } from './measure';

const newest = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!;
const norvane = DEMO_PROFILES.find(({ key }) => key === 'norvane')!;
const books = bookSet([indexBook(toBookData(generateBook(norvane, newest)))]);
const read = readResourceMap(DEMO_MAPS.norvane!);
if (!read.ok) throw new Error('the map is refused');
const map = joinMaps([read.value]);
const setting = {
  currency: 'USD',
  assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
  books: [{ book: 'norvane', revision: newest.number }],
};

const SIZES = ['bal-2-8', 'bal-4-16', 'bal-8-32', 'bal-16-64'];
/** What a plan carries beside what a rule reads. */
const AROUND = {
  image: 'img-5f2a9c81',
  network: 'net-main',
  start_script: 'set -eu\n'.repeat(20),
  access_rules: ['web', 'metrics', 'support'],
  labels: { team: 'booking', stage: 'live' },
};

/** Servers with two disks, volumes and free things; a third is new, a third resized, a third as it was. */
function planOf(count: number): string {
  const changes = Array.from({ length: count }, (_, at) => {
    const size = SIZES[at % SIZES.length]!;
    const values =
      at % 10 < 7
        ? {
            ...AROUND,
            size,
            root_disk: { gib: 40 + (at % 7) * 10 },
            disk: [{ gib: 100 + (at % 50), class: 'quiet' }],
          }
        : at % 10 < 9
          ? { ...AROUND, gib: 50 + (at % 300) }
          : { ...AROUND, name: `role-${at}` };
    const type = at % 10 < 7 ? 'norvane_server' : at % 10 < 9 ? 'norvane_volume' : 'norvane_role';
    const before =
      at % 3 === 0 ? null : at % 3 === 1 ? { ...values, size: SIZES[(at + 1) % SIZES.length]! } : values;
    const group = `module.part${at % 40}`;
    return {
      address: `${group}.${type}.r[${at}]`,
      module: group,
      index: at,
      actions: [before === null ? 'create' : at % 3 === 1 ? 'update' : 'no-op'],
      before,
      after: values,
    };
  });
  return JSON.stringify(planJson(changes));
}

function extractOfText(text: string) {
  const plan = readPlan(text);
  if (!plan.ok) throw new Error('the plan is refused');
  return extractOf(plan.value, map);
}

const rows: BenchRow[] = [];
for (const count of [100, 5000, 50_000]) {
  const text = planOf(count);
  const times = count > 5000 ? 1 : count > 100 ? 3 : 20;
  const size = `${(text.length / 1e6).toFixed(1)} MB`;
  const baseline = {
    what: `JSON.parse, ${size}`,
    measured: measure(times + 2, 1, () => void JSON.parse(text)),
  };
  const extract = extractOfText(text);
  const asked = { extract, profile: NO_PROFILE, setting, books };
  rows.push(
    {
      what: `${count} resources: read and mapped`,
      measured: measure(times, 1, () => void extractOfText(text)),
      baseline,
      aim: '× 3',
    },
    {
      what: `${count} resources: both sides priced`,
      measured: measure(times, 0, () => void reviewOf(asked)),
      baseline,
      aim: '',
    },
  );
  const bytes = process.memoryUsage().heapUsed;
  process.stdout.write(
    `${count} resources: ${(bytes / text.length).toFixed(1)} times the file in use after it\n`,
  );
}
printRows('Change reviews', rows);
