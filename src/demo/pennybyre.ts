/** Pennybyre: flat-rate servers in euros. An hourly price that never exceeds its month, traffic that comes along, little else. */
import { flat, included, per } from './charges';
import type { FamilyProfile, ProviderProfile } from './provider-profile';

function family(
  code: string,
  name: string,
  ratio: number,
  sizes: readonly number[],
  vcpuHour: number,
  traffic: string,
): FamilyProfile {
  return {
    code,
    name,
    processor: code === 'mill' ? 'Merrow' : 'Corran',
    memoryPerVcpu: ratio,
    sizes,
    vcpuHour,
    gibHour: 0.0011,
    drift: code === 'hut' ? 1.08 : 1,
    more: { grants: [{ sku: 'PB-OUT', meter: 'transferred', amount: traffic, unit: 'TB' }] },
  };
}

export const PENNYBYRE: ProviderProfile = {
  key: 'pennybyre',
  provider: 'Pennybyre',
  currency: 'EUR',
  skuPrefix: 'PB',
  monthHours: '720',
  regions: [
    { water: 'elbe', code: 'ELB1', factor: 1 },
    { water: 'skagerrak', code: 'SKA1', factor: 1.02 },
    { water: 'hudson', code: 'HUD1', factor: 1.12 },
  ],
  families: [
    family('hut', 'Shared cores', 2, [1, 2, 3, 4, 6, 8], 0.0031, '20'),
    family('mill', 'Shared cores', 2, [2, 4, 8, 16], 0.0029, '20'),
    family('barn', 'Own cores', 4, [2, 4, 8, 16, 32, 48], 0.0098, '30'),
  ],
  serverUnit: 'hour',
  terms: [],
  habits: { rate: { increment: { step: '1', unit: 'hour', least: null } }, capHours: 600 },
  services: [
    {
      code: 'vol',
      kind: 'block-volume',
      name: 'Volume',
      more: { attributes: { medium: 'solid state' } },
      rates: [['capacity', 'GB-month', per(0.0461)]],
    },
    {
      code: 'bin',
      kind: 'object-store',
      name: 'Bin',
      more: { attributes: { grade: 'often' } },
      rates: [
        ['stored', 'TB-month', per(5.29)],
        ['writes', 'million requests', per(0)],
        ['reads', 'million requests', per(0)],
      ],
    },
    {
      code: 'out',
      kind: 'transfer-out',
      name: 'Traffic beyond what is included',
      rates: [['transferred', 'TB', per(1.09), { pool: 'region' }]],
    },
    {
      code: 'fork',
      kind: 'balancer-connections',
      name: 'Fork',
      rates: [
        ['fee', 'month', flat(5.69)],
        ['running', 'hour', per(0)],
      ],
    },
    { code: 'ip', kind: 'address', name: 'Address', rates: [['running', 'hour', per(0.00082)]] },
    {
      code: 'pic',
      kind: 'snapshot',
      name: 'Pictures',
      rates: [['stored', 'GB-month', per(0.0121), included('10')]],
    },
  ],
};
