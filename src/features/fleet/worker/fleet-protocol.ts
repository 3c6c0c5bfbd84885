/**
 * The contract between the page and its fleet worker: one fleet is open in it, with all its machines; every question that
 * hangs on what is planned carries the plan. Long answers tell how far they are, and can be called off.
 */
import type { Design } from '@/engine/design';
import type { TableReport } from '@/platform/tables';
import type { FleetPlan, Machine } from '@/features/fleet/calc';
import type { Study } from '@/features/own-or-rent/calc';
import type { WorkProgress } from '@/platform/workers/asking-client';
import type { LookedAt } from '@/features/fleet/format/read-inventory';
import type {
  AverageAnswer,
  HostsAnswer,
  InstalledPicture,
  MachineAnswer,
  MachineQuery,
  MachineRow,
  MachineTally,
  MatrixAnswer,
  MoneyPicture,
  PartsAnswer,
  PlainMapping,
  ReadSummary,
  SurePicture,
  ValuesAnswer,
} from './fleet-answers';

export * from './fleet-answers';
export type { LookedAt };

interface OfPlan {
  readonly plan: FleetPlan;
}

export type FleetQuestion =
  | { readonly ask: 'open'; readonly id: string; readonly machines: number }
  | { readonly ask: 'look'; readonly files: readonly File[]; readonly mapping: PlainMapping }
  | {
      readonly ask: 'read';
      readonly title: string;
      readonly files: readonly File[];
      readonly mapping: PlainMapping;
    }
  | { readonly ask: 'typed'; readonly machines: readonly Machine[] }
  | { readonly ask: 'send'; readonly id: string; readonly title: string; readonly origin: string }
  | { readonly ask: 'rejected' }
  | ({
      readonly ask: 'rows';
      readonly from: number;
      readonly count: number;
      readonly query: MachineQuery;
    } & OfPlan)
  | ({ readonly ask: 'tally'; readonly query: MachineQuery } & OfPlan)
  | ({ readonly ask: 'values' } & OfPlan)
  | ({ readonly ask: 'money'; readonly query: MachineQuery } & OfPlan)
  | ({ readonly ask: 'installed'; readonly query: MachineQuery } & OfPlan)
  | ({ readonly ask: 'sure'; readonly query: MachineQuery } & OfPlan)
  | ({ readonly ask: 'machine'; readonly machine: string } & OfPlan)
  | ({ readonly ask: 'parts'; readonly machine: string; readonly placement: string } & OfPlan)
  | ({ readonly ask: 'matrix' } & OfPlan)
  | ({ readonly ask: 'report' } & OfPlan)
  | ({ readonly ask: 'study'; readonly start: string } & OfPlan)
  | ({ readonly ask: 'hosts'; readonly group: string; readonly placement: string } & OfPlan)
  | ({ readonly ask: 'average'; readonly query: MachineQuery } & OfPlan)
  | ({
      readonly ask: 'design';
      readonly group: string;
      readonly placement: string;
      /** A line for each machine, where that costs the same. */
      readonly oneByOne?: boolean;
    } & OfPlan)
  | ({ readonly ask: 'csv'; readonly query: MachineQuery } & OfPlan);

export interface FleetAnswers {
  open: { readonly machines: number };
  look: readonly LookedAt[];
  read: ReadSummary;
  typed: ReadSummary;
  send: {
    readonly id: string;
    readonly isNew: boolean;
    readonly machines: number;
    readonly added: number;
    readonly gone: number;
    readonly changed: number;
  };
  rejected: string;
  rows: { readonly total: number; readonly rows: readonly MachineRow[] };
  tally: MachineTally;
  values: ValuesAnswer;
  money: MoneyPicture;
  installed: InstalledPicture;
  sure: SurePicture;
  machine: MachineAnswer | null;
  parts: PartsAnswer | null;
  matrix: MatrixAnswer;
  report: TableReport;
  study: Study;
  hosts: HostsAnswer | null;
  average: AverageAnswer;
  design: {
    readonly design: Design;
    readonly printed: string;
    readonly machines: number;
    /** Where they were wanted one by one. */
    readonly isOneByOne: boolean;
  };
  csv: string;
}

export type FleetProgress = WorkProgress;
