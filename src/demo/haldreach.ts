/**
 * Haldreach: for enterprises. Sizes chosen freely, licences included or brought along, dedicated hosts in clusters of at
 * least three, stepped backup fees, prepaid credit with discount bands.
 */
import { HALDREACH_SERVICES } from './haldreach-services';
import { per } from './charges';
import { commitments, type FamilyProfile, type ProviderProfile } from './provider-profile';

const SIZES = [1, 2, 4, 6, 8, 12, 16, 20, 24, 32, 40, 48, 64, 80];
const MANAGED = [2, 4, 8, 12, 16, 24, 32, 48];
const CAPABILITIES = { capabilities: ['bring-licence'] };

function family(
  code: string,
  name: string,
  ratio: number,
  vcpuHour: number,
  gibHour: number,
  drift = 1,
): FamilyProfile {
  return {
    code,
    name,
    processor: code.endsWith('c') ? 'Corran' : 'Halden',
    memoryPerVcpu: ratio,
    sizes: SIZES,
    vcpuHour,
    gibHour,
    drift,
    more: CAPABILITIES,
  };
}

const FAMILIES: readonly FamilyProfile[] = [
  family('pine', 'Balanced', 4, 0.0287, 0.0037),
  family('pine-c', 'Balanced', 4, 0.0261, 0.0034),
  family('ash', 'Compute-heavy', 2, 0.0309, 0.0039),
  family('ash-c', 'Compute-heavy', 2, 0.0284, 0.0036, 0.98),
  family('oak', 'Memory-heavy', 8, 0.0279, 0.0042),
  family('oak-c', 'Memory-heavy', 8, 0.0255, 0.0039),
  family('yew', 'Memory-heaviest', 14, 0.0291, 0.0046, 1.03),
  family('larch', 'Fast clock', 4, 0.0398, 0.0041),
  {
    ...family('elm', 'Balanced, earlier', 4, 0.0312, 0.0041),
    sizes: SIZES.slice(0, 8),
    retires: { date: '2027-03-31', successor: 'pine' },
  },
  {
    code: 'vault-std',
    kind: 'relational-database',
    name: 'Castrum engine, standard',
    processor: 'Halden',
    memoryPerVcpu: 8,
    sizes: MANAGED,
    vcpuHour: 0.1187,
    gibHour: 0.0061,
    drift: 1.05,
    extra: [
      ['stored', 'GiB-month', per(0.138), { basis: 'set-aside' }],
      ['backups', 'GiB-month', per(0.093)],
    ],
    more: { capabilities: ['second-zone'], attributes: { engine: 'castrum', edition: 'standard' } },
  },
  {
    code: 'vault-ent',
    kind: 'relational-database',
    name: 'Castrum engine, large edition',
    processor: 'Halden',
    memoryPerVcpu: 8,
    sizes: MANAGED.slice(1),
    vcpuHour: 0.4271,
    gibHour: 0.0061,
    drift: 1.05,
    extra: [['stored', 'GiB-month', per(0.138), { basis: 'set-aside' }]],
    more: {
      capabilities: ['second-zone', 'replicas', 'sharding'],
      attributes: { engine: 'castrum', edition: 'large' },
    },
  },
  {
    code: 'vault-own',
    kind: 'relational-database',
    name: 'Castrum engine, own licence',
    processor: 'Halden',
    memoryPerVcpu: 8,
    sizes: MANAGED,
    vcpuHour: 0.0524,
    gibHour: 0.0061,
    drift: 1,
    extra: [['stored', 'GiB-month', per(0.138), { basis: 'set-aside' }]],
    more: {
      capabilities: ['second-zone', 'bring-licence'],
      attributes: { engine: 'castrum', edition: 'own' },
    },
  },
  {
    code: 'keel',
    kind: 'dedicated-host',
    name: 'Keel host',
    processor: 'Halden',
    memoryPerVcpu: 8,
    sizes: [48, 64, 96],
    vcpuHour: 0.0239,
    gibHour: 0.0028,
    drift: 1,
    more: CAPABILITIES,
  },
];

export const HALDREACH: ProviderProfile = {
  key: 'haldreach',
  provider: 'Haldreach',
  currency: 'USD',
  skuPrefix: 'HD',
  monthHours: '744',
  regions: [
    { water: 'severn', code: 'HR-SEV', factor: 1.05 },
    { water: 'elbe', code: 'HR-ELB', factor: 1.04 },
    { water: 'skagerrak', code: 'HR-SKA', factor: 1.09 },
    { water: 'hudson', code: 'HR-HUD', factor: 1 },
    { water: 'columbia', code: 'HR-COL', factor: 0.99 },
    { water: 'plata', code: 'HR-PLA', factor: 1.42 },
    { water: 'tasman', code: 'HR-TAS', factor: 1.23 },
  ],
  families: FAMILIES,
  serverUnit: 'hour',
  terms: commitments(
    { 12: { none: 0.24, all: 0.29 }, 36: { none: 0.43, all: 0.48 } },
    { rule: 'fee', share: '0.12' },
  ),
  licences: [
    { product: 'atrium-server', coreHour: 0.0452, least: null },
    { product: 'castrum-db', coreHour: 0.1821, least: '4' },
    { product: 'castrum-db-large', coreHour: 0.5104, least: '4' },
  ],
  services: HALDREACH_SERVICES,
  leastRates: 11_000,
};
