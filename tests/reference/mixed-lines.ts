/** Random components: what is asked of an offer, when it runs, how it is paid. */
import type { Component, UsageEntry } from '@/engine/design';
import type { Term } from '@/engine/terms';
import type { Cased, Load, Running } from '@/engine/usage';
import type { Dice } from './dice';

/** Now and then a range, from lean to heavy. */
export function cased(dice: Dice, draw: () => string): Cased {
  if (!dice.often(0.15)) return { likely: draw() };
  const [lean, likely, heavy] = [draw(), draw(), draw()].sort((a, b) => Number(a) - Number(b));
  return { likely: likely!, lean, heavy };
}

export function running(dice: Dice): Running {
  const c = (draw: () => string): Cased => cased(dice, draw);
  const days = [0, 1, 2, 3, 4, 5, 6].filter(() => dice.often(0.6));
  switch (dice.number(0, 11)) {
    case 0:
      return { pattern: 'hours', hoursPerMonth: c(() => dice.half(0, 670)) };
    case 1:
      return {
        pattern: 'days',
        hoursPerDay: c(() => dice.half(0, 20)),
        daysPerMonth: c(() => dice.half(0, 31)),
      };
    case 2:
      return { pattern: 'days', hoursPerDay: { likely: '24' }, daysPerMonth: c(() => dice.half(0, 27)) };
    case 3:
    case 4:
      return {
        pattern: 'weekdays',
        hoursPerDay: c(() => dice.half(0, 24)),
        daysPerWeek: c(() => dice.half(0, 7)),
      };
    case 5: {
      const mark = (): string => dice.one('#', '#', '.');
      return {
        pattern: 'week',
        days: days7(() => Array.from({ length: 4 }, () => mark().repeat(6)).join('')),
      };
    }
    case 6:
      return {
        pattern: 'asleep',
        share: c(() => (dice.number(0, 20) / 20).toFixed(2)),
        ...(dice.often(0.5)
          ? { wakeUps: c(() => dice.whole(0, 90)), idleMinutes: c(() => dice.whole(0, 40)) }
          : {}),
      };
    case 7:
      return {
        pattern: 'runs',
        perMonth: c(() => dice.whole(0, 600)),
        minutesEach: c(() => dice.half(0, 65)),
      };
    case 8: {
      const from = dice.number(0, 23);
      return {
        pattern: 'peaks',
        baseline: c(() => dice.whole(0, 2)),
        peak: c(() => dice.whole(2, 6)),
        days,
        from,
        hours: c(() => dice.half(0, 24)),
      };
    }
    case 9:
      return {
        pattern: 'autoscale',
        floor: c(() => dice.whole(0, 2)),
        ceiling: c(() => dice.whole(2, 8)),
        carries: c(() => dice.whole(1, 40)),
      };
    default:
      return { pattern: 'always' };
  }
}

export function days7(draw: () => string): string[] {
  return Array.from({ length: 7 }, draw);
}

export function load(dice: Dice): Load {
  const c = (draw: () => string): Cased => cased(dice, draw);
  const days = [0, 1, 2, 3, 4, 5, 6].filter(() => dice.often(0.5));
  return {
    rate: dice.one<Load['rate']>(
      { by: 'requests', perSecond: c(() => dice.half(0, 60)) },
      { by: 'viewers', viewers: c(() => dice.whole(0, 900)), refreshSeconds: c(() => dice.whole(5, 60)) },
    ),
    peak: dice.often(0.6)
      ? { times: c(() => dice.half(0, 5)), days, from: dice.number(0, 23), hours: c(() => dice.half(0, 24)) }
      : null,
    secondsEach: c(() => dice.half(0, 9)),
    requestSize: { amount: c(() => dice.whole(1, 300)), unit: dice.one('kB', 'KiB') },
    replySize: { amount: c(() => dice.whole(1, 300)), unit: 'KiB' },
    requestsPerConnection: dice.often(0.5) ? c(() => dice.whole(1, 20)) : null,
  };
}

export type Body = Pick<Component, 'kind'> & { readonly sku: string } & Partial<Component>;

export function held(dice: Dice, unit: string, most = 900): UsageEntry {
  const keeps = dice.often(0.3) ? { keptDays: cased(dice, () => dice.whole(1, 90)) } : {};
  const aside = dice.often(0.4) ? { setAside: cased(dice, () => dice.half(0, most * 2)) } : {};
  if (dice.often(0.3)) {
    const sizes = Array.from({ length: dice.number(1, 3) }, () => ({
      count: dice.whole(1, 4),
      amount: dice.half(1, most),
    }));
    const likely = String(sizes.reduce((total, row) => total + Number(row.count) * Number(row.amount), 0));
    return { amount: { likely }, unit, sizes, ...keeps, ...aside };
  }
  return { amount: cased(dice, () => dice.half(0, most)), unit, ...keeps, ...aside };
}

export function events(dice: Dice, unit = 'thousand requests', most = 9000): UsageEntry {
  const size = { each: { amount: cased(dice, () => dice.whole(1, 300)), unit: 'KiB' } };
  return { amount: cased(dice, () => dice.half(0, most)), unit, ...(dice.often(0.5) ? size : {}) };
}

