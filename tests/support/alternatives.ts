/** Random changes for the designs of `wide-designs.ts`. */
import fc from 'fast-check';
import type { Alternative, Change, Scope } from '@/engine/design';

const scope: fc.Arbitrary<Scope> = fc.oneof(
  fc.constant<Scope>({ of: 'all' }),
  fc.constant<Scope>({ of: 'section', id: 's' }),
  fc
    .uniqueArray(fc.integer({ min: 0, max: 9 }), { minLength: 1, maxLength: 4 })
    .map((ids): Scope => ({ of: 'lines', ids: ids.map((id) => `c${id}`) })),
);

const anyChange: fc.Arbitrary<Change> = fc.oneof(
  fc
    .record({ what: scope, region: fc.constantFrom('elbe', 'severn', null) })
    .map(({ what, region }): Change => ({ change: 'move', what, book: 'wide', revision: 1, region })),
  fc
    .record({
      what: scope,
      term: fc.constantFrom('12-none', '12-part', '36-all', 'on-demand', 'interruptible'),
    })
    .map((each) => ({ change: 'pay', ...each }) as Change),
  fc
    .record({ what: scope, times: fc.constantFrom('0', '0.5', '3', '1.25') })
    .map((each): Change => ({ change: 'traffic', ...each })),
  scope.map((what): Change => ({ change: 'size', what })),
  scope.map((what): Change => ({ change: 'licences', what, how: 'brought' })),
  scope.map((what): Change => ({ change: 'leave-out', what })),
  fc.integer({ min: 0, max: 9 }).map((id): Change => ({
    change: 'edit',
    edit: { edit: 'set-component', id: `c${id}`, field: 'count', value: { likely: '3' } },
  })),
  fc.boolean().map((value): Change => ({
    change: 'edit',
    edit: { edit: 'set-assumption', field: 'countAllowances', value },
  })),
);

export const anyAlternative: fc.Arbitrary<Alternative> = fc
  .array(anyChange, { minLength: 1, maxLength: 4 })
  .map((changes) => ({ id: 'other', name: 'Other', note: '', changes }));
