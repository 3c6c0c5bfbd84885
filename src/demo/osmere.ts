/** Osmere: per-second prices, volumes in GiB, commitments paid month by month only. */
import type { ProviderProfile } from './provider-profile';

const SIZES = [2, 4, 8, 16, 22, 30, 44, 60, 80];

export const OSMERE: ProviderProfile = {
  key: 'osmere',
  provider: 'Osmere',
  skuPrefix: 'OS',
  monthHours: '730',
  regions: [
    { water: 'elbe', code: 'de.elbe', factor: 1.03 },
    { water: 'severn', code: 'uk.severn', factor: 1.07 },
    { water: 'tagus', code: 'pt.tagus', factor: 1.01 },
    { water: 'hudson', code: 'us.hudson', factor: 1 },
    { water: 'columbia', code: 'us.columbia', factor: 1 },
    { water: 'plata', code: 'ar.plata', factor: 1.31 },
    { water: 'mekong', code: 'vn.mekong', factor: 1.14 },
    { water: 'tasman', code: 'au.tasman', factor: 1.21 },
  ],
  families: [
    { code: 'tern', name: 'Balanced', processor: 'Halden', memoryPerVcpu: 4, sizes: SIZES, vcpuHour: 0.0254, gibHour: 0.0034, drift: 1 },
    { code: 'tern-m', name: 'Balanced', processor: 'Merrow', memoryPerVcpu: 4, sizes: SIZES, vcpuHour: 0.0216, gibHour: 0.0029, drift: 1 },
    { code: 'tern-c', name: 'Balanced', processor: 'Corran', memoryPerVcpu: 4.5, sizes: SIZES, vcpuHour: 0.0229, gibHour: 0.003, drift: 1, onlyIn: ['elbe', 'hudson', 'columbia'] },
    { code: 'swift', name: 'Compute-heavy', processor: 'Corran', memoryPerVcpu: 2, sizes: SIZES, vcpuHour: 0.0301, gibHour: 0.0035, drift: 1 },
    { code: 'swift-m', name: 'Compute-heavy', processor: 'Merrow', memoryPerVcpu: 2, sizes: SIZES, vcpuHour: 0.0259, gibHour: 0.0031, drift: 0.97 },
    { code: 'heron', name: 'Memory-heavy', processor: 'Halden', memoryPerVcpu: 8, sizes: SIZES, vcpuHour: 0.0251, gibHour: 0.0039, drift: 1.05 },
    { code: 'heron-m', name: 'Memory-heavy', processor: 'Merrow', memoryPerVcpu: 8, sizes: SIZES.slice(0, 7), vcpuHour: 0.0221, gibHour: 0.0034, drift: 1 },
    { code: 'wren', name: 'Light duty', processor: 'Corran', memoryPerVcpu: 2, sizes: [1, 2, 4], vcpuHour: 0.0098, gibHour: 0.0023, burstable: true, drift: 1 },
  ],
  serverUnit: 'second',
  commitments: { 12: { none: 0.29 }, 36: { none: 0.46 } },
  volumes: [
    { code: 'plank', name: 'Plank', note: 'Solid state for most work.', perGibMonth: 0.0902 },
    { code: 'plank-quick', name: 'Plank, quick', note: 'Solid state with low delay.', perGibMonth: 0.1683 },
    { code: 'plank-slow', name: 'Plank, slow', note: 'Magnetic.', perGibMonth: 0.0411 },
  ],
  stores: [
    {
      code: 'hold',
      name: 'Hold',
      note: 'Read often.',
      unit: 'GiB-month',
      stored: [
        { upTo: '20480', price: 0.0211 },
        { upTo: null, price: 0.0196 },
      ],
      requestUnit: 'million requests',
      write: 5.11,
      read: 0.42,
      drift: 1,
    },
    {
      code: 'hold-rare',
      name: 'Hold, rare',
      note: 'Read about once a month.',
      unit: 'GiB-month',
      stored: [{ upTo: null, price: 0.0109 }],
      requestUnit: 'million requests',
      write: 10.4,
      read: 1.03,
      drift: 1,
    },
    {
      code: 'hold-ice',
      name: 'Hold, ice',
      note: 'Kept for years.',
      unit: 'GiB-month',
      stored: [{ upTo: null, price: 0.0014 }],
      requestUnit: 'million requests',
      write: 51.2,
      read: 20.6,
      drift: 1,
    },
  ],
  transfer: {
    code: 'sail-out',
    name: 'Outbound to the internet',
    unit: 'GiB',
    allowance: '1',
    tiers: [
      { upTo: '1024', price: 0.1141 },
      { upTo: '10240', price: 0.1083 },
      { upTo: null, price: 0.0792 },
    ],
  },
};
