/** Norvane: the broadest of the demo's providers; commitments with three payments, graduated transfer, many services. */
import { NORVANE_AROUND } from './norvane-around';
import { NORVANE_FAMILIES } from './norvane-families';
import { NORVANE_STORED } from './norvane-stored';
import { commitments, exchangeable, type ProviderProfile } from './provider-profile';

const FIXED = commitments({
  12: { none: 0.27, part: 0.315, all: 0.33 },
  36: { none: 0.455, part: 0.492, all: 0.515 },
});

export const NORVANE: ProviderProfile = {
  key: 'norvane',
  provider: 'Norvane',
  currency: 'USD',
  skuPrefix: 'NV',
  monthHours: '730',
  regions: [
    { water: 'severn', code: 'severn-1', factor: 1.04 },
    { water: 'skagerrak', code: 'skagerrak-1', factor: 0.98 },
    { water: 'tagus', code: 'tagus-1', factor: 1.02 },
    { water: 'elbe', code: 'elbe-1', factor: 1.06 },
    { water: 'hudson', code: 'hudson-1', factor: 1 },
    { water: 'columbia', code: 'columbia-1', factor: 0.97 },
    { water: 'plata', code: 'plata-1', factor: 1.38 },
    { water: 'mekong', code: 'mekong-1', factor: 1.19 },
    { water: 'tasman', code: 'tasman-1', factor: 1.24 },
  ],
  families: NORVANE_FAMILIES,
  serverUnit: 'hour',
  terms: [
    ...FIXED,
    ...exchangeable(FIXED, 0.06),
    { term: 'interruptible', discount: 0.64, range: [0.7, 1.6] },
  ],
  habits: { rate: { increment: { step: '1', unit: 'second', least: '60' } } },
  licences: [
    { product: 'atrium-server', coreHour: 0.0461, least: null },
    { product: 'castrum-db', coreHour: 0.1893, least: '4' },
  ],
  services: [...NORVANE_STORED, ...NORVANE_AROUND],
  leastRates: 22_000,
};
