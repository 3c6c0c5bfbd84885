/** Osmere: by the second, cheaper the longer it runs; two price bands of regions; spend commitments. */
import { OSMERE_FAMILIES } from './osmere-families';
import { OSMERE_SERVICES } from './osmere-services';
import { commitments, type ProviderProfile } from './provider-profile';

const NEAR = { 'container-run-time': 'near', function: 'near' } as const;
const FAR = { 'container-run-time': 'far', function: 'far' } as const;
export const OSMERE: ProviderProfile = {
  key: 'osmere',
  provider: 'Osmere',
  currency: 'USD',
  skuPrefix: 'OS',
  monthHours: '730',
  regions: [
    { water: 'elbe', code: 'de.elbe', factor: 1.03, bands: NEAR },
    { water: 'severn', code: 'uk.severn', factor: 1.07, bands: NEAR },
    { water: 'tagus', code: 'pt.tagus', factor: 1.01, bands: NEAR },
    { water: 'hudson', code: 'us.hudson', factor: 1, bands: NEAR },
    { water: 'columbia', code: 'us.columbia', factor: 1, bands: NEAR },
    { water: 'plata', code: 'ar.plata', factor: 1.31, bands: FAR },
    { water: 'mekong', code: 'vn.mekong', factor: 1.14, bands: FAR },
    { water: 'tasman', code: 'au.tasman', factor: 1.21, bands: FAR },
  ],
  families: OSMERE_FAMILIES,
  serverUnit: 'second',
  terms: [
    ...commitments({ 12: { none: 0.29 }, 36: { none: 0.46 } }, { rule: 're-rate' }),
    { term: 'spend-12-none', discount: 0.24 },
    { term: 'spend-36-none', discount: 0.41 },
    { term: 'interruptible', discount: 0.68, range: [0.8, 1.9] },
  ],
  habits: {
    rate: {
      sustained: [
        { upTo: '0.25', multiplier: '1' },
        { upTo: '0.5', multiplier: '0.87' },
        { upTo: '0.75', multiplier: '0.73' },
        { upTo: '1', multiplier: '0.6' },
      ],
    },
  },
  services: OSMERE_SERVICES,
};
