/** What becomes of a line that is moved. */
import type { Issue } from '../base';
import type { Component } from '../design';

export type Moved =
  /** `notes`: what is another than before beside the place. */
  | { readonly moved: true; readonly component: Component; readonly notes: readonly Issue[] }
  | { readonly moved: false; readonly why: Issue };

export const stays = (why: Issue): Moved => ({ moved: false, why });
