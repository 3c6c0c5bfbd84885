/**
 * Kitewharf: a platform for containers. Plans with what is included, sleep when idle, small databases; requests and
 * transfer beyond the plan are paid for.
 */
import { flat, included, per, perBlock } from './charges';
import type { ProviderProfile, ServiceProfile } from './provider-profile';

const LIMITS = { vcpuLeast: '0.1', vcpuMost: '4', memoryPerVcpuLeast: '1', memoryPerVcpuMost: '4' };

function plan(
  code: string,
  name: string,
  fee: number,
  requests: string,
  out: string,
  seats: string,
): ServiceProfile {
  return {
    code,
    kind: 'plan',
    name,
    more: { service: 'Plans' },
    rates: [
      ['plan-fee', 'month', flat(fee)],
      ['requests', 'million requests', per(1.9), included(requests)],
      ['transferred', 'GB', per(0.094), included(out)],
      ['users', 'user-month', perBlock('1', 17.5), included(seats)],
    ],
  };
}

const SERVICES: readonly ServiceProfile[] = [
  plan('plan-try', 'Try', 0, '1', '100', '1'),
  plan('plan-crew', 'Crew', 19.5, '10', '1000', '3'),
  plan('plan-firm', 'Firm', 196, '100', '5000', '10'),
  {
    code: 'box',
    kind: 'container-run-time',
    name: 'Box',
    more: { capabilities: ['replicas', 'sleeps'], limits: LIMITS, service: 'Boxes' },
    drift: 0.94,
    rates: [
      ['vcpu', 'vCPU-second', per(0.0000078), { increment: { step: '1', unit: 'second', least: '300' } }],
      ['memory', 'GiB-second', per(0.0000039), { increment: { step: '1', unit: 'second', least: '300' } }],
    ],
  },
  {
    code: 'job',
    kind: 'batch-run',
    name: 'Job',
    rates: [['run-time', 'vCPU-second', per(0.0000091)]],
  },
  {
    code: 'edge-code',
    kind: 'function',
    name: 'Edge code',
    rates: [
      ['requests', 'million requests', per(0.311), included('10', { pool: 'workspace' })],
      ['run-time', 'GiB-second', per(0.0000118)],
    ],
  },
  {
    code: 'disk',
    kind: 'block-volume',
    name: 'Box disk',
    more: { attributes: { medium: 'solid state' } },
    rates: [['capacity', 'GiB-month', per(0.148)]],
  },
  {
    code: 'crate',
    kind: 'object-store',
    name: 'Crate',
    more: { attributes: { grade: 'often' } },
    rates: [
      ['stored', 'GB-month', per(0.0149), { pool: 'workspace', allowance: '10' }],
      ['writes', 'million requests', per(4.41)],
      ['reads', 'million requests', per(0.352)],
    ],
  },
  {
    code: 'postroom',
    kind: 'queue',
    name: 'Postroom',
    isNew: true,
    rates: [['requests', 'million requests', per(0.398), included('1', { pool: 'workspace' })]],
  },
  {
    code: 'out',
    kind: 'transfer-out',
    name: 'Transfer beyond the plan',
    rates: [['transferred', 'GB', per(0.094), { pool: 'workspace' }]],
  },
  {
    code: 'front',
    kind: 'content-delivery',
    name: 'Front',
    rates: [
      ['transferred', 'GB', per(0.041), included('100', { pool: 'workspace' })],
      ['requests', 'million requests', per(0.61)],
    ],
  },
  {
    code: 'name',
    kind: 'name-service',
    name: 'Own name',
    rates: [
      ['fee', 'month', flat(1)],
      ['requests', 'million requests', per(0)],
    ],
  },
  {
    code: 'logs',
    kind: 'monitoring',
    name: 'Logs',
    rates: [
      ['logs', 'GB', per(0.58), included('3', { pool: 'workspace' })],
      ['stored', 'GB-month', per(0.048)],
    ],
  },
];

export const KITEWHARF: ProviderProfile = {
  key: 'kitewharf',
  provider: 'Kitewharf',
  currency: 'USD',
  skuPrefix: 'KW',
  monthHours: '730',
  regions: [
    { water: 'severn', code: 'severn', factor: 1 },
    { water: 'elbe', code: 'elbe', factor: 1 },
    { water: 'hudson', code: 'hudson', factor: 1 },
    { water: 'tasman', code: 'tasman', factor: 1.18 },
  ],
  families: [
    {
      code: 'tin',
      kind: 'relational-database',
      name: 'Small database',
      processor: '',
      memoryPerVcpu: 4,
      sizes: [1, 2, 4, 8],
      vcpuHour: 0.0331,
      gibHour: 0.0091,
      drift: 1,
      extra: [['stored', 'GiB-month', per(0.243), included('1')]],
      more: { capabilities: ['sleeps'], attributes: { engine: 'open' } },
    },
    {
      code: 'dash',
      kind: 'cache',
      name: 'Small cache',
      processor: '',
      memoryPerVcpu: 2,
      sizes: [1, 2, 4],
      vcpuHour: 0.0241,
      gibHour: 0.0093,
      drift: 1,
    },
  ],
  serverUnit: 'hour',
  terms: [],
  services: SERVICES,
};
