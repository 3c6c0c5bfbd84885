/** A change of code and the design it came from: which line is which, what moves, and that everything can be taken back. */
import { describe, expect, it } from 'vitest';
import { designOf, serverOf, volumeOf } from '@tests/support/designs';
import { resourceOf, sideOf } from '@tests/support/sent-reviews';
import { smallBooks } from '@tests/support/books';
import { allComponents, applyEdits, type Component, type Design } from '@/engine/design';
import {
  acceptEdits,
  codeLinesOf,
  designEffect,
  type Extract,
  isChanged,
  type LineMatches,
  type MappedResource,
  matchLines,
  originOf,
} from '@/features/review/calc';

const REPOSITORY = 'quay/harbour';
const extractOf = (...resources: readonly MappedResource[]): Extract => ({
  ...{ form: 'plan', map: 'Quay', resources, remarks: [] },
});
/** As a map makes it: known by its address. */
const at = (address: string, part: Partial<Component> = {}): Component =>
  serverOf(address, { name: address, ...part });
const counted = (name: string, from: number, to: number, sku = 'A-4', before = 'A-4'): MappedResource[] =>
  Array.from({ length: Math.max(from, to) }, (_, n) => {
    const address = `${name}[${n}]`;
    const side = (limit: number, size: string) =>
      n < limit ? sideOf(at(address, { choice: { by: 'sku', sku: size } })) : null;
    return resourceOf(address, side(from, before), side(to, sku));
  });

let made = 0;
const newId = (): string => `new-${(made += 1)}`;

function accepted(design: Design, extract: Extract, said: LineMatches = {}) {
  const lines = codeLinesOf(extract);
  const matches = matchLines(design, lines, REPOSITORY, said);
  const pins = [{ book: 'small', revision: 3 }];
  const edits = acceptEdits({ design, lines, matches, repository: REPOSITORY, pins, newId });
  const effect = designEffect(design, edits, smallBooks());
  if (!effect.ok) throw new Error(effect.issue.code);
  return { lines, matches, edits, ...effect.value };
}

const pinned = { books: [{ book: 'small', revision: 3 }] };

describe('lines of code', () => {
  it('are one line with their number where counted resources are alike', () => {
    const [line, ...others] = codeLinesOf(extractOf(...counted('quay_server.web', 2, 5)));
    expect(others).toEqual([]);
    expect(line).toMatchObject({
      id: 'quay_server.web',
      before: { count: { likely: '2' } },
      after: { count: { likely: '5' } },
    });
    expect(line!.addresses).toHaveLength(5);
    expect(isChanged(line!)).toBe(true);
  });

  it('stay apart where one of them is another size', () => {
    const [first, second] = counted('quay_server.web', 2, 2);
    const other = resourceOf(
      'quay_server.web[1]',
      second!.before,
      sideOf(at('quay_server.web[1]', { choice: { by: 'sku', sku: 'A-8' } })),
    );
    const lines = codeLinesOf(extractOf(first!, other));
    expect(lines.map(({ id }) => id)).toEqual(['quay_server.web[0]', 'quay_server.web[1]']);
    expect(lines.map(isChanged)).toEqual([false, true]);
  });

  it('are open where what it is is not known, on one side or without a rule', () => {
    const unknown = {
      is: 'lines' as const,
      lines: [{ is: 'unknown' as const, part: null, attributes: ['size'], among: [] }],
    };
    const lines = codeLinesOf(
      extractOf(resourceOf('quay_server.a', sideOf(at('quay_server.a')), unknown), {
        ...resourceOf('quay_light.b', null, { is: 'no-rule' }),
      }),
    );
    expect(lines.map(({ id, isOpen }) => [id, isOpen])).toEqual([['quay_server.a', true]]);
  });
});

