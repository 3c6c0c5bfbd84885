/**
 * Starters of our own: typical designs by kind of work, without a provider. Quantities are what a small harbour town's
 * ferry line would have; each is there to be changed.
 */
import { DATA_STARTERS } from './data-starters';
import { SITE_STARTERS } from './site-starters';
import type { Starter } from './starter-types';

export const STARTERS: readonly Starter[] = [...SITE_STARTERS, ...DATA_STARTERS];
