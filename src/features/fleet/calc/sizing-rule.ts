/**
 * What a machine needs under a rule: as it is installed, or as it is really used. Where nothing was measured it is what is
 * installed, and says so; a need is never rounded down. Source: pricing rules, "Match"; needs L7, M7, M8.
 */
import { decimal } from '@/engine/base';
import type { Need } from '@/engine/sizing';
import type { Fact, Machine } from './model';

/**
 * - `installed`: as the inventory says.
 * - `peak`, `usual`: the highest measured share, or the one that nineteen of twenty measurements do not exceed, and so much
 *   on top of it.
 * - `target`: so large that the measured peak fills this share of it.
 */
export type SizingRule =
  | { readonly by: 'installed' }
  | { readonly by: 'peak' | 'usual'; readonly headroom: number }
  | { readonly by: 'target'; readonly cpu: number; readonly memory: number };

export interface SizedNeed {
  readonly vcpu: string;
  /** GiB. */
  readonly memory: string;
  /** Why: `fallback` where the rule asks for what was not measured. */
  readonly cpuBy: 'installed' | 'rule' | 'fallback';
  readonly memoryBy: 'installed' | 'rule' | 'fallback';
}

const DIGITS = 4;
/** Below it a whole number of ten-thousandths is written without a power of ten. */
const LARGEST = 1e15;

/** Rounded up to so many digits: a hair less would not fit. Fifteen digits of a double are told rightly. */
function written(value: number): string {
  if (Number.isInteger(value) && value < LARGEST) return String(value);
  const scaled = Number((value * 10 ** DIGITS).toPrecision(15));
  const whole = Math.floor(scaled);
  if (whole < LARGEST) return String((whole < scaled ? whole + 1 : whole) / 10 ** DIGITS);
  return decimal(value.toPrecision(15)).toDecimalPlaces(DIGITS, 2).toString();
}

/**
 * @example
 * const fact = (value: number) => ({ value, from: 'measured' as const });
 * sizedNeed({ vcpu: fact(16), memory: fact(64), peakCpu: fact(0.19), peakMemory: null, usualCpu: null, usualMemory: null }, { by: 'peak', headroom: 0.2 }); // => { vcpu: '3.648', memory: '64', cpuBy: 'rule', memoryBy: 'fallback' }
 */
export function sizedNeed(
  machine: Pick<Machine, 'vcpu' | 'memory' | 'peakCpu' | 'usualCpu' | 'peakMemory' | 'usualMemory'>,
  rule: SizingRule,
): SizedNeed {
  const { vcpu, memory } = machine;
  if (rule.by === 'installed') {
    return {
      vcpu: written(vcpu.value),
      memory: written(memory.value),
      cpuBy: 'installed',
      memoryBy: 'installed',
    };
  }
  const [cpuShare, memoryShare] =
    rule.by === 'usual' ? [machine.usualCpu, machine.usualMemory] : [machine.peakCpu, machine.peakMemory];
  const times = (dimension: 'cpu' | 'memory'): number =>
    rule.by === 'target' ? 1 / rule[dimension] : 1 + rule.headroom;
  const sized = (installed: Fact, share: Fact | null, dimension: 'cpu' | 'memory') =>
    share === null
      ? ([written(installed.value), 'fallback'] as const)
      : ([written(installed.value * share.value * times(dimension)), 'rule'] as const);
  const [cpu, cpuBy] = sized(vcpu, cpuShare, 'cpu');
  const [gib, memoryBy] = sized(memory, memoryShare, 'memory');
  return { vcpu: cpu, memory: gib, cpuBy, memoryBy };
}

/**
 * The need as the offers are asked; what costs a vCPU counts as each offer counts it.
 *
 * @example
 * needOf({ vcpu: '4', memory: '16', cpuBy: 'installed', memoryBy: 'installed' }, { allowBurstable: true }); // => { vcpu: '4', memory: '16', allowBurstable: true }
 */
export function needOf({ vcpu, memory }: SizedNeed, allowed: Omit<Need, 'vcpu' | 'memory'>): Need {
  return { vcpu, memory, ...allowed };
}
