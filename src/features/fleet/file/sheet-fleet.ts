/**
 * A fleet as a workbook, written row by row so that a hundred thousand machines fit: groups under placements, hosts,
 * machines, disks, and for each placement what every machine becomes and costs. Needs Q2, H6.
 */
import { Writable } from 'node:stream';
import ExcelJs from 'exceljs';
import type { FlatCell, FlatTable } from '@/platform/tables';
import type { Fact, FleetPlan, Machine } from '@/features/fleet/calc';
import { moneyFormat, PLAIN_FORMAT } from '@/platform/files/sheet-style';

interface SheetPlaced {
  readonly needs: string;
  readonly becomes: string;
  readonly byRule: string | null;
  readonly installed: string | null;
  readonly why: string;
}

export interface FleetSheets {
  readonly plan: FleetPlan;
  readonly table: FlatTable;
  readonly machines: readonly Machine[];
  readonly placements: readonly {
    readonly name: string;
    readonly where: string;
    readonly prices: string;
    readonly of: ReadonlyMap<string, SheetPlaced>;
  }[];
}

type Value = string | number | null;

interface Head {
  readonly head: string;
  readonly width: number;
  readonly format?: string;
}

const PERCENT = '0.0 %';
const ROWS_AT_ONCE = 2000;

export async function fleetSheet(read: FleetSheets, at: Date): Promise<Uint8Array> {
  const pieces: Buffer[] = [];
  const stream = new Writable({
    write(chunk: Buffer, _, done) {
      pieces.push(chunk);
      done();
    },
  });
  const book = new ExcelJs.stream.xlsx.WorkbookWriter({ stream, useStyles: true, useSharedStrings: false });
  book.created = at;
  book.modified = at;
  const names = new Set<string>();
  const sheet = async (
    name: string,
    above: readonly string[],
    heads: readonly Head[],
    rows: Iterable<readonly Value[]>,
  ): Promise<void> => addSheet(book, sheetName(name, names), above, heads, rows);
  const { plan, table, machines, placements } = read;
  await sheet('Side by side', [table.title, table.answer], headsOf(table), rowsOf(table));
  await sheet('Hosts', [`Hosts of ${plan.title}, as they are`], HOSTS, hostRows(machines));
  await sheet('Machines', [`Machines of ${plan.title}`], MACHINES, mapped(machines, machineRow));
  await sheet('Disks', [`Disks of ${plan.title}`], DISKS, mapped(machines, diskRow));
  for (const { name, where, prices, of } of placements) {
    const heads = placedHeads(plan.currency);
    const above = [`${name}: ${where}`, `Prices: ${prices}; each machine’s own part of all of them together`];
    await sheet(
      name,
      above,
      heads,
      mapped(machines, (machine) => placedRow(machine, of.get(machine.id))),
    );
  }
  await sheet('What to know', [], [{ head: 'What to know', width: 120 }], knowRows(table));
  await book.commit();
  return new Uint8Array(Buffer.concat(pieces));
}

async function addSheet(
  book: ExcelJs.stream.xlsx.WorkbookWriter,
  name: string,
  above: readonly string[],
  heads: readonly Head[],
  rows: Iterable<readonly Value[]>,
): Promise<void> {
  const top = above.length + 1;
  const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', xSplit: 1, ySplit: top }] });
  sheet.columns = heads.map(({ width }) => ({ width }));
  // One object for all cells of a column: the package looks each one up once, and would write down every other anew.
  const styles = heads.map(({ format }) => (format ? { numFmt: format } : {}));
  for (const text of above) {
    const row = sheet.addRow([text]);
    row.font = { bold: true };
    row.commit();
  }
  const head = sheet.addRow(heads.map((each) => each.head));
  head.font = { bold: true };
  head.commit();
  sheet.autoFilter = { from: { row: top, column: 1 }, to: { row: top, column: heads.length } };
  let count = 0;
  for (const row of rows) {
    const added = sheet.addRow([...row]);
    added.eachCell((cell, column) => {
      cell.style = styles[column - 1]!;
    });
    added.commit();
    count += 1;
    // Lets what was written leave.
    if (count % ROWS_AT_ONCE === 0) await new Promise((resolve) => setImmediate(resolve));
  }
  sheet.commit();
}

/** Sheets have short names without some signs, each its own. */
function sheetName(name: string, taken: Set<string>): string {
  const stem =
    name
      .replace(/[\\/?*[\]:]/g, ' ')
      .replace(/^'+|'+$/g, '')
      .trim()
      .slice(0, 28) || 'Sheet';
  let made = stem;
  for (let at = 2; taken.has(made.toLowerCase()); at += 1) made = `${stem.slice(0, 27)} ${at}`;
  taken.add(made.toLowerCase());
  return made;
}

function* mapped(
  machines: readonly Machine[],
  row: (machine: Machine) => readonly Value[],
): Generator<readonly Value[]> {
  for (const machine of machines) yield row(machine);
}

