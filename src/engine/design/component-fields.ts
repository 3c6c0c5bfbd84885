/**
 * Every field of a component that an edit sets as a whole. From this list come the edits, their schemas, what two
 * revisions differ in, and the words for it: a field that is not in it does not compile.
 */
import type { Component } from './component';

export const COMPONENT_FIELDS = [
  'name',
  'count',
  'place',
  'choice',
  'running',
  'term',
  'size',
  'load',
  'zones',
  'committed',
  'mayBeStopped',
  'licences',
  'months',
  'custom',
  'later',
  'allocated',
  'guesses',
  'measured',
  'origin',
  'tags',
] as const satisfies readonly (keyof Component)[];

export type ComponentField = (typeof COMPONENT_FIELDS)[number];

/** `id` and `kind` never change; `usage` is set meter by meter; a fault is found, not set. */
type Forgotten = Exclude<keyof Component, ComponentField | 'id' | 'kind' | 'usage' | 'faults'>;
const _NONE_FORGOTTEN: [Forgotten] extends [never] ? true : Forgotten = true;
