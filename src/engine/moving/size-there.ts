/** A size put together freely, within the limits of another offer: never less, the next that is taken. */
import { type Decimal, decimal, roundedUp } from '../base';
import type { SizeLimits } from '../books';
import type { FreeSize } from '../design';
import type { Cased } from '../usage';

/**
 * Null: the offer takes nothing so large. Memory follows where so many vCPU need more of it, and vCPU where so much
 * memory needs more of them.
 *
 * @example
 * const limits = { vcpuLeast: decimal('1'), vcpuMost: decimal('64'), memoryPerVcpuLeast: decimal('1'), memoryPerVcpuMost: decimal('8') };
 * sizeWithin({ vcpu: { likely: '2' }, memory: { likely: '24' } }, limits)?.vcpu.likely; // => '3'
 */
export function sizeWithin(size: FreeSize, limits: SizeLimits): FreeSize | null {
  const cases = (['likely', 'lean', 'heavy'] as const).filter(
    (each) => each === 'likely' || size.vcpu[each] !== undefined || size.memory[each] !== undefined,
  );
  const vcpu: Partial<Record<'likely' | 'lean' | 'heavy', string>> = {};
  const memory: typeof vcpu = {};
  for (const which of cases) {
    const read = (value: Cased): Decimal => decimal(value[which] ?? value.likely);
    const wanted = read(size.memory);
    const needed = wanted.dividedBy(limits.memoryPerVcpuMost);
    let cores = read(size.vcpu);
    if (cores.lessThan(limits.vcpuLeast)) cores = limits.vcpuLeast;
    if (cores.lessThan(needed)) cores = roundedUp(needed);
    if (cores.greaterThan(limits.vcpuMost)) return null;
    const least = cores.times(limits.memoryPerVcpuLeast);
    vcpu[which] = cores.toString();
    memory[which] = (wanted.lessThan(least) ? least : wanted).toString();
  }
  return { ...size, vcpu: vcpu as Cased, memory: memory as Cased };
}
