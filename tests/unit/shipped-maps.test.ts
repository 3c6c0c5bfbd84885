/** The maps that ship: their examples hold, and everything that a rule makes of an example has a price in its book. */
import { describe, expect, it } from 'vitest';
import { parse } from 'yaml';
import { reviewOf } from '@/features/review/calc';
import { DEMO_MAPS } from '@/demo/maps';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { extractOf } from '@/features/review/calc';
import { readPlanData } from '@/features/review/format/plan/read-plan';
import { planJson } from '@tests/support/plans';
import { demoBookSet, demoMap, demoSetting, fine } from '@tests/support/reviews';

interface WrittenMap {
  readonly rules: readonly {
    readonly type: string;
    readonly examples?: readonly { readonly values: object; readonly settings?: Record<string, string> }[];
  }[];
}

/** Of euros into dollars, for the one book that is in euros. */
const exchange = [{ from: 'EUR', to: 'USD', rate: '1.1', date: '2026-11-01' }];

describe.each(Object.entries(DEMO_MAPS))('the map of %s', (provider, text) => {
  it('is read, with examples that hold', () => {
    expect(fine(readResourceMap(text)).rules.length).toBeGreaterThan(5);
  });

  it('gives sizes that its book sells', () => {
    const { rules } = parse(text) as WrittenMap;
    const tried = rules.flatMap(({ type, examples = [] }) =>
      examples.map((example) => ({ type, ...example })),
    );
    expect(tried.length).toBeGreaterThan(1);
    for (const { type, values, settings = {} } of tried) {
      const plan = planJson([{ address: `${type}.example`, after: values as Record<string, unknown> }], {
        configuration: {
          provider_config: {
            [provider]: {
              name: provider,
              full_name: `registry.example/skerrow/${provider}`,
              expressions: Object.fromEntries(
                Object.entries(settings).map(([key, value]) => [key, { constant_value: value }]),
              ),
            },
          },
          root_module: {},
        },
      }) as { resource_changes: { provider_name: string }[] };
      plan.resource_changes[0]!.provider_name = `registry.example/skerrow/${provider}`;
      const extract = extractOf(fine(readPlanData(plan)), demoMap);
      const setting = { ...demoSetting, assumptions: { ...demoSetting.assumptions, exchange } };
      const profile = { title: '', loads: [] };
      const { review } = reviewOf({ extract, profile, setting, books: demoBookSet() });
      const doubts = review.rows.flatMap((row) => row.doubts);
      // Use that no plan knows may be missing; a size without a price may not.
      expect(
        doubts.filter((doubt) => doubt !== 'usage-missing'),
        `${type} ${JSON.stringify(review.rows)}`,
      ).toEqual([]);
    }
  });
});
