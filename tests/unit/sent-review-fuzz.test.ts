/** What a pipeline sends, spoilt in drawn ways: it is taken and worked out, or refused in words; nothing else ever happens. */
import { describe, expect, it } from 'vitest';
import { AppError } from '@/platform/use/app-error';
import { importBook } from '@/features/price-books/use/import-book';
import { listReviews, openReview, receiveReview } from '@/features/review/use/reviews';
import { readSentReview } from '@/features/review/format/review/sent-review';
import { memoryStores } from '@/stores/memory-stores';
import { smallBookFile } from '@tests/support/books';
import { serverOf, storeOf, transferOf, volumeOf } from '@tests/support/designs';
import { resourceOf, sentBody, serversReview, sideOf } from '@tests/support/sent-reviews';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { Dice } from '../reference/dice';
import { drawn, metAtLeast, TURN } from '@tests/support/drawn';

const base = serversReview(2, {
  load: 'wick: load-profile\nversion: 1\nloads:\n  - { address: "*", running: { pattern: always } }\n',
  limits:
    'wick: limits\nversion: 1\nlimits:\n  - { id: month, most: { total: 100 } }\n  - { id: purse, budget: true }\n',
  extract: {
    form: 'plan, format 1.2',
    map: 'Quay',
    remarks: [],
    resources: [
      ...serversReview(2).extract.resources,
      resourceOf('quay_volume.a', null, sideOf(volumeOf('quay_volume.a', { likely: '10' }))),
      resourceOf('quay_out.b', sideOf(transferOf('quay_out.b', { likely: '300' })), null),
      resourceOf('quay_store.c', null, sideOf(storeOf('quay_store.c', {}))),
      resourceOf(
        'module.x.quay_server.d',
        null,
        {
          is: 'lines',
          lines: [
            {
              is: 'unknown',
              part: 'disk',
              attributes: ['size'],
              among: [serverOf('module.x.quay_server.d')],
            },
          ],
        },
        { module: 'module.x', under: 'quay_server.web', tags: { team: 'x' } },
      ),
    ],
  },
});

const ODD: readonly unknown[] = [
  null,
  '',
  0,
  -1,
  1e308,
  '1e400',
  '-5',
  'NaN',
  '9'.repeat(400),
  true,
  [],
  {},
  [[]],
  { likely: '-1' },
  'on-demand',
  '__proto__',
  'quay_server.web',
  'lines',
  'cheapest',
  { by: 'none' },
  '\u0000',
  '\ud800',
  'x'.repeat(3000),
];

/** One value somewhere is another, is gone, or stands twice. */
function spoilt(data: unknown, dice: Dice): unknown {
  const places: { readonly holder: Record<string, unknown> | unknown[]; readonly key: string | number }[] =
    [];
  const visit = (value: unknown): void => {
    if (Array.isArray(value))
      value.forEach((each, key) => (places.push({ holder: value, key }), visit(each)));
    else if (typeof value === 'object' && value !== null)
      for (const key of Object.keys(value)) {
        places.push({ holder: value as Record<string, unknown>, key });
        visit((value as Record<string, unknown>)[key]);
      }
  };
  const copy = structuredClone(data);
  visit(copy);
  const { holder, key } = places[dice.number(0, places.length - 1)]!;
  const at = holder as Record<string | number, unknown>;
  const how = dice.number(0, 3);
  if (how === 0 && Array.isArray(holder)) holder.push(structuredClone(at[key]));
  else if (how === 1) delete at[key];
  else at[key] = structuredClone(ODD[dice.number(0, ODD.length - 1)]);
  return copy;
}

describe('a review as it is sent', () => {
  it('has each resource and each line once: twice would be counted once', () => {
    const [first] = base.extract.resources;
    const twice = { ...base.extract, resources: [...base.extract.resources, first!] };
    expect(readSentReview(sentBody({ ...base, extract: twice }))).toMatchObject({
      ok: false,
      faults: [
        { path: 'extract.resources[5].address', message: '“quay_server.web” stands twice' },
        { path: 'extract.resources[5].before' },
        { path: 'extract.resources[5].after' },
      ],
    });
    expect(readSentReview(sentBody(base)).ok).toBe(true);
  });

  it('is taken and worked out, or refused in words', async () => {
    const dice = new Dice(17 + TURN);
    const made = testContext(memoryStores());
    const context = { ...made, actor: { ...made.actor, role: 'admin' as const } };
    await importBook(context, uploadOf(smallBookFile()));
    let [taken, refused] = [0, 0];
    for (let run = 0; run < drawn(3000); run += 1) {
      let body: unknown = sentBody({ ...base, commit: `c${run}` });
      for (let times = dice.number(1, 3); times > 0; times -= 1) body = spoilt(body, dice);
      const before = performance.now();
      try {
        const { review } = await receiveReview(context, body);
        taken += 1;
        expect(review.summary, JSON.stringify(body)).not.toBeNull();
        await openReview(context, review.id);
      } catch (error) {
        if (!(error instanceof AppError))
          throw new Error(`run ${run}: ${JSON.stringify(body)}`, { cause: error });
        expect(error.code).toBe('invalid');
        refused += 1;
      }
      expect(performance.now() - before, `run ${run}`).toBeLessThan(2000);
    }
    expect(Math.min(taken, refused)).toBeGreaterThan(metAtLeast(100));
    expect((await listReviews(context)).every(({ summary }) => summary !== null)).toBe(true);
  }, 240_000);
});
