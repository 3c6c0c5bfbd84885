/** What an estate would become, in words and as a flat table. */
import { decimal } from '@/engine/base';
import type { PlacedFleet, PlacedMachine } from '@/features/fleet/calc';
import { describeTerm } from '@/engine/terms';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';

const counted = (count: number, one: string, many: string): string =>
  `${writeNumber(String(count))} ${count === 1 ? one : many}`;

/**
 * The first way of paying in one sentence.
 *
 * @example
 * fleetSentence({ rows: [], totals: [{ term: 'on-demand', installed: '0', byRule: '0', without: 0 }], currency: 'USD', off: 0, unmeasured: 0 }); // => 'There is no machine to place.'
 */
export function fleetSentence({
  rows,
  totals,
  currency,
  off,
  unmeasured,
}: Pick<PlacedFleet, 'rows' | 'totals' | 'currency' | 'off' | 'unmeasured'>): string {
  const [total] = totals;
  if (rows.length === 0 || !total) return 'There is no machine to place.';
  const { installed, byRule, term, without } = total;
  const money = (amount: string): string => `${writeMoney(amount, currency)} ${currency}`;
  const less = decimal(installed).minus(byRule);
  const share = decimal(installed).isZero() ? null : less.dividedBy(installed);
  const placed = rows.length - without;
  const same = less.isZero();
  const parts = [
    same
      ? `${counted(placed, 'machine costs', 'machines cost')} ${money(byRule)} a month ${describeTerm(term)}.`
      : `${counted(placed, 'machine costs', 'machines cost')} ${money(byRule)} a month ${describeTerm(term)} by the rule, in place of ${money(installed)} as installed${share ? ` (${less.isNegative() ? 'more by ' : ''}${writeShare(share.abs())}${less.isNegative() ? '' : ' less'})` : ''}.`,
    without > 0 && `${counted(without, 'machine has', 'machines have')} no size that fits.`,
    unmeasured > 0 &&
      `${counted(unmeasured, 'machine is', 'machines are')} sized as installed, because not measured.`,
    off > 0 && `${counted(off, 'machine is', 'machines are')} powered off and left out.`,
  ];
  return parts.filter(Boolean).join(' ');
}

/**
 * Why a machine needs what it needs.
 *
 * @example
 * needText({ vcpu: '3.648', memory: '64', cpuBy: 'rule', memoryBy: 'fallback' }); // => '3.648 vCPU, 64 GiB (memory not measured)'
 */
export function needText({ vcpu, memory, cpuBy, memoryBy }: PlacedMachine['need']): string {
  const missing = [cpuBy === 'fallback' && 'vCPU', memoryBy === 'fallback' && 'memory'].filter(Boolean);
  const note = missing.length === 0 ? '' : ` (${missing.join(' and ')} not measured)`;
  return `${writeNumber(vcpu)} vCPU, ${writeNumber(memory)} GiB${note}`;
}

/**
 * Machine by machine, the dearest first; then a total of those that have a size on both sides.
 *
 * @example
 * fleetTable({ placement: 'Here', rows: [], totals: [{ term: 'on-demand', installed: '0', byRule: '0', without: 0 }], currency: 'USD', off: 0, unmeasured: 0 }, []).head.slice(0, 3); // => ['Machine', 'Needs', 'Becomes']
 */
export function fleetTable(placed: PlacedFleet, notes: readonly string[]): FlatTable {
  const { placement, rows, totals, currency } = placed;
  const cost = ({ byRule }: PlacedMachine): number => Number(byRule[0]?.monthly ?? -1);
  const cell = (amount: string | undefined): FlatCell =>
    amount === undefined ? 'does not fit' : { money: amount };
  return {
    title: placement,
    answer: fleetSentence(placed),
    currency,
    // Machines that do not fit on one side are in no sum.
    noSums: true,
    head: [
      'Machine',
      'Needs',
      'Becomes',
      'vCPU over',
      'memory over',
      'as installed',
      ...totals.map(({ term }) => describeTerm(term)),
    ],
    rows: [
      ...[...rows]
        .sort((a, b) => cost(b) - cost(a) || (a.id < b.id ? -1 : 1))
        .map((row): FlatRow => ({
          level: 'line',
          cells: [
            row.name,
            needText(row.need),
            row.byRule[0]?.name ?? '',
            row.over ? { share: row.over.vcpu } : '',
            row.over ? { share: row.over.memory } : '',
            cell(row.installed[0]?.monthly),
            ...row.byRule.map((each) => cell(each?.monthly)),
          ],
        })),
      {
        level: 'total',
        cells: [
          'Machines with a size on both sides',
          '',
          '',
          '',
          '',
          { money: totals[0]?.installed ?? '0' },
          ...totals.map(({ byRule }) => ({ money: byRule })),
        ],
      },
    ],
    notes: notes.length === 0 ? [] : [{ title: 'How the inventory was read', lines: notes }],
  };
}