const SERVER_TERMS = [
  'on-demand',
  'on-demand',
  '12-none',
  '12-part',
  '12-all',
  '36-part',
  'interruptible',
] as const;

export function timed(dice: Dice): Pick<Component, 'running' | 'load' | 'term' | 'committed'> {
  const term: Term = dice.one(...SERVER_TERMS);
  return {
    running: running(dice),
    load: load(dice),
    term,
    ...(term !== 'on-demand' && dice.often(0.5) ? { committed: cased(dice, () => dice.whole(0, 5)) } : {}),
  };
}

export function body(dice: Dice): Body {
  switch (dice.number(0, 18)) {
    case 0:
    case 1:
    case 2:
    case 3:
      return { kind: 'server', sku: dice.one('S-2', 'S-4', 'S-8'), ...timed(dice), licences: licences(dice) };
    case 4:
    case 5: {
      const need = { vcpu: dice.whole(1, 5), memory: dice.whole(1, 20) };
      return {
        kind: 'server',
        sku: '',
        choice: { by: 'cheapest', need },
        ...timed(dice),
        licences: licences(dice),
      };
    }
    case 6: {
      const size = {
        vcpu: cased(dice, () => dice.whole(2, 8)),
        memory: cased(dice, () => dice.whole(8, 16)),
      };
      return { kind: 'server', sku: 'S-FREE', ...timed(dice), size, licences: licences(dice) };
    }
    case 7:
      return { kind: 'dedicated-host', sku: 'HOST', ...timed(dice) };
    case 8:
      return {
        kind: 'relational-database',
        sku: 'DB',
        ...(dice.often(0.3) ? { choice: { by: 'cheapest' as const, need: { vcpu: '2', memory: '8' } } } : {}),
        ...timed(dice),
        usage: { stored: held(dice, 'GiB') },
      };
    case 9:
      return {
        kind: 'container-run-time',
        sku: 'RUNTIME',
        running: running(dice),
        load: load(dice),
        size: { vcpu: { likely: dice.half(1, 4) }, memory: { likely: '4' } },
      };
    case 10:
      return {
        kind: 'block-volume',
        sku: 'VOL',
        usage: { capacity: held(dice, dice.one('GiB', 'GB')), iops: held(dice, 'IOPS', 5000) },
      };
    case 11:
      return {
        kind: 'object-store',
        sku: dice.one('STORE', 'STORE-2'),
        usage: {
          stored: held(dice, dice.one('GB', 'TB', 'GiB')),
          writes: events(dice),
          reads: events(dice, 'request'),
        },
      };
    case 12:
      return {
        kind: 'backup',
        sku: 'BACKUP',
        usage: { protected: held(dice, 'GB', 1200), stored: held(dice, 'GB') },
      };
    case 13:
    case 14:
      return {
        kind: 'transfer-out',
        sku: dice.one('OUT', 'OUT-2'),
        running: running(dice),
        load: load(dice),
        usage: dice.often(0.8)
          ? { transferred: { amount: cased(dice, () => dice.half(0, 900)), unit: 'GB' } }
          : {},
      };
    case 15:
      return { kind: 'balancer-requests', sku: 'BALANCER', running: running(dice), load: load(dice) };
    case 16:
      return {
        kind: 'function',
        sku: 'FUNCTION',
        load: load(dice),
        size: { vcpu: { likely: '1' }, memory: { likely: dice.half(1, 3) } },
        usage: dice.often(0.5) ? { requests: events(dice) } : {},
      };
    case 17:
      return dice.one<Body>(
        { kind: 'dedicated-line', sku: 'LINE', running: running(dice), load: load(dice) },
        { kind: 'plan', sku: 'PLAN', usage: { requests: events(dice), users: held(dice, 'user', 40) } },
        {
          kind: 'licence',
          sku: 'LICENCE',
          term: dice.one('on-demand', '12-part'),
          usage: { cores: held(dice, 'core', 30) },
        },
      );
    default:
      return {
        kind: 'custom',
        sku: '',
        choice: { by: 'none' },
        custom: [
          {
            label: 'By hand',
            unit: 'GB',
            amount: cased(dice, () => dice.half(0, 900)),
            charge: {
              structure: 'graduated',
              tiers: [
                { upTo: '100', price: '0.3' },
                { upTo: null, price: '0.1' },
              ],
            },
            ...(dice.often(0.4) ? { allowance: dice.whole(1, 300) } : {}),
          },
          {
            label: 'Once',
            unit: 'month',
            amount: { likely: '1' },
            charge: { structure: 'flat', amount: '30', once: dice.often(0.5) },
          },
        ],
      };
  }
}

export function licences(dice: Dice): Component['licences'] {
  if (!dice.often(0.3)) return null;
  const how = dice.one('included' as const, 'brought' as const);
  return [
    {
      product: 'ledger-db',
      how,
      ...(how === 'brought' ? { ownYearly: { likely: dice.whole(1, 900) } } : {}),
    },
  ];
}
