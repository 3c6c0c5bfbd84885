/** What each kind is billed by, in the order in which it is billed: where a meter's quantity comes from. */
export interface Meter {
  readonly meter: string;
  readonly from: 'running' | 'held' | 'monthly' | 'count' | 'capacity' | 'runs' | 'spend' | 'per-hour';
  readonly required?: boolean;
  readonly derived?: 'requests' | 'reply' | 'exchange';
  readonly follows?: 'traffic' | 'stock';
}

export interface KindRow {
  readonly category: string;
  readonly meters: readonly Meter[];
}

type Row = readonly [meter: string, from: Meter['from'], marks?: string, derived?: Meter['derived']];

function kind(category: string, rows: readonly Row[], fees = true): KindRow {
  const meters = rows.map(([meter, from, marks = '', derived]): Meter => ({
    meter,
    from,
    required: marks.includes('!'),
    derived,
    follows: from === 'held' ? 'stock' : from === 'monthly' || from === 'runs' ? 'traffic' : undefined,
  }));
  const paid: Meter[] = [
    { meter: 'fee', from: 'count' },
    { meter: 'set-up', from: 'count' },
  ];
  return { category, meters: fees ? [...meters, ...paid] : meters };
}

export const KINDS: Readonly<Record<string, KindRow>> = {
  server: kind('Compute', [['running', 'running', '!']]),
  'dedicated-host': kind('Compute', [['running', 'running', '!']]),
  'container-run-time': kind('Compute', [
    ['vcpu', 'running', '!'],
    ['memory', 'running'],
    ['requests', 'monthly', '', 'requests'],
  ]),
  function: kind('Compute', [
    ['requests', 'monthly', '!', 'requests'],
    ['run-time', 'runs', '!'],
  ]),
  'block-volume': kind('Storage', [
    ['capacity', 'held', '!'],
    ['iops', 'held'],
    ['throughput', 'held'],
  ]),
  'object-store': kind('Storage', [
    ['stored', 'held', '!'],
    ['writes', 'monthly'],
    ['reads', 'monthly'],
    ['retrieved', 'monthly'],
  ]),
  'file-share': kind('Storage', [
    ['stored', 'held', '!'],
    ['throughput', 'held'],
    ['retrieved', 'monthly'],
  ]),
  backup: kind('Storage', [
    ['protected', 'held'],
    ['stored', 'held'],
    ['restored', 'monthly'],
  ]),
  'relational-database': kind('Databases', [
    ['running', 'running', '!'],
    ['stored', 'held'],
    ['iops', 'held'],
    ['backups', 'held'],
  ]),
  warehouse: kind('Analytics', [
    ['running', 'running', '!'],
    ['stored', 'held'],
    ['scanned', 'monthly'],
  ]),
  queue: kind('Integration', [['requests', 'monthly', '!', 'requests']]),
  'transfer-out': kind('Networking', [['transferred', 'monthly', '!', 'reply']]),
  'content-delivery': kind('Networking', [
    ['transferred', 'monthly', '!', 'reply'],
    ['requests', 'monthly', '', 'requests'],
  ]),
  'balancer-requests': kind('Networking', [
    ['running', 'running'],
    ['units', 'capacity'],
    ['data', 'monthly', '', 'exchange'],
  ]),
  'dedicated-line': kind('Networking', [
    ['running', 'running', '!'],
    ['transferred', 'monthly'],
  ]),
  plan: kind('Other', [
    ['plan-fee', 'count', '!'],
    ['requests', 'monthly', '', 'requests'],
    ['transferred', 'monthly', '', 'reply'],
    ['users', 'held'],
  ]),
  licence: kind('Business Applications', [
    ['cores', 'held'],
    ['sockets', 'held'],
    ['users', 'held'],
  ]),
  'software-fee': kind('Business Applications', [['share', 'spend', '!']]),
  'support-plan': kind('Other', [['share', 'spend']]),
  'spend-commitment': kind('Other', [['committed', 'per-hour', '!']], false),
  'prepaid-credit': {
    category: 'Other',
    meters: [{ meter: 'credit', from: 'monthly', required: true }],
  },
  custom: kind('Other', [], false),
};

/** Licences that run on a machine are billed by its running time. */
export function metersOf(
  kindCode: string,
  licences: readonly { product: string; how: string }[],
): readonly Meter[] {
  const own = KINDS[kindCode];
  if (!own) throw new Error(`the reference has no kind ${kindCode}`);
  const paid = licences.filter(({ how }) => how === 'included');
  return [
    ...own.meters,
    ...paid.map(({ product }): Meter => ({ meter: `licence.${product}`, from: 'running' })),
  ];
}
