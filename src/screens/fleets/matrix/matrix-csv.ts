/** The matrix as CSV: one row a cell, amounts as they are printed. */
import { halfAwayFromZero, minorDigits } from '@/core/money';
import { decimal } from '@/core/base';
import { type FleetPlan, COST_KINDS } from '@/core/fleet';
import { KIND_WORDS } from '@/core/display';
import type { MatrixAnswer } from '@/workers/fleet-protocol';

export function matrixCsv({ cells, groups, currency }: MatrixAnswer, plan: FleetPlan): string {
  const money = (text: string | null): string =>
    text === null ? '' : halfAwayFromZero(decimal(text), minorDigits(currency)).toString();
  const text = (value: string): string => {
    const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
    return /[",;\n\r]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
  };
  const head = [
    'Group',
    'Placement',
    'Book',
    'Region',
    'Machines',
    'Do not fit',
    `A month (${currency})`,
    ...COST_KINDS.map((kind) => `${KIND_WORDS[kind]} (${currency})`),
    `As installed (${currency})`,
    `If all were measured (${currency})`,
    'Hosts',
  ];
  const rows = cells.map((cell) => [
    text(groups.find(({ id }) => id === cell.group)?.name ?? cell.group),
    text(plan.placements.find(({ id }) => id === cell.placement)?.name ?? cell.placement),
    cell.place.book,
    cell.place.region,
    String(cell.machines),
    String(cell.unfit.reduce((sum, { count }) => sum + count, 0)),
    cell.printed,
    ...COST_KINDS.map((kind) => money(cell.kinds[kind])),
    money(cell.installed),
    money(cell.ifMeasured),
    cell.hosts ? String(cell.hosts.paid) : '',
  ]);
  return `\ufeff${[head.map(text), ...rows].map((cellsOfRow) => cellsOfRow.join(',')).join('\r\n')}\r\n`;
}
