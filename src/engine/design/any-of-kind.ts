/** A component that stands for its whole kind at a place: for loading all its offers, or to begin one from. */
import type { Kind } from '../books';
import type { Component, Place } from './component';

/**
 * @example
 * anyOfKind('server', null).kind; // => 'server'
 */
export function anyOfKind(kind: Kind, place: Place | null, id: string = kind): Component {
  return {
    id,
    name: kind,
    kind,
    count: { likely: '1' },
    place,
    choice: { by: 'none' },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
  };
}
