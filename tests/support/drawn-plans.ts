/** Drawn changes of a plan: of every action, in modules or not, with and without a rule or a price. */
import fc from 'fast-check';
import type { Changed } from './plans';

type Values = Record<string, unknown>;

const sizes = fc.constantFrom('bal-2-8', 'bal-4-16', 'bal-8-32', 'odd-1-1');
const disk = fc.record({
  gib: fc.integer({ min: 1, max: 4000 }),
  class: fc.constantFrom('even', 'swift', 'quiet'),
});
const region = fc.constantFrom('severn-1', 'elbe-1', 'tasman-1');
const values = fc.oneof(
  fc.record({
    type: fc.constant('norvane_server'),
    values: fc.record({ size: sizes, region, disk: fc.array(disk, { maxLength: 3 }) }),
  }),
  fc.record({
    type: fc.constant('norvane_volume'),
    values: fc.record({ gib: fc.integer({ min: 1, max: 9000 }), region }),
  }),
  fc.record({ type: fc.constant('norvane_address'), values: fc.record({ region }) }),
  fc.record({ type: fc.constant('norvane_role'), values: fc.record({ name: fc.string() }) }),
  fc.record({ type: fc.constant('strange_thing'), values: fc.record({ a: fc.string() }) }),
);

const change = fc
  .record({
    what: values,
    other: values,
    how: fc.constantFrom('create', 'delete', 'update', 'replace', 'same', 'moved'),
    module: fc.constantFrom('', 'module.a', 'module.b["x"]'),
  })
  .map(({ what, other, how, module }): Omit<Changed, 'address'> & { type: string } => {
    // The other side is of the same type.
    const second = other.type === what.type ? (other.values as Values) : (what.values as Values);
    const first = what.values as Values;
    const type = what.type;
    const more = module === '' ? {} : { module };
    switch (how) {
      case 'create':
        return { type, ...more, actions: ['create'], after: first };
      case 'delete':
        return { type, ...more, actions: ['delete'], before: first };
      case 'update':
        return { type, ...more, actions: ['update'], before: first, after: second };
      case 'replace':
        return { type, ...more, actions: ['delete', 'create'], before: first, after: second };
      default:
        return {
          type,
          ...more,
          actions: ['no-op'],
          before: first,
          after: first,
          ...(how === 'moved' && { previous: `${type}.before` }),
        };
    }
  });

export const drawnChanges = fc.array(change, { maxLength: 25 }).map((all) =>
  all.map((each, at): Changed => ({
    ...each,
    address: `${each.module ? `${each.module}.` : ''}${each.type}.r${at}`,
    ...(each.previous && { previous: `${each.type}.before${at}` }),
  })),
);