describe('which line is which', () => {
  const extract = extractOf(...counted('quay_server.web', 2, 3));

  it('is found where only one is alike', () => {
    const design = designOf([
      serverOf('front', { count: { likely: '2' } }),
      volumeOf('disk', { likely: '5' }),
    ]);
    const { matches, edits } = accepted(design, extract);
    expect(matches.get('quay_server.web')).toEqual({ is: 'line', line: 'front' });
    expect(edits).toContainEqual({
      ...{ edit: 'set-component', id: 'front', field: 'count', value: { likely: '3' } },
    });
  });

  it('is not guessed where two are', () => {
    const { matches, edits } = accepted(designOf([serverOf('a'), serverOf('b')]), extract);
    expect(matches.get('quay_server.web')).toEqual({ is: 'none' });
    expect(edits).toEqual([]);
  });

  it('is as people say, even that it is none', () => {
    const design = designOf([serverOf('a'), serverOf('b')]);
    const said = { 'quay_server.web': { is: 'line' as const, line: 'b' } };
    expect(accepted(design, extract, said).edits.map((edit) => 'id' in edit && edit.id)).toEqual(['b', 'b']);
    const none = { 'quay_server.web': { is: 'none' as const } };
    expect(accepted(designOf([serverOf('a')]), extract, none).edits).toEqual([]);
    // A line that is gone is nobody's.
    const gone = { 'quay_server.web': { is: 'line' as const, line: 'away' } };
    expect(accepted(design, extract, gone).matches.get('quay_server.web')).toEqual({ is: 'none' });
  });

  it('is of the same kind: a server does not become a volume', () => {
    const design = designOf([volumeOf('disk', { likely: '5' })]);
    const said = { 'quay_server.web': { is: 'line' as const, line: 'disk' } };
    expect(accepted(design, extract, said).edits).toEqual([]);
  });

  it('that people said is new is new once', () => {
    const design = designOf([serverOf('a'), serverOf('b')], pinned);
    const said = { 'quay_server.web': { is: 'new' as const } };
    const first = accepted(design, extract, said);
    expect(first.totals.difference).toBe('219');
    expect(accepted(first.design, extract, said).edits).toEqual([]);
  });

  it('is remembered by where a line came from, also after the resource was moved', () => {
    const first = accepted(designOf([], pinned), extractOf(...counted('quay_server.web', 0, 2)));
    const [component] = allComponents(first.design);
    expect(component!.origin).toBe(originOf(REPOSITORY, 'quay_server.web'));
    const moved = counted('quay_server.front', 2, 4).map((each, n) => ({
      ...each,
      movedFrom: n < 2 ? `quay_server.web[${n}]` : null,
    }));
    const second = accepted(first.design, extractOf(...moved));
    expect(second.matches.get('quay_server.front')).toEqual({ is: 'line', line: component!.id });
  });

  it('keeps what people planned otherwise: only what the change changes is taken over', () => {
    const design = designOf([
      serverOf('front', { count: { likely: '9' }, term: '12-none', name: 'Front of the harbour' }),
    ]);
    const size = extractOf(...counted('quay_server.web', 2, 2, 'A-8'));
    const { design: after, edits } = accepted(design, size);
    expect(edits.map((edit) => 'field' in edit && edit.field)).toEqual(['choice', 'origin']);
    expect(allComponents(after)[0]).toMatchObject({
      ...{ name: 'Front of the harbour', count: { likely: '9' }, term: '12-none' },
      choice: { sku: 'A-8' },
    });
  });
});

describe('a change taken over', () => {
  it('moves the design by what its lines move, and is taken back whole', () => {
    const design = designOf(
      [serverOf('front', { count: { likely: '2' } }), volumeOf('disk', { likely: '5' })],
      pinned,
    );
    const {
      totals,
      rows,
      inverse,
      design: after,
    } = accepted(design, extractOf(...counted('quay_server.web', 2, 3)));
    expect(totals.difference).toBe('73');
    expect(rows).toMatchObject([{ id: 'front', before: '146', after: '219', difference: '73' }]);
    const back = applyEdits(after, inverse);
    expect(back.ok && back.value.design).toEqual(design);
  });

  it('brings new lines into a section for their module, and takes gone ones out', () => {
    const fresh = counted('quay_server.web', 0, 2).map((each) => ({
      ...each,
      module: 'module.harbour.module.web',
    }));
    const first = accepted(designOf([], pinned), extractOf(...fresh));
    expect(first.design.sections.at(-1)).toMatchObject({ name: 'harbour / web' });
    expect(first.totals.difference).toBe('146');
    const gone = counted('quay_server.web', 2, 0).map((each) => ({
      ...each,
      module: 'module.harbour.module.web',
    }));
    const second = accepted(first.design, extractOf(...gone));
    expect(allComponents(second.design)).toEqual([]);
    expect(second.totals.difference).toBe('-146');
  });

  it('says nothing the second time', () => {
    const extract = extractOf(...counted('quay_server.web', 0, 2));
    const first = accepted(designOf([], pinned), extract);
    expect(accepted(first.design, extract).edits).toEqual([]);
  });

  it('pins the book of what comes in, where the design has none', () => {
    const { design, totals } = accepted(
      designOf([], { books: [] }),
      extractOf(...counted('quay_server.web', 0, 1)),
    );
    expect(design.books).toEqual([{ book: 'small', revision: 3 }]);
    expect(totals.difference).toBe('73');
  });
});
