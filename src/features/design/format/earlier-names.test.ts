import { describe, expect, it } from 'vitest';
import { designOf, serverOf } from '@tests/support/designs';
import { readDesign, writeDesign } from './design';
import { editBatchSchema } from './edit';
import { editsToday } from './earlier-names';

const SHARE = { likely: '0.25' };

describe('names from before', () => {
  it('are read in design files, and written by the names of today', () => {
    const design = designOf([serverOf('a', { allocated: SHARE, name: 'borne' })]);
    const before = writeDesign(design).replace('"allocated"', '"borne"');
    const read = readDesign(before);
    expect(read.ok && read.value).toEqual(design);
    expect(read.ok && writeDesign(read.value)).toContain('"allocated"');
    expect(read.ok && writeDesign(read.value)).not.toContain('"borne":');
  });

  it('are read in edits that a browser kept', () => {
    const { allocated: _, ...bare } = serverOf('b', { allocated: SHARE });
    const batch = {
      baseRevision: 0,
      batch: '00000000-0000-4000-8000-000000000001',
      edits: [
        { edit: 'set-component', id: 'a', field: 'borne', value: SHARE },
        { edit: 'add-component', section: 's', index: 0, component: { ...bare, borne: SHARE } },
        {
          edit: 'add-section',
          index: 0,
          section: { id: 's', name: 'S', components: [{ ...bare, borne: SHARE }] },
        },
        { edit: 'set-component', id: 'a', field: 'name', value: 'borne' },
      ],
    };
    expect(editBatchSchema.safeParse(batch).success).toBe(false);
    const today = editBatchSchema.parse(editsToday(batch));
    expect(today.edits).toMatchObject([
      { field: 'allocated' },
      { component: { allocated: SHARE } },
      { section: { components: [{ allocated: SHARE }] } },
      { field: 'name', value: 'borne' },
    ]);
  });

  it('leave alone what is nothing of ours', () => {
    for (const odd of [null, 3, [], 'x', { edits: [null, 3, { edit: 'add-section' }] }, { edits: 'x' }])
      expect(editsToday(odd)).toEqual(odd);
    expect(readDesign('{"design":{"sections":[3,null]}}').ok).toBe(false);
  });
});
