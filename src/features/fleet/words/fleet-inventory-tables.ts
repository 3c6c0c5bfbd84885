/** The tables of a fleet's report that tell the estate itself, what is in the way, and what everything rests on. */
import { decimal } from '@/engine/base';
import {
  type FleetPlan,
  installedPicture,
  licenceTextsOf,
  type Machine,
  PLACEMENT_SETTINGS,
  READINESS_RULES,
  type ReadinessCode,
  surePicture,
  type SystemChoice,
  systemTexts,
  UNION,
} from '@/features/fleet/calc';
import { writeNumber, writeShare } from '@/platform/words';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import type { ToldMatrix } from './fleet-told';
import { filterText, type FleetPlaceNames, settingText } from './fleet-words';

/** A price book that the amounts come from. */
export interface FleetReportBook {
  readonly key: string;
  readonly title: string;
  readonly revision: number;
  /** ISO date. */
  readonly effective: string;
}

const number = (value: number): FlatCell => ({ number: String(value) });
const whole = (value: number): FlatCell => ({ number: String(Math.round(value)) });
const count = (value: number): string => writeNumber(String(value));
const share = (value: number): string => writeShare(decimal(value.toPrecision(6)));
const row = (...cells: readonly FlatCell[]): FlatRow => ({ level: 'line', cells });
/** Without amounts, so in no currency. */
const bare = (
  title: string,
  answer: string,
): Pick<FlatTable, 'title' | 'answer' | 'currency' | 'noSums'> => ({
  title,
  answer,
  currency: '',
  noSums: true,
});

export function installedTable(machines: readonly Machine[]): FlatTable {
  const { rows, disk, unmeasured } = installedPicture(machines);
  const words = { vcpu: 'vCPU', memory: 'Memory, GiB' } as const;
  const [cpu] = rows;
  const idle = cpu && cpu.peak !== null && cpu.measured > 0 ? 1 - cpu.peak / cpu.measured : null;
  const known = (value: number | null): FlatCell => (value === null ? 'not known' : whole(value));
  return {
    ...bare(
      'How much is installed for nothing?',
      idle === null
        ? 'Nothing was measured, so nobody knows.'
        : `Of the vCPU of machines that were measured, ${share(idle)} is not used even when each is at its own peak. ${count(unmeasured)} machines were not measured.`,
    ),
    head: ['What', 'Installed', 'Of that measured', 'At the peak', '95th percentile'],
    rows: [
      ...rows.map(({ what, installed, measured, peak, usual }) =>
        row(words[what], whole(installed), whole(measured), known(peak), known(usual)),
      ),
      row('Disk, GiB', whole(disk.allocated), '', known(disk.used), ''),
    ],
    notes: [],
  };
}

export function sureTable(machines: readonly Machine[]): FlatTable {
  const { rows } = surePicture(machines);
  const measured = rows.find(({ what }) => what === 'CPU, peak')?.measured ?? 0;
  return {
    ...bare(
      'How sure is this?',
      `${count(measured)} of ${count(machines.length)} machines were measured; the others are sized as they are installed.`,
    ),
    head: ['What', 'Measured', 'Added up', 'As the list says', 'Missing'],
    rows: rows.map((each) =>
      row(each.what, number(each.measured), number(each.derived), number(each.typed), number(each.missing)),
    ),
    notes: [],
  };
}

const SOME = 5;

export function readinessTable(
  machines: readonly Machine[],
  readinessOf: (machine: Machine) => readonly ReadinessCode[],
): FlatTable {
  const found = new Map<ReadinessCode, { machines: number; readonly some: string[] }>();
  let ready = 0;
  for (const machine of machines) {
    const codes = readinessOf(machine);
    if (codes.length === 0) ready += 1;
    for (const code of codes) {
      const kept = found.get(code) ?? { machines: 0, some: [] };
      kept.machines += 1;
      if (kept.some.length < SOME) kept.some.push(machine.name);
      found.set(code, kept);
    }
  }
  return {
    ...bare(
      'What is in the way?',
      `${count(ready)} of ${count(machines.length)} machines have nothing in their way.`,
    ),
    head: ['Finding', 'Machines', 'Weight', 'What it means', 'Such as'],
    rows: READINESS_RULES.flatMap(({ code, weight, title, means }) => {
      const kept = found.get(code);
      if (!kept) return [];
      const some = `${kept.some.join(', ')}${kept.machines > SOME ? ' …' : ''}`;
      return [row(title, number(kept.machines), weight === 'stops' ? 'stops it' : 'ask first', means, some)];
    }),
    notes: [],
  };
}

export function groupsTable({ groups, overlap }: ToldMatrix, plan: FleetPlan): FlatTable {
  const twice = overlap.twice > 0 ? ` ${count(overlap.twice)} more stand in several.` : '';
  return {
    ...bare(
      'Which machines are in which group?',
      `${count(overlap.union)} machines are in a group, each counted once.${twice} ${count(overlap.inNone)} are in none.`,
    ),
    head: ['Group', 'Which machines', 'Machines'],
    rows: groups
      .filter(({ id }) => id !== UNION)
      .map(({ id, name, machines }) =>
        row(name, filterText(plan.groups.find((each) => each.id === id)?.filter ?? {}), number(machines)),
      ),
    notes: [],
  };
}

export function settingsTable({ placements }: FleetPlan, names: FleetPlaceNames): FlatTable {
  return {
    ...bare('What does each placement say?', 'Whatever two placements do not differ in is held equal.'),
    head: [],
    rows: [],
    notes: placements.map((placement) => ({
      title: placement.name,
      lines: [
        PLACEMENT_SETTINGS.map((setting) => settingText({ setting, value: placement[setting] }, names)).join(
          '; ',
        ),
      ],
    })),
  };
}

export function systemsTable(machines: readonly Machine[], plan: FleetPlan): FlatTable {
  const means = (choice: SystemChoice | null): string => {
    if (!choice) return 'not mapped: nothing is counted for it';
    if (choice.is === 'licensed') return `licence: ${choice.product}`;
    return choice.is === 'free' ? 'no licence is paid' : 'cannot be rented';
  };
  const systems = systemTexts(machines, plan.systems);
  const licences = licenceTextsOf(machines, plan.licences ?? {});
  const unmapped = [...systems, ...licences].filter(({ choice }) => !choice).length;
  return {
    ...bare(
      'What do the inventory’s systems and licences mean?',
      unmapped === 0 ? 'Every text is mapped.' : `${count(unmapped)} texts are not mapped.`,
    ),
    head: ['As the inventory writes', 'Machines', 'Means'],
    rows: [...systems, ...licences].map(({ text, machines: of, choice }) =>
      row(text || 'not said', number(of), means(choice)),
    ),
    notes: [],
  };
}

export function pricesTable(books: readonly FleetReportBook[], { exchange }: FleetPlan): FlatTable {
  return {
    ...bare('Which prices?', 'Every amount comes from these books as they are dated.'),
    head: ['Book', 'Revision', 'Prices of'],
    rows: books.map(({ title, revision, effective }) => row(title, String(revision), effective)),
    notes:
      exchange.length > 0
        ? [
            {
              title: 'Exchange rates',
              lines: exchange.map(({ from, to, rate, date }) => `1 ${from} = ${rate} ${to}, of ${date}`),
            },
          ]
        : [],
  };
}
