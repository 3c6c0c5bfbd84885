import { BOOK, fact, machine, placement, placer, run, SEVERN } from '@tests/support/placing';
import { describe, expect, it } from 'vitest';
import { type FleetPlan, groupMachines, matrixOf, newPlan, readinessUnder } from '@/features/fleet/calc';
import { type FlatCell, type FlatTable } from '@/platform/tables';
import { fleetReport, fleetTotalText } from './fleet-report';

const names = { book: (key: string) => key, region: (_: string, code: string) => code };
const PLAN: FleetPlan = {
  ...newPlan({
    title: 'Quay',
    currency: BOOK.currency,
    exchange: [],
    books: [{ book: 'wide', revision: 1 }],
    origin: 'quay.csv',
  }),
  systems: { 'Server OS': { is: 'licensed', product: 'ledger-db' } },
  groups: [
    { id: 'web', name: 'Web', filter: { words: 'web' } },
    { id: 'all', name: 'Everything on', filter: { power: 'on' } },
  ],
  placements: [
    placement({ id: 'as', name: 'As installed' }),
    placement({ id: 'used', name: 'As used', rule: { by: 'peak', headroom: 0.2 } }),
  ],
};
const MACHINES = [
  machine('web-1', 4, 16, { power: 'on', peakCpu: fact(0.2), peakMemory: fact(0.1), stored: fact(80) }),
  machine('web-2', 4, 16, { power: 'on' }),
  machine('db-1', 2, 8, { power: 'on', system: 'Server OS', licences: 'Tariff engine', sent: fact(90) }),
  machine('spare', 2, 8, { power: 'off' }),
];

function reported(plan: FleetPlan = PLAN, machines = MACHINES) {
  const by = placer(plan.systems);
  const readinessOf = readinessUnder(plan, by);
  const groups = groupMachines(plan, machines, readinessOf);
  const matrix = run(matrixOf(by, groups, plan.placements));
  return {
    matrix,
    report: fleetReport({ plan, machines, groups, matrix, readinessOf, books: [BOOK], names }),
  };
}
const tableOf = (tables: readonly FlatTable[], title: string): FlatTable =>
  tables.find((table) => table.title.startsWith(title))!;
const cents = (cell: FlatCell | undefined): number =>
  Math.round(Number(typeof cell === 'object' && 'money' in cell ? cell.money : NaN) * 100);

describe('the report of a fleet', () => {
  it('begins with what the best placement costs for all groups, each machine once', () => {
    const { report, matrix } = reported();
    const best = matrix.union.find(({ cell }) => cell.placement === 'used')!;
    expect(report.total).toMatchObject({
      placement: 'As used',
      where: 'wide, severn',
      machines: 3,
      missing: 0,
    });
    expect(Number(report.total!.monthly)).toBeCloseTo(best.cell.monthly.toNumber(), 2);
    expect(Number(report.total!.year)).toBeCloseTo(12 * Number(report.total!.monthly), 6);
    // Web-2 and the database were not measured: they might be smaller.
    expect(Number(report.total!.low)).toBeLessThan(Number(report.total!.monthly));
    expect(fleetTotalText(report.total!, report.currency)).toContain('3 machines cost');
    expect(report.lead[0]).toBe(
      '3 machines of Quay in 2 groups, each counted once; 1 are in no group and are not in it. The inventory comes from quay.csv.',
    );
  });

  it('tells every group under every placement, and its kinds add up to the printed amount', () => {
    const { tables } = reported().report;
    const cost = tableOf(tables, 'What would each group cost');
    expect(cost.rows.filter(({ level }) => level !== 'line').map(({ cells }) => cells[0])).toEqual([
      'Web: 2 machines',
      'Everything on: 3 machines',
      'All groups, each machine once: 3 machines',
    ]);
    const made = tableOf(tables, 'What is it made of');
    const lines = made.rows.filter(({ level }) => level === 'line');
    expect(lines).toHaveLength(6);
    for (const { cells } of lines) {
      const kinds = cells.slice(1, -2).map(cents);
      expect(kinds.reduce((sum, each) => sum + each, 0)).toBe(cents(cells.at(-2)));
    }
  });

  it('says where the money is: the dearest first, up to the printed total', () => {
    const { tables, total } = reported().report;
    const { rows } = tableOf(tables, 'Where is the money');
    const amounts = rows.filter(({ level }) => level === 'line').map(({ cells }) => cents(cells[3]));
    expect(amounts).toEqual([...amounts].sort((a, b) => b - a));
    expect(amounts.reduce((sum, each) => sum + each, 0)).toBe(cents({ money: total!.monthly }));
    expect(rows.at(-1)!.cells[0]).toBe('All 3 machines');
  });

  it('says what is in the way, how sure it is, what texts mean and which prices it has', () => {
    const { tables } = reported().report;
    const findings = new Map(
      tableOf(tables, 'What is in the way').rows.map(({ cells }) => [cells[0], cells[1]]),
    );
    expect(findings.get('A licence is not mapped')).toEqual({ number: '1' });
    expect(findings.get('Powered off')).toEqual({ number: '1' });
    expect(findings.get('Not measured')).toEqual({ number: '3' });
    expect(tableOf(tables, 'How sure').answer).toContain('1 of 4 machines were measured');
    const texts = tableOf(tables, 'What do the inventory').rows.map(({ cells }) => [cells[0], cells[2]]);
    expect(texts).toContainEqual(['Server OS', 'licence: ledger-db']);
    expect(texts).toContainEqual(['Tariff engine', 'not mapped: nothing is counted for it']);
    expect(tableOf(tables, 'Which prices').rows[0]!.cells).toEqual([BOOK.title, '1', BOOK.effective]);
  });

  it('says that a total is not all of it, and has none without machines', () => {
    const huge = machine('web-3', 900, 4000, { power: 'on' });
    const { report } = reported(PLAN, [...MACHINES, huge]);
    expect(report.total!.missing).toBe(1);
    expect(fleetTotalText(report.total!, 'USD')).toContain('Incomplete: 1 machines or lines');
    expect(reported({ ...PLAN, placements: [placement({ places: [SEVERN] })] }, []).report.total).toBeNull();
  });
});
