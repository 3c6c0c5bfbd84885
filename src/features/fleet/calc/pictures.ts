/** What an inventory says of itself: how much is installed for nothing, and how sure that is. Needs M5, M15. */
import type { Fact, Machine } from './model';

export interface InstalledPicture {
  readonly rows: readonly {
    readonly what: 'vcpu' | 'memory';
    readonly installed: number;
    /** Of machines that are measured; null: none is. */
    readonly peak: number | null;
    readonly usual: number | null;
    /** Installed on those that have a peak. */
    readonly measured: number;
  }[];
  readonly disk: { readonly allocated: number; readonly used: number | null };
  /** Machines by how full their vCPU is at the peak: tenths, and those that nobody measured. */
  readonly tenths: readonly number[];
  readonly unmeasured: number;
}

export interface SurePicture {
  readonly rows: readonly {
    readonly what: string;
    readonly measured: number;
    readonly typed: number;
    readonly derived: number;
    readonly missing: number;
  }[];
  readonly machines: number;
}

/**
 * What is installed against what is used; only machines that were measured say so.
 *
 * @example
 * installedPicture([]).disk; // => { allocated: 0, used: null }
 */
export function installedPicture(machines: readonly Machine[]): InstalledPicture {
  const row = (
    what: 'vcpu' | 'memory',
    peak: 'peakCpu' | 'peakMemory',
    usual: 'usualCpu' | 'usualMemory',
  ) => {
    const known = machines.filter((machine) => machine[peak] !== null);
    const used = (share: typeof peak | typeof usual): number | null => {
      const some = machines.filter((machine) => machine[share] !== null);
      return some.length === 0
        ? null
        : some.reduce((sum, machine) => sum + machine[what].value * machine[share]!.value, 0);
    };
    return {
      what,
      installed: machines.reduce((sum, machine) => sum + machine[what].value, 0),
      peak: used(peak),
      usual: used(usual),
      measured: known.reduce((sum, machine) => sum + machine[what].value, 0),
    };
  };
  const tenths = Array.from({ length: 10 }, () => 0);
  let unmeasured = 0;
  for (const { peakCpu } of machines) {
    if (peakCpu === null) unmeasured += 1;
    else tenths[Math.min(9, Math.floor(peakCpu.value * 10))]! += 1;
  }
  const stored = machines.filter((machine) => machine.stored !== null);
  return {
    rows: [row('vcpu', 'peakCpu', 'usualCpu'), row('memory', 'peakMemory', 'usualMemory')],
    disk: {
      allocated: machines.reduce((sum, { storage }) => sum + (storage?.value ?? 0), 0),
      used: stored.length === 0 ? null : stored.reduce((sum, machine) => sum + machine.stored!.value, 0),
    },
    tenths,
    unmeasured,
  };
}

/**
 * Where each quantity comes from, counted over the machines.
 *
 * @example
 * surePicture([]).rows[0]; // => { what: 'vCPU', measured: 0, typed: 0, derived: 0, missing: 0 }
 */
export function surePicture(machines: readonly Machine[]): SurePicture {
  const facts: readonly (readonly [string, (machine: Machine) => Fact | null])[] = [
    ['vCPU', ({ vcpu }) => vcpu],
    ['Memory', ({ memory }) => memory],
    ['Disk set aside', ({ storage }) => storage],
    ['Disk used', ({ stored }) => stored],
    ['CPU, peak', ({ peakCpu }) => peakCpu],
    ['CPU, 95th percentile', ({ usualCpu }) => usualCpu],
    ['Memory, peak', ({ peakMemory }) => peakMemory],
    ['Memory, 95th percentile', ({ usualMemory }) => usualMemory],
    ['Operations a second', ({ iops }) => iops],
    ['Sent a month', ({ sent }) => sent],
  ];
  const rows = facts.map(([what, read]) => {
    const counts = { measured: 0, typed: 0, derived: 0, missing: 0 };
    for (const machine of machines) counts[read(machine)?.from ?? 'missing'] += 1;
    return { what, ...counts };
  });
  return { rows, machines: machines.length };
}
