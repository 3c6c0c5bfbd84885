/** A comparison as rows of a grid: groups with their lines, or the sides themselves as rows. */
import type { ComparedCell, ComparedColumn, Comparison } from '@/features/compare/calc/comparison';

export interface GridColumn {
  readonly key: string;
  readonly name: string;
}

export interface GridRow {
  readonly key: string;
  readonly level: 'group' | 'line' | 'side';
  readonly name: string;
  readonly cells: readonly ComparedCell[];
  /** Whether a second line is needed for what it became and by how much it differs. */
  readonly tall: boolean;
}

export function rowsOf({ groups }: Comparison, onlyDiffering: boolean): GridRow[] {
  return groups.flatMap((group): GridRow[] => {
    const lines = group.lines.filter((line) => !onlyDiffering || line.differs);
    if (onlyDiffering && lines.length === 0) return [];
    return [
      { key: `group ${group.id}`, level: 'group', name: group.name, cells: group.cells, tall: group.differs },
      ...lines.map((line): GridRow => ({
        key: line.id,
        level: 'line',
        name: line.name,
        cells: line.cells,
        tall: line.differs,
      })),
    ];
  });
}

const TOTAL = 'total';

const totalCell = ({ printed, wick, change, share }: ComparedColumn): ComparedCell => ({
  ...{ printed, wick, change, share },
  absent: false,
  became: null,
  issues: [],
  notes: [],
});

/** Sides as rows, groups as columns: many sides fit under one another. */
export function sidesOf(comparison: Comparison): {
  readonly columns: GridColumn[];
  readonly rows: GridRow[];
} {
  const { groups, columns } = comparison;
  return {
    columns: [
      { key: TOTAL, name: 'In all' },
      ...groups.map(({ id, name }) => ({ key: `group ${id}`, name })),
    ],
    rows: columns.map(({ id, name }, at) => ({
      key: id ?? 'own',
      level: 'side',
      name,
      cells: [totalCell(columns[at]!), ...groups.map(({ cells }) => cells[at]!)],
      tall: at > 0,
    })),
  };
}
