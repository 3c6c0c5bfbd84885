/** Norvane: the broadest of the demo's providers; commitments with three payments, graduated transfer. */
import type { ProviderProfile } from './provider-profile';

const SIZES = [1, 2, 4, 8, 12, 16, 24, 32, 48, 64, 96];

export const NORVANE: ProviderProfile = {
  key: 'norvane',
  provider: 'Norvane',
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
  families: [
    { code: 'bal', name: 'Balanced', processor: 'Halden', memoryPerVcpu: 4, sizes: SIZES, vcpuHour: 0.0271, gibHour: 0.00318, drift: 1 },
    { code: 'balm', name: 'Balanced', processor: 'Merrow', memoryPerVcpu: 4, sizes: SIZES, vcpuHour: 0.0224, gibHour: 0.00271, drift: 0.98 },
    { code: 'cpu', name: 'Compute-heavy', processor: 'Halden', memoryPerVcpu: 2, sizes: SIZES.slice(1), vcpuHour: 0.0312, gibHour: 0.0031, drift: 1 },
    { code: 'mem', name: 'Memory-heavy', processor: 'Halden', memoryPerVcpu: 8, sizes: SIZES.slice(1), vcpuHour: 0.0264, gibHour: 0.00372, drift: 1.04 },
    { code: 'memm', name: 'Memory-heavy', processor: 'Merrow', memoryPerVcpu: 8, sizes: SIZES.slice(1), vcpuHour: 0.0231, gibHour: 0.00334, onlyIn: ['severn', 'hudson', 'columbia', 'skagerrak'], drift: 1 },
    { code: 'lit', name: 'Light duty', processor: 'Merrow', memoryPerVcpu: 2, sizes: [1, 2, 4, 8], vcpuHour: 0.0117, gibHour: 0.0021, burstable: true, drift: 1 },
    { code: 'bal0', name: 'Balanced, earlier', processor: 'Halden', memoryPerVcpu: 4, sizes: SIZES.slice(0, 8), vcpuHour: 0.0306, gibHour: 0.0034, retires: { date: '2027-06-30', successor: 'bal' }, drift: 1 },
  ],
  serverUnit: 'hour',
  commitments: {
    12: { none: 0.27, part: 0.315, all: 0.33 },
    36: { none: 0.455, part: 0.492, all: 0.515 },
  },
  volumes: [
    { code: 'vol-even', name: 'Volume, even', note: 'Solid state for most work.', perGibMonth: 0.0834 },
    { code: 'vol-swift', name: 'Volume, swift', note: 'Solid state with low delay, for databases.', perGibMonth: 0.1312 },
    { code: 'vol-steady', name: 'Volume, steady', note: 'Magnetic, for long reads in sequence.', perGibMonth: 0.0471 },
    { code: 'vol-quiet', name: 'Volume, quiet', note: 'Magnetic, seldom read.', perGibMonth: 0.0162 },
  ],
  stores: [
    {
      code: 'store-near',
      name: 'Store, near',
      note: 'Read often.',
      unit: 'GB-month',
      stored: [
        { upTo: '50000', price: 0.0232 },
        { upTo: '500000', price: 0.0218 },
        { upTo: null, price: 0.0207 },
      ],
      requestUnit: 'thousand requests',
      write: 0.0052,
      read: 0.00041,
      drift: 0.98,
    },
    {
      code: 'store-far',
      name: 'Store, far',
      note: 'Read a few times a year; reading costs more.',
      unit: 'GB-month',
      stored: [{ upTo: null, price: 0.0104 }],
      requestUnit: 'thousand requests',
      write: 0.0102,
      read: 0.00107,
      drift: 1,
    },
    {
      code: 'store-deep',
      name: 'Store, deep',
      note: 'Kept for years, read in hours.',
      unit: 'GB-month',
      stored: [{ upTo: null, price: 0.0012 }],
      requestUnit: 'thousand requests',
      write: 0.0513,
      read: 0.0211,
      drift: 1,
    },
  ],
  transfer: {
    code: 'out',
    name: 'Transfer to the internet',
    unit: 'GB',
    allowance: '100',
    tiers: [
      { upTo: '10000', price: 0.0874 },
      { upTo: '50000', price: 0.0831 },
      { upTo: '150000', price: 0.0684 },
      { upTo: null, price: 0.0492 },
    ],
  },
};
