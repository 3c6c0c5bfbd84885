import { describe, expect, it } from 'vitest';
import { designOf, serverOf, volumeOf } from '@tests/support/designs';
import type { Edit } from '@/engine/design';
import { describeEdits } from './describe-edits';

const design = designOf([
  serverOf('a', { name: 'Front' }),
  volumeOf('v', { likely: '80' }, { name: 'Disk' }),
]);
const set = (field: string, value: unknown): Edit =>
  ({ edit: 'set-component', id: 'a', field, value }) as unknown as Edit;

describe('edits in words', () => {
  it.each<[Edit, string]>([
    [set('count', { likely: '4', heavy: '9' }), 'The count of “Front”: 4, heavy 9'],
    [set('name', 'Web'), 'The name of “Front”: Web'],
    [set('term', '36-part'), 'The way of paying of “Front”: 36 months, part upfront'],
    [set('place', { book: 'small', region: 'severn' }), 'The place of “Front”: small, severn'],
    [set('place', null), 'The place of “Front”: none'],
    [set('choice', { by: 'sku', sku: 'A-8' }), 'The offer of “Front”: A-8'],
    [set('running', { pattern: 'always' }), 'The running hours of “Front”: always'],
    [set('size', { vcpu: { likely: '2' }, memory: { likely: '4' } }), 'The size of “Front”: 2 vCPU, 4 GiB'],
    [set('mayBeStopped', true), 'Whether it may be stopped of “Front”: yes'],
    [set('committed', { likely: '3' }), 'The committed units of “Front”: 3'],
    [set('months', { from: 2, to: 7 }), 'The months of “Front”: from 2 to 7'],
    [set('licences', [{ product: 'castrum', how: 'brought' }]), 'The licences of “Front”: castrum brought'],
    [set('guesses', ['count']), 'What is a guess of “Front”: 1 marked'],
    [set('load', { rate: {} }), 'The load of “Front”: changed'],
    [
      { edit: 'set-usage', id: 'v', meter: 'capacity', value: { amount: { likely: '9' }, unit: 'GiB' } },
      'Capacity set aside of “Disk”: 9 GiB',
    ],
    [
      { edit: 'set-assumption', field: 'countAllowances', value: false },
      'The countAllowances of the design: no',
    ],
    [
      { edit: 'set-assumption', field: 'month', value: { hours: '744' } },
      'The month of the design: 744 h month',
    ],
    [{ edit: 'set-assumption', field: 'budget', value: null }, 'The budget of the design: none'],
    [{ edit: 'rename-section', id: 'section', name: 'Web' }, 'The name of the section “Section”: Web'],
    [{ edit: 'move-component', id: 'a', section: 'section', index: 1 }, '“Front” moved'],
    [{ edit: 'remove-component', id: 'v' }, '“Disk” removed'],
    [{ edit: 'remove-section', id: 'section' }, 'Section “Section” removed'],
    [
      { edit: 'pin-books', books: [{ book: 'small', revision: 4 }] },
      'The price books of the design: small r4',
    ],
    [{ edit: 'answer-check', check: 'no-backup', subject: '', reason: 'No.' }, 'The answer to a check: No.'],
  ])('%#: %j', (edit, words) => expect(describeEdits([edit], design)).toEqual([words]));

  it('say a line that is taken out and put in again once, and what is the same once', () => {
    const edits: Edit[] = [
      { edit: 'remove-component', id: 'a' },
      { edit: 'add-component', section: 'section', index: 1, component: serverOf('a', { name: 'Front' }) },
      { edit: 'add-section', index: 1, section: { id: 'n', name: 'New', components: [] } },
      { edit: 'add-section', index: 1, section: { id: 'm', name: 'New', components: [] } },
    ];
    expect(describeEdits(edits, design)).toEqual(['“Front” added, server', 'Section “New” added, 0 lines']);
  });
});
