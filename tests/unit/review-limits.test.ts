/** Limits of a change: what is broken, by how much, where, what is excepted, and what would bring it back under. */
import { describe, expect, it } from 'vitest';
import { brokenSentence, limitsSentence } from '@/features/review/words';
import { holdLimits, type Limits, NO_PROFILE, remedyFor } from '@/features/review/calc';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { type Changed, planJson, server } from '@tests/support/plans';
import { demoBookSet, demoSetting, fine, reviewed } from '@tests/support/reviews';

const limitsOf = (text: string): Limits => fine(readLimits(`wick: limits\nversion: 1\n${text}`));

function held(changes: readonly Changed[], limits: string, today = '2026-11-28') {
  const planned = reviewed(planJson(changes));
  const { review, extract } = planned;
  const asked = {
    review,
    extract,
    limits: limitsOf(limits),
    books: demoBookSet(),
    setting: demoSetting,
    today,
    planned,
  };
  return { ...asked, answer: holdLimits(asked), profile: NO_PROFILE };
}

const LARGE: Changed = {
  address: 'norvane_server.db',
  before: server('bal-4-16', { labels: { team: 'data' } }),
  after: server('bal-32-128', { labels: { team: 'data' } }),
};
const SMALL: Changed = {
  address: 'module.web.norvane_server.a',
  module: 'module.web',
  after: server('bal-2-8'),
};

describe('limits of a change', () => {
  it('are kept where nothing is above them', () => {
    const { answer } = held(
      [LARGE],
      'limits: [{ id: month, most: { total: 100000 } }, { id: sizes, not: { sizes: ["NV-MEM-*"] } }]',
    );
    expect(answer).toEqual({
      state: 'kept',
      broken: [],
      excepted: [],
      expired: [],
      kept: ['month', 'sizes'],
      unchecked: [],
    });
    expect(limitsSentence(answer)).toBe('All limits are kept.');
  });

  it('say by how much and where they are broken, the dearest first', () => {
    const { answer, review } = held(
      [LARGE, SMALL],
      `limits:
  - { id: month, most: { total: 200 }, say: Ask the platform team. }
  - { id: jump, level: warn, most: { percent: 50 } }
  - { id: one, most: { resource: 500 } }
  - { id: where, only: { regions: ["norvane/elbe-*"] } }
  - { id: what, not: { kinds: [server] } }
  - { id: family, not: { families: ["Balanced"] } }
  - { id: tagged, tags: [team, cost] }
  - { id: known, all-priced: true }`,
    );
    expect(answer.state).toBe('failed');
    const by = new Map(answer.broken.map((each) => [each.limit.id, each]));
    expect(Number(by.get('month')!.over)).toBeCloseTo(Number(review.totals.after) - 200, 6);
    expect(by.get('month')!.addresses).toEqual([LARGE.address, SMALL.address]);
    expect(by.get('one')!.addresses).toEqual([LARGE.address]);
    expect(by.get('where')!.addresses).toEqual([LARGE.address, SMALL.address]);
    expect(by.get('what')!.addresses).toHaveLength(2);
    expect(by.get('tagged')!.addresses).toEqual([LARGE.address, SMALL.address]);
    expect(by.has('jump')).toBe(true);
    expect(answer.kept).toContain('known');
    const words = brokenSentence(by.get('month')!, 'USD');
    expect(words).toMatch(/^“month” is broken: the month after the change is at most 200\.00 USD, and is /);
    expect(words).toMatch(/Ask the platform team\.$/);
  });

  it('ask for tags wherever there could be some, and not where they are not known', () => {
    const { answer } = held(
      [
        { address: 'norvane_server.bare', after: { size: 'bal-4-16' } },
        { address: 'norvane_server.late', after: { size: 'bal-4-16' }, unknown: { labels: true } },
        { address: 'norvane_server.half', after: server('bal-4-16', { labels: { team: 'web' } }) },
        { address: 'norvane_server.full', after: server('bal-4-16', { labels: { team: 'web', cost: '7' } }) },
        { address: 'norvane_role.free', after: {} },
      ],
      'limits: [{ id: tagged, tags: [team, cost] }]',
    );
    expect(answer.broken[0]!.addresses).toEqual(['norvane_server.bare', 'norvane_server.half']);
  });

  it('only warn where they say so', () => {
    const { answer } = held([LARGE], 'limits: [{ id: month, level: warn, most: { total: 1 } }]');
    expect(answer.state).toBe('warned');
    expect(limitsSentence(answer)).toBe('1 to be warned of; nothing fails.');
  });

  it('make exceptions by address or as a whole, with a reason, until a day', () => {
    const text = (until: string): string => `limits: [{ id: one, most: { resource: 500 } }]
exceptions: [{ limit: one, address: "norvane_server.*", reason: The move, until: ${until} }]`;
    const open = held([LARGE], text('2026-12-31')).answer;
    expect([open.state, open.excepted.map(({ exception }) => exception.reason)]).toEqual([
      'kept',
      ['The move'],
    ]);
    const over = held([LARGE], text('2026-11-27')).answer;
    expect([over.state, over.expired]).toMatchObject(['failed', [{ until: '2026-11-27' }]]);
    const elsewhere = held(
      [LARGE],
      'limits: [{ id: one, most: { resource: 500 } }]\nexceptions: [{ limit: one, address: "module.*", reason: x, until: 2027-01-01 }]',
    );
    expect(elsewhere.answer.state).toBe('failed');
    const whole = held(
      [LARGE],
      'limits: [{ id: month, most: { total: 1 } }]\nexceptions: [{ limit: month, reason: x, until: 2027-01-01 }]',
    );
    expect(whole.answer.state).toBe('kept');
  });

  it('name the largest smaller size that keeps them, worked out and not guessed', () => {
    const first = held([LARGE, SMALL], 'limits: [{ id: month, most: { total: 500 } }]');
    const remedy = remedyFor(first.answer.broken[0]!, first)!;
    expect(remedy).toMatchObject({ is: 'smaller', address: LARGE.address });
    if (remedy.is !== 'smaller') return;
    // Built so, it is kept; one size larger, it is not.
    const size = remedy.size.replace(/^NV-/i, '').toLowerCase();
    const again = held(
      [{ ...LARGE, after: server(size) }, SMALL],
      'limits: [{ id: month, most: { total: 500 } }]',
    );
    expect(again.answer.state).toBe('kept');
    expect(again.review.totals.after).toBe(remedy.total);
  });

  it('name what to leave where no size does, and nothing where nothing does', () => {
    const tight = 'limits: [{ id: jump, most: { difference: 1 } }]';
    const one = held([LARGE], tight);
    expect(remedyFor(one.answer.broken[0]!, one)).toMatchObject({ is: 'leave', address: LARGE.address });
    const both = held([LARGE, SMALL], tight);
    expect(remedyFor(both.answer.broken[0]!, both)).toBeNull();
  });
});
