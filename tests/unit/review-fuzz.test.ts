/** Plans, maps, profiles and limits with something broken in them: never a crash, a hang, a wrong nothing, or a secret. */
import { describe, expect, it } from 'vitest';
import { seededRandom } from '@/engine/base';
import { extractOf, NO_PROFILE, reviewOf } from '@/features/review/calc';
import { DEMO_MAPS } from '@/demo/maps';
import type { Checked } from '@/platform/formats/faults';
import { readPlan } from '@/features/review/format/plan/read-plan';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { planJson, server, volume } from '@tests/support/plans';
import { demoBookSet, demoMap, demoSetting } from '@tests/support/reviews';
import fs from 'node:fs';
import { drawn, metAtLeast, TURN } from '@tests/support/drawn';

const CANARY = 'canary-5e0d';
const { next } = seededRandom(`broken ${TURN}`);
const below = (most: number): number => Math.floor(next() * most);

/** What breaks files in life: letters lost, doubled, swapped, cut off; values of another sort. */
function broken(text: string): string {
  const at = below(text.length);
  const odd = ['null', '{}', '[]', '-1', '1e999', '""', '"\\u0000"', 'true', '{"a":', '&a', '*a', '\t', '"'][
    below(13)
  ]!;
  switch (below(6)) {
    case 0:
      return text.slice(0, at) + text.slice(at + 1 + below(8));
    case 1:
      return text.slice(0, at) + odd + text.slice(at);
    case 2:
      return text.slice(0, at);
    case 3:
      return text.slice(0, at) + text.slice(at, at + 40) + text.slice(at);
    case 4:
      return text.replace(/("[a-z_]+"|[a-z_]+):/g, (found) => (next() < 0.02 ? '"novelty":' : found));
    default:
      return text.replace(/: ?("[^"]*"|\d+|\w+)/g, (found) => (next() < 0.02 ? `: ${odd}` : found));
  }
}

const PLAN = JSON.stringify(
  planJson([
    {
      address: 'norvane_server.web',
      before: server('bal-4-16', { password: CANARY, disk: [{ gib: 10 }] }),
      after: server('bal-8-32', { password: CANARY, disk: [{ gib: 20, class: 'swift' }] }),
      secretBefore: { password: true },
      secretAfter: { password: true },
      unknown: { id: true },
    },
    { address: 'module.a.norvane_volume.x["k"]', module: 'module.a', index: 'k', after: volume(30) },
    { address: 'norvane_role.r', after: { name: 'r' } },
    { address: 'strange_thing.s', after: { note: 'n' } },
  ]),
);

const MOST = 1000;

function tried<T>(text: string, read: (text: string) => Checked<T>): T | null {
  const begun = performance.now();
  const found = read(text);
  expect(performance.now() - begun, text.slice(0, 200)).toBeLessThan(MOST);
  if (found.ok) return found.value;
  expect(found.faults.length, text.slice(0, 200)).toBeGreaterThan(0);
  for (const { message } of found.faults) expect(message.length).toBeGreaterThan(3);
  return null;
}

describe('broken files', () => {
  it('of plans are refused or priced, with every amount accounted for and no secret told', () => {
    let read = 0;
    for (let turn = 0; turn < drawn(8000); turn += 1) {
      const text = broken(PLAN);
      const plan = tried(text, readPlan);
      if (!plan) continue;
      read += 1;
      const extract = extractOf(plan, demoMap);
      const { review } = reviewOf({
        extract,
        profile: NO_PROFILE,
        setting: demoSetting,
        books: demoBookSet(),
      });
      // Where the password is still marked, it is told nowhere.
      const marked = plan.resources.every(({ before, after }) =>
        [before, after].every(
          (side) =>
            !side ||
            !('password' in side.values) ||
            (side.secret as { password?: unknown }).password === true,
        ),
      );
      if (marked) expect(JSON.stringify([extract, review])).not.toContain(CANARY);
      for (const row of review.rows) {
        const costs = row.lines.some((line) => line.before !== null || line.after !== null);
        expect(
          costs || row.doubts.length > 0 || row.free !== null,
          `${row.address}: ${text.slice(0, 300)}`,
        ).toBe(true);
      }
    }
    expect(read).toBeGreaterThan(metAtLeast(500));
  }, 300_000);

  it.each([
    ['maps', DEMO_MAPS.osmere!, readResourceMap, 4000],
    ['profiles', fs.readFileSync('docs/formats/load-profile.example.yaml', 'utf8'), readLoadProfile, 5000],
    ['limits', fs.readFileSync('docs/formats/limits.example.yaml', 'utf8'), readLimits, 5000],
  ] as [string, string, (text: string) => Checked<unknown>, number][])(
    'of %s are refused in words or read',
    (_what, text, read, turns) => {
      let good = 0;
      for (let turn = 0; turn < drawn(turns); turn += 1) if (tried(broken(text), read) !== null) good += 1;
      expect(good).toBeGreaterThan(0);
      expect(good).toBeLessThan(drawn(turns));
    },
    300_000,
  );
});
