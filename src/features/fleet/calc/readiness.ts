/**
 * What is in the way of moving a machine, each finding by a rule that is data: what it looks at, from which limit on, and
 * what it means. Needs M11, B13.
 */
import { type Machine } from './model';
import { licenceOf, licenceTexts, systemOf, type Systems } from './systems';

export const READINESS_CODES = [
  'no-size',
  'system-unknown',
  'system-not-sold',
  'licence-unknown',
  'much-disk',
  'licence-bound',
  'shared-disks',
  'not-measured',
  'powered-off',
] as const;
export type ReadinessCode = (typeof READINESS_CODES)[number];

export interface ReadinessRule {
  readonly code: ReadinessCode;
  /** `stops`: it cannot go as it is. `ask`: somebody has to look at it first. */
  readonly weight: 'stops' | 'ask';
  readonly title: string;
  /** Why it matters, and what to do. */
  readonly means: string;
}

export const READINESS_RULES: readonly ReadinessRule[] = [
  {
    code: 'no-size',
    weight: 'stops',
    title: 'No size is as large',
    means:
      'No offer at any of the places of the placements has so much vCPU or memory. Split it, or use a whole host.',
  },
  {
    code: 'system-not-sold',
    weight: 'stops',
    title: 'Its system is not sold',
    means: 'Nobody rents out machines with this system. Bring it to a newer one, or keep it where it is.',
  },
  {
    code: 'system-unknown',
    weight: 'ask',
    title: 'Its system is not mapped',
    means: 'No licence is counted for it. Say under Systems what the text of the inventory means.',
  },
  {
    code: 'licence-unknown',
    weight: 'ask',
    title: 'A licence is not mapped',
    means: 'Nothing is counted for it. Say under Licences what the text of the inventory means.',
  },
  {
    code: 'much-disk',
    weight: 'ask',
    title: 'Much disk',
    means: 'More is set aside than a single volume usually takes; moving it takes long.',
  },
  {
    code: 'licence-bound',
    weight: 'ask',
    title: 'A licence is bound to its host',
    means: 'The inventory says that a licence counts the host or its cores. Look whether it may move.',
  },
  {
    code: 'shared-disks',
    weight: 'ask',
    title: 'Disks are shared',
    means:
      'Other machines use the same disks: they have to move together, and volumes for one machine do not do.',
  },
  {
    code: 'not-measured',
    weight: 'ask',
    title: 'Not measured',
    means: 'Its size is what is installed. Measure it before much is decided by it.',
  },
  {
    code: 'powered-off',
    weight: 'ask',
    title: 'Powered off',
    means: 'Perhaps nobody needs it any more. Ask before it is paid for.',
  },
];

export interface ReadinessLimits {
  /** GiB set aside. */
  readonly muchDisk: number;
}

export const READINESS_LIMITS: ReadinessLimits = { muchDisk: 16_384 };

export interface ReadinessAsked {
  readonly systems: Systems;
  /** By the texts of licences. */
  readonly licences?: Systems;
  readonly limits: ReadinessLimits;
  /** The most that any offer has; absent: nobody looked. */
  readonly largest?: (machine: Machine) => boolean;
}

/**
 * What was found, in the order of the rules.
 *
 * @example
 * const size = { value: 2, from: 'typed' as const };
 * const machine = { ...BARE_MACHINE, id: 'web-01', name: 'web-01', vcpu: size, memory: size };
 * readinessOf({ ...machine, power: 'off' }, { systems: {}, limits: { muchDisk: 16384 } }); // => ['system-unknown', 'not-measured', 'powered-off']
 */
export function readinessOf(
  machine: Machine,
  { systems, licences = {}, limits, largest }: ReadinessAsked,
): ReadinessCode[] {
  const system = systemOf(machine.system, systems);
  const found: ReadinessCode[] = [];
  if (largest && !largest(machine)) found.push('no-size');
  if (system?.is === 'not-sold') found.push('system-not-sold');
  if (!system) found.push('system-unknown');
  if (licenceTexts(machine.licences).some((text) => !licenceOf(text, licences)))
    found.push('licence-unknown');
  if ((machine.storage?.value ?? 0) > limits.muchDisk) found.push('much-disk');
  if (/bound|host|socket|core|dongle/i.test(machine.licences)) found.push('licence-bound');
  if (machine.sharedDisks) found.push('shared-disks');
  if (machine.peakCpu === null || machine.peakMemory === null) found.push('not-measured');
  if (machine.power === 'off') found.push('powered-off');
  return found;
}
