import { designOf, serverOf } from '@tests/support/designs';
import { describe, expect, it } from 'vitest';
import { anyAlternative } from '@tests/support/alternatives';
import fc from 'fast-check';
import { applyEdits, type Design, editsBetween } from '@/engine/design';
import { editSchema } from './edit';
import { readDesign, writeDesign } from './design';

const design = designOf([serverOf('a')]);
const other = (part: object): unknown => ({ id: 'x', name: 'Other', note: '', changes: [], ...part });
const file = (alternatives: unknown): string =>
  JSON.stringify({ format: 'wick-design', version: 1, design: { ...design, alternatives } });

function faults(alternatives: unknown): string[] {
  const read = readDesign(file(alternatives));
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
}
const change = (part: object): unknown[] => [other({ changes: [part] })];

describe('alternatives in a design file', () => {
  it('come out as they went in', () => {
    fc.assert(
      fc.property(fc.array(anyAlternative, { minLength: 1, maxLength: 4 }), (list) => {
        const with_: Design = {
          ...design,
          alternatives: list.map((each, at) => ({ ...each, id: `o${at}` })),
        };
        const read = readDesign(writeDesign(with_));
        expect(read.ok && read.value).toEqual(with_);
      }),
    );
  });

  it.each<[string, unknown, RegExp]>([
    ['two of one id', [other({}), other({})], /alternatives\[1\]\.id: the id “x” stands twice/],
    ['no name', [other({ name: '' })], /alternatives\[0\]\.name: must not be empty/],
    ['a change of no kind', change({ change: 'juggle' }), /alternatives\[0\]\.changes\[0\]/],
    ['a reach of nothing', change({ change: 'size', what: { of: 'lines', ids: [] } }), /at least 1/],
    [
      'an unknown way of paying',
      change({ change: 'pay', what: { of: 'all' }, term: '7-none' }),
      /changes\[0\]\.term/,
    ],
    ['negative traffic', change({ change: 'traffic', what: { of: 'all' }, times: '-1' }), /times/],
    ['too much traffic', change({ change: 'traffic', what: { of: 'all' }, times: '10001' }), /ten thousand/],
    [
      'traffic too finely divided',
      change({ change: 'traffic', what: { of: 'all' }, times: '0.0000001' }),
      /6 digits/,
    ],
    [
      'an alternative within an alternative',
      change({ change: 'edit', edit: { edit: 'remove-alternative', id: 'x' } }),
      /changes\[0\]\.edit/,
    ],
    ['a field that there is not', [other({ colour: 'red' })], /colour/],
    ['too many', Array.from({ length: 25 }, (_, at) => other({ id: `o${at}` })), /alternatives/],
  ])('are refused with the place: %s', (_, alternatives, message) => {
    expect(faults(alternatives).join('\n')).toMatch(message);
  });

  it('that refer to what is not there are opened: the change is told as one that does not apply', () => {
    expect(faults(change({ change: 'leave-out', what: { of: 'lines', ids: ['gone'] } }))).toEqual([]);
    expect(faults(change({ change: 'revision', book: 'nowhere', revision: 9 }))).toEqual([]);
  });
});

describe('edits of alternatives', () => {
  it('come over the wire, and take one list to another and back', () => {
    const lists = fc.array(anyAlternative, { maxLength: 4 }).chain((list) => {
      const named = list.map((each, at) => ({ ...each, id: `o${at}` }));
      return fc.shuffledSubarray(named);
    });
    fc.assert(
      fc.property(lists, lists, (before, after) => {
        const from: Design = before.length > 0 ? { ...design, alternatives: before } : design;
        const to: Design = after.length > 0 ? { ...design, alternatives: after } : design;
        const edits = editsBetween(from, to);
        for (const each of edits) expect(editSchema.safeParse(each).success).toBe(true);
        const done = applyEdits(from, edits);
        expect(done.ok && done.value.design).toEqual(to);
        const undone = done.ok && applyEdits(done.value.design, done.value.inverse);
        expect(undone && undone.ok && undone.value.design).toEqual(from);
      }),
    );
  });
});