const number = (fact: Fact | null): number | null => fact?.value ?? null;

const MACHINES: readonly Head[] = [
  { head: 'Machine', width: 28 },
  { head: 'Host', width: 16 },
  { head: 'Cluster', width: 14 },
  { head: 'Environment', width: 12 },
  { head: 'Operating system', width: 22 },
  { head: 'Power', width: 8 },
  { head: 'vCPU', width: 8, format: PLAIN_FORMAT },
  { head: 'Memory, GiB', width: 12, format: PLAIN_FORMAT },
  { head: 'CPU, peak', width: 10, format: PERCENT },
  { head: 'CPU, 95th percentile', width: 12, format: PERCENT },
  { head: 'Memory, peak', width: 10, format: PERCENT },
  { head: 'Memory, 95th percentile', width: 12, format: PERCENT },
  { head: 'Operations a second', width: 12, format: PLAIN_FORMAT },
  { head: 'Sent a month, GB', width: 12, format: PLAIN_FORMAT },
];

function machineRow(machine: Machine): Value[] {
  const { name, host, cluster, environment, system, power } = machine;
  return [
    name,
    host,
    cluster,
    environment,
    system,
    power,
    number(machine.vcpu),
    number(machine.memory),
    number(machine.peakCpu),
    number(machine.usualCpu),
    number(machine.peakMemory),
    number(machine.usualMemory),
    number(machine.iops),
    number(machine.sent),
  ];
}

const DISKS: readonly Head[] = [
  { head: 'Machine', width: 28 },
  { head: 'Set aside, GiB', width: 14, format: PLAIN_FORMAT },
  { head: 'Used, GiB', width: 14, format: PLAIN_FORMAT },
  { head: 'Shared', width: 8 },
];

const diskRow = (machine: Machine): Value[] => [
  machine.name,
  number(machine.storage),
  number(machine.stored),
  machine.sharedDisks ? 'yes' : '',
];

const HOSTS: readonly Head[] = [
  { head: 'Host', width: 24 },
  { head: 'Cluster', width: 16 },
  { head: 'Machines', width: 10, format: PLAIN_FORMAT },
  { head: 'vCPU on it', width: 12, format: PLAIN_FORMAT },
  { head: 'Memory on it, GiB', width: 14, format: PLAIN_FORMAT },
];

function* hostRows(machines: readonly Machine[]): Generator<readonly Value[]> {
  const hosts = new Map<string, { cluster: string; count: number; vcpu: number; memory: number }>();
  for (const { host, cluster, vcpu, memory } of machines) {
    const key = host || 'not said';
    const kept = hosts.get(key) ?? { cluster, count: 0, vcpu: 0, memory: 0 };
    hosts.set(key, {
      cluster: kept.cluster === cluster ? cluster : 'several',
      count: kept.count + 1,
      vcpu: kept.vcpu + vcpu.value,
      memory: kept.memory + memory.value,
    });
  }
  for (const [host, { cluster, count, vcpu, memory }] of [...hosts].sort(([a], [b]) => (a < b ? -1 : 1)))
    yield [host, cluster, count, vcpu, memory];
}

function placedHeads(currency: string): Head[] {
  const money = moneyFormat(currency);
  return [
    { head: 'Machine', width: 28 },
    { head: 'Needs', width: 34 },
    { head: 'Becomes', width: 22 },
    { head: `By the rule, ${currency} a month`, width: 16, format: money },
    { head: `As installed, ${currency} a month`, width: 16, format: money },
    { head: 'Why not', width: 34 },
  ];
}

function placedRow({ name }: Machine, placed: SheetPlaced | undefined): Value[] {
  if (!placed) return [name, '', '', null, null, 'left out by the placement'];
  const { needs, becomes, byRule, installed, why } = placed;
  const money = (text: string | null): number | null => (text === null ? null : Number(text));
  return [name, needs, becomes, money(byRule), money(installed), why];
}

function headsOf({ head, rows, currency }: FlatTable): Head[] {
  return head.map((text, at) => {
    const cell = rows.find(({ cells }) => typeof cells[at] === 'object')?.cells[at];
    const format =
      typeof cell !== 'object'
        ? undefined
        : 'money' in cell
          ? moneyFormat(currency)
          : 'share' in cell
            ? PERCENT
            : PLAIN_FORMAT;
    return { head: text, width: at === 0 ? 28 : format ? 14 : 24, ...(format ? { format } : {}) };
  });
}

function* rowsOf({ rows }: FlatTable): Generator<readonly Value[]> {
  for (const { cells } of rows) yield cells.map(valueOf);
}

function valueOf(cell: FlatCell): Value {
  if (typeof cell === 'string') return cell;
  return Number('money' in cell ? cell.money : 'share' in cell ? cell.share : cell.number);
}

function* knowRows({ notes }: FlatTable): Generator<readonly Value[]> {
  for (const { title, lines } of notes) {
    yield [title];
    for (const line of lines) yield [`  ${line}`];
  }
}
