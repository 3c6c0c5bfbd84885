/** What else the demo's designs could be: each of them asked about by somebody at the ferries. */
import type { Alternative, Change, Design, Scope } from '@/engine/design';
import { DEMO_REVISIONS } from './generate-book';

const LATEST = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!.number;
const ALL: Scope = { of: 'all' };

const to = (book: string, region: string | null = null, what: Scope = ALL): Change => ({
  change: 'move',
  what,
  book,
  revision: LATEST,
  region,
});

const one = (id: string, name: string, note: string, ...changes: Change[]): Alternative => ({
  id,
  name,
  note,
  changes,
});

const BY_TITLE: Readonly<Record<string, readonly Alternative[]>> = {
  'Booking and check-in': [
    one('osmere', 'All at Osmere', 'Can the booking system leave Norvane?', to('osmere')),
    one('haldreach', 'All at Haldreach', '', to('haldreach')),
    one(
      'committed',
      'Committed for three years',
      'Only what the board would sign: nothing that is sized by the season.',
      { change: 'pay', what: ALL, term: '36-part' },
    ),
    one(
      'lean-start',
      'A lean start',
      'Half the travellers in the first season, and staging only when somebody asks for it.',
      { change: 'leave-out', what: { of: 'section', id: 's4' } },
      { change: 'traffic', what: ALL, times: '0.5' },
      { change: 'size', what: ALL, allowBurstable: true },
    ),
  ],
  'Live sailing map': [
    one('norvane', 'All at Norvane', '', to('norvane')),
    one('kitewharf', 'All at Kitewharf', 'The harbour masters like their console.', to('kitewharf')),
    one('storm', 'A month of storms', 'November as it was two years ago.', {
      change: 'traffic',
      what: ALL,
      times: '3',
    }),
  ],
  'Harbour camera archive': [
    one('osmere', 'At Osmere', 'And what bringing it back costs there.', to('osmere')),
    one('haldreach', 'At Haldreach', '', to('haldreach')),
    one('at-home', 'In the country', 'As the harbour office asks.', to('norvane', 'severn-1')),
  ],
};

export function withAlternatives(design: Design): Design {
  const alternatives = BY_TITLE[design.title];
  return alternatives ? { ...design, alternatives } : design;
}
