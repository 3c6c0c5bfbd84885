/** Groups under placements as they are told: the same cells and sentences on the screen, in files and on the command line. */
import { type FleetPlan, type GroupMachines, type Matrix, onceEach, UNION } from '@/features/fleet/calc';
import { plainCell, type PlainCell } from './fleet-cells';
import { mixText } from './fleet-words';

export const ALL_GROUPS = 'All groups, each machine once';

export interface ToldMatrix {
  readonly currency: string;
  /** The last is all of them together, where there are several. */
  readonly groups: readonly { readonly id: string; readonly name: string; readonly machines: number }[];
  readonly cells: readonly PlainCell[];
  /** In any group; in more than one; in none of them. */
  readonly overlap: { readonly union: number; readonly twice: number; readonly inNone: number };
  readonly mix: {
    readonly chosen: readonly {
      readonly group: string;
      readonly placement: string;
      readonly machines: number;
    }[];
    readonly monthly: string;
    readonly text: string;
  } | null;
}

/**
 * `all`: how many machines the fleet has.
 *
 * @example
 * const plan = newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: '' });
 * toldMatrix({ cells: [], union: [], mix: null }, [], plan, 3).overlap; // => { union: 0, twice: 0, inNone: 3 }
 */
export function toldMatrix(
  matrix: Matrix,
  groups: readonly GroupMachines[],
  plan: Pick<FleetPlan, 'placements' | 'currency'>,
  all: number,
): ToldMatrix {
  const { currency, placements } = plan;
  const cells = [...matrix.cells, ...matrix.union];
  const firsts = new Map(
    cells.filter(({ cell }) => cell.placement === placements[0]?.id).map((each) => [each.group, each]),
  );
  const union = onceEach(groups).reduce((sum, { machines }) => sum + machines.length, 0);
  const memberships = groups.reduce((sum, { machines }) => sum + machines.length, 0);
  const { mix } = matrix;
  const told = groups.map(({ group: { id, name }, machines }) => ({ id, name, machines: machines.length }));
  return {
    currency,
    groups: groups.length > 1 ? [...told, { id: UNION, name: ALL_GROUPS, machines: union }] : told,
    cells: cells.map((each) => plainCell(each, firsts.get(each.group), currency)),
    overlap: { union, twice: memberships - union, inNone: all - union },
    mix: mix && {
      chosen: mix.chosen,
      monthly: mix.monthly.toString(),
      text: mixText(mix, currency, (id) => placements.find((each) => each.id === id)?.name ?? id),
    },
  };
}
