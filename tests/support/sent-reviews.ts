/** Change reviews as a pipeline sends them, over the small book. */
import type { Component } from '@/engine/design';
import type { MappedResource, MappedSide } from '@/features/review/calc';
import type { SentReview } from '@/features/review/format/review/sent-review';
import { serverOf } from './designs';

export const sideOf = (...components: readonly Component[]): MappedSide => ({
  is: 'lines',
  lines: components.map((component) => ({ is: 'line', part: null, component })),
});

export function resourceOf(
  address: string,
  before: MappedSide | null,
  after: MappedSide | null,
  part: Partial<MappedResource> = {},
): MappedResource {
  const action = before === null ? 'create' : after === null ? 'delete' : 'update';
  return {
    ...{ address, movedFrom: null, module: '', type: address.split('.')[0]!, action, under: null },
    ...{ tags: null, before, after, read: [] },
    ...part,
  };
}

/** One server becomes so many: 73.00 a month each. */
export function serversReview(count: number, part: Partial<SentReview> = {}): SentReview {
  const id = 'quay_server.web';
  return {
    ...{ repository: 'quay/harbour', change: '7', commit: 'a1', branch: 'more', title: 'More of it' },
    ...{ author: 'Mirren Holt', phase: 'open', load: null, limits: null },
    extract: {
      form: 'plan, format 1.2',
      map: 'Quay',
      resources: [
        resourceOf(id, sideOf(serverOf(id)), sideOf(serverOf(id, { count: { likely: String(count) } }))),
      ],
      remarks: [],
    },
    ...part,
  };
}

/** As it is sent. */
export const sentBody = (review: SentReview): object => ({ wick: 'change-review', version: 1, ...review });
