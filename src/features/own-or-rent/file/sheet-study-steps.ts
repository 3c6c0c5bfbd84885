/** Every step of a study as a row of a sheet: leaves are entry cells or numbers, all others formulas over rows before. */
import type { Worksheet } from 'exceljs';
import type { Figure } from '@/engine/trace';
import { formulaOf } from '@/platform/files/sheet-formulas';

export const WORKINGS = 'Workings';

/** Writes figures down, each once, and says in which cell each stands. */
export class StudyWorkings {
  private readonly cells = new Map<Figure, string>();

  constructor(
    private readonly sheet: Worksheet,
    /** By the id of an assumption: the cell that it is entered in, with its sheet. */
    private readonly entries: ReadonlyMap<string, string>,
  ) {}

  /** The cell of a figure, with its sheet. */
  cell(figure: Figure): string {
    const known = this.cells.get(figure);
    if (known) return known;
    const entry = figure.input && this.entries.get(figure.input.entry);
    const made = entry ?? this.written(figure);
    this.cells.set(figure, made);
    return made;
  }

  private written(figure: Figure): string {
    // Parts stand above what is made of them.
    const parts = figure.parts.map((part) => this.cell(part));
    const row = this.sheet.rowCount + 1;
    const result = figure.value.toNumber();
    const formula = formulaOf(
      {
        operation: figure.operation,
        parts: parts.map((_, at) => at),
      },
      (at) => parts[at]!,
    );
    this.sheet.addRow([figure.label, formula === null ? result : { formula, result }, figure.unit]);
    return `${WORKINGS}!$B$${row}`;
  }
}
