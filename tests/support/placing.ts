/** Machines, placements and cells of one book, for tests of placing. */
import {
  BARE_MACHINE,
  cellOf,
  defaultPlacement,
  type Fact,
  type FleetCell,
  type FleetPlacement,
  type Machine,
  Placer,
} from '@/features/fleet/calc';
import { WIDE_BOOKS } from './wide-designs';

export const BOOK = WIDE_BOOKS.get('wide', 1)!;
export const SEVERN = { book: 'wide', region: 'severn' };
const SYSTEMS = {
  'Server OS': { is: 'licensed', product: 'ledger-db' },
  Old: { is: 'not-sold' },
} as const;
export const placer = (systems: ConstructorParameters<typeof Placer>[0]['systems'] = SYSTEMS) =>
  new Placer({ currency: BOOK.currency, exchange: [], books: [BOOK], systems });
export const fact = (value: number): Fact => ({ value, from: 'measured' });
export const machine = (id: string, vcpu: number, memory: number, part: Partial<Machine> = {}): Machine => ({
  ...BARE_MACHINE,
  id,
  name: id,
  system: 'Linux',
  vcpu: fact(vcpu),
  memory: fact(memory),
  ...part,
});
export const placement = (part: Partial<FleetPlacement> = {}): FleetPlacement => ({
  ...defaultPlacement('p', 'There', [SEVERN]),
  rule: { by: 'installed' },
  ...part,
});
export function run<T>(work: Generator<unknown, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
export const cell = (
  machines: readonly Machine[],
  part: Partial<FleetPlacement> = {},
  by = placer(),
): FleetCell => run(cellOf(by, [{ id: 'g', name: 'Group', machines }], placement(part)));
export const money = (value: { toString(): string } | null): string => value?.toString() ?? 'none';
