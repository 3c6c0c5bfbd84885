/** The demo's five providers. */
import { HALDREACH } from './haldreach';
import { KITEWHARF } from './kitewharf';
import { NORVANE } from './norvane';
import { OSMERE } from './osmere';
import { PENNYBYRE } from './pennybyre';
import type { ProviderProfile } from './provider-profile';

export const DEMO_PROFILES: readonly ProviderProfile[] = [NORVANE, HALDREACH, OSMERE, KITEWHARF, PENNYBYRE];
