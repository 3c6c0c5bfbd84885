/**
 * An estate without an inventory: rows of like machines, or totals only, become machines like any other, marked as typed.
 * Source: pricing rules, "Quick estate"; needs M9, M14, M17.
 */
import { BARE_MACHINE, type Fact, type Machine } from './model';

export interface QuickRow {
  readonly system: string;
  readonly count: number;
  readonly vcpu: number;
  /** GiB. */
  readonly memory: number;
  readonly storage: number;
}

const typed = (value: number): Fact => ({ value, from: 'typed' });

/** More than that is brought as a file. */
export const MOST_QUICK = 20_000;

/**
 * Row by row, each as often as it says.
 *
 * @example
 * quickMachines([{ system: 'Linux', count: 2, vcpu: 4, memory: 16, storage: 100 }]).map(({ name }) => name); // => ['Linux 4/16 1', 'Linux 4/16 2']
 */
export function quickMachines(rows: readonly QuickRow[]): Machine[] {
  const taken = new Map<string, number>();
  return rows.flatMap(({ system, count, vcpu, memory, storage }) => {
    const stem = `${system || 'Machine'} ${vcpu}/${memory}`;
    const before = taken.get(stem) ?? 0;
    taken.set(stem, before + count);
    return Array.from({ length: count }, (_, at): Machine => {
      const name = `${stem} ${before + at + 1}`;
      return {
        ...BARE_MACHINE,
        id: name,
        name,
        system,
        vcpu: typed(vcpu),
        memory: typed(memory),
        storage: storage > 0 ? typed(storage) : null,
      };
    });
  });
}

/** What is known where nobody has a list. Shares are 0 to 1. */
export interface QuickTotals {
  readonly vcpu: number;
  /** GiB for each vCPU. */
  readonly memoryPerVcpu: number;
  readonly storage: number;
  /** How much of it is used at its highest; 1: unknown. */
  readonly use: number;
  /** How large one machine is taken for. */
  readonly vcpuEach: number;
  /** Of all machines: work with a special licence. */
  readonly special: { readonly system: string; readonly share: number } | null;
  /** Of what is left: these systems. They have to add up to one. */
  readonly systems: readonly { readonly system: string; readonly share: number }[];
}

export type QuickFault = 'nothing' | 'too-many' | 'shares' | 'special';

/**
 * What is wrong with totals; null: nothing.
 *
 * @example
 * quickFault({ vcpu: 100, memoryPerVcpu: 4, storage: 0, use: 1, vcpuEach: 4, special: null, systems: [{ system: 'Linux', share: 0.7 }] }); // => 'shares'
 */
export function quickFault({
  vcpu,
  memoryPerVcpu,
  vcpuEach,
  special,
  systems,
}: QuickTotals): QuickFault | null {
  if (!(vcpu > 0) || !(memoryPerVcpu > 0) || !(vcpuEach > 0)) return 'nothing';
  if (vcpu / vcpuEach > MOST_QUICK) return 'too-many';
  if (special && (special.share < 0 || special.share > 1)) return 'special';
  const sum = systems.reduce((all, { share }) => all + share, 0);
  return Math.abs(sum - 1) > 1e-9 ? 'shares' : null;
}

/**
 * Machines of one size that have the totals together; the last one has what is left. Systems by largest remainder, so that
 * every machine has one. Refused with an error where `quickFault` finds one.
 *
 * @example
 * machinesOfTotals({ vcpu: 10, memoryPerVcpu: 4, storage: 30, use: 0.5, vcpuEach: 4, special: null, systems: [{ system: 'Linux', share: 1 }] }).map(({ vcpu }) => vcpu.value); // => [4, 4, 2]
 */
export function machinesOfTotals(totals: QuickTotals): Machine[] {
  const fault = quickFault(totals);
  if (fault) throw new Error(`These totals make no estate: ${fault}.`);
  const { vcpu, memoryPerVcpu, storage, use, vcpuEach, special, systems } = totals;
  const count = upTo(vcpu / vcpuEach);
  const own = Math.round((special?.share ?? 0) * count);
  const names = [...Array.from({ length: own }, () => special!.system), ...shared(systems, count - own)];
  return names.map((system, at): Machine => {
    const size = at === count - 1 ? vcpu - vcpuEach * (count - 1) : vcpuEach;
    const name = `Machine ${at + 1}`;
    const share: Fact | null = use < 1 ? { value: use, from: 'typed' } : null;
    return {
      ...BARE_MACHINE,
      id: name,
      name,
      system,
      vcpu: typed(size),
      memory: typed(size * memoryPerVcpu),
      storage: storage > 0 ? typed((storage * size) / vcpu) : null,
      peakCpu: share,
      usualCpu: share,
      peakMemory: share,
      usualMemory: share,
    };
  });
}

function upTo(value: number): number {
  const down = Math.floor(value);
  return value - down > 1e-9 ? down + 1 : down;
}

/** So many names, by share; what is left after whole ones goes to the largest remainders. */
function shared(systems: QuickTotals['systems'], count: number): string[] {
  const parts = systems.map(({ system, share }, at) => ({
    system,
    at,
    whole: Math.floor(share * count + 1e-9),
    rest: (share * count) % 1,
  }));
  const left = count - parts.reduce((sum, { whole }) => sum + whole, 0);
  const raised = new Set(
    [...parts]
      .sort((a, b) => b.rest - a.rest || a.at - b.at)
      .slice(0, left)
      .map(({ at }) => at),
  );
  return parts.flatMap(({ system, at, whole }) =>
    Array.from({ length: whole + (raised.has(at) ? 1 : 0) }, () => system),
  );
}
