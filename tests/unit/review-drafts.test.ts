/** What is drafted for a person to finish: rules for unknown types, and use that no plan knows. */
import { describe, expect, it } from 'vitest';
import { draftMap } from '@/features/review/format/review/draft-map';
import { withMissingUse, withUse } from '@/features/review/format/review/load-file';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { readPlanData } from '@/features/review/format/plan/read-plan';
import { planJson } from '@tests/support/plans';
import { fine, reviewed } from '@tests/support/reviews';

const STORE = { address: 'norvane_store.logs', after: { class: 'near' } };

const OWN = `# Ours: ask the booking team.
wick: load-profile
version: 1
loads:
  # The web, in office hours.
  - address: "module.web.*"
    term: 12-none # renewed in May
`;

describe('a load profile that is written into', () => {
  it('keeps what a person wrote, with its comments, and prices what was said', () => {
    const said = { address: STORE.address, part: null, unit: 'GB' };
    const first = withUse(OWN, {
      ...said,
      meter: 'stored',
      amount: { likely: '300', lean: '200', heavy: '900' },
    });
    const text = withUse(first, { ...said, meter: 'reads', amount: { likely: '4000' }, unit: 'request' });
    for (const comment of [
      '# Ours: ask the booking team.',
      '# The web, in office hours.',
      '# renewed in May',
    ])
      expect(text).toContain(comment);
    const { loads } = fine(readLoadProfile(text));
    expect(loads).toHaveLength(2);
    expect(loads[1]).toEqual({
      address: STORE.address,
      usage: {
        stored: { amount: { lean: '200', likely: '300', heavy: '900' }, unit: 'GB' },
        reads: { amount: { likely: '4000' }, unit: 'request' },
      },
    });
    const { review } = reviewed(planJson([STORE]), fine(readLoadProfile(text)));
    expect(Number(review.totals.after)).toBeGreaterThan(0);
  });

  it('is begun where there is none, and changes an entry in place', () => {
    const said = { address: 'a.b', part: 'disk 1', meter: 'capacity', unit: 'GiB' };
    const once = withUse('', { ...said, amount: { likely: '0.123456789012345678' } });
    const twice = withUse(once, { ...said, amount: { likely: '7' } });
    expect(fine(readLoadProfile(once)).loads[0]!.usage!.capacity!.amount.likely).toBe('0.123456789012345678');
    expect(fine(readLoadProfile(twice)).loads).toEqual([
      { address: 'a.b', part: 'disk 1', usage: { capacity: { amount: { likely: '7' }, unit: 'GiB' } } },
    ]);
  });

  it('asks for what is missing without saying it', () => {
    const { review } = reviewed(planJson([STORE]));
    const text = withMissingUse(OWN, review);
    expect(text).toContain('# Ours: ask the booking team.');
    expect(text).toMatch(/stored: \{ amount: …, unit: … \} +Held; 0\.02\d* USD a GB-month/);
    const profile = fine(readLoadProfile(text));
    expect(profile.loads.at(-1)).toEqual({ address: STORE.address });
    const again = reviewed(planJson([STORE]), profile).review;
    expect(again.doubts).toEqual(review.doubts);
    // Asked again, it is asked once.
    expect(withMissingUse(text, again)).toBe(text);
  });
});

describe('a drafted rule', () => {
  const plan = planJson([
    {
      address: 'quay_disk_server.x',
      after: { size: 'CANARY', gib: 40, on: true, disks: [{ gib: 1 }], labels: { a: 'CANARY' } },
      unknown: { id: true },
    },
  ]);

  it('names attributes and their sorts, and no value', () => {
    const text = draftMap(fine(readPlanData(plan)), [{ type: 'quay_disk_server', count: 1 }]);
    expect(text).not.toContain('CANARY');
    for (const line of [
      'size: text',
      'gib: number',
      'on: boolean',
      'disks: list of { gib }',
      'labels: { a }',
    ])
      expect(text).toContain(line);
    expect(text).toContain('Perhaps: server');
  });

  it('is refused until somebody has said what it is', () => {
    const text = draftMap(fine(readPlanData(plan)), [{ type: 'quay_disk_server', count: 1 }]);
    const read = readResourceMap(text);
    expect(read.ok ? '' : read.faults[0]!.message).toContain(
      'a rule has a kind, or parts, or says why it is free',
    );
    const finished = text.replace(
      'type: quay_disk_server',
      'type: quay_disk_server\n    free: It is a picture.',
    );
    expect(fine(readResourceMap(finished)).rules).toHaveLength(1);
  });
});
