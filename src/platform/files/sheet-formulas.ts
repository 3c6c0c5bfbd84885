/** One step of the calculation as a spreadsheet formula over the cells of its parts. */
import type { WorkingRow } from '@/engine/program';
import { assertNever } from '@/engine/base';

/** Null: the row holds a value, not a formula. `cell` names the cell of another row's value. */
export function formulaOf(
  row: Pick<WorkingRow, 'operation' | 'parts'>,
  cell: (row: number) => string,
): string | null {
  const parts = row.parts.map(cell);
  const [first = '', second = '', third = ''] = parts;
  const last = parts[parts.length - 1] ?? '';
  switch (row.operation) {
    case 'given':
    case 'rate':
      return null;
    case 'same':
      return first;
    case 'sum':
      return parts.join('+');
    case 'difference':
      return parts.join('-');
    case 'product':
      return parts.join('*');
    case 'quotient':
      return `${first}/${second}`;
    case 'least':
      return `MIN(${parts.join(',')})`;
    case 'greatest':
      return `MAX(${parts.join(',')})`;
    case 'ceiling':
      // A hair that a division left starts no block of its own.
      return `CEILING(ROUND(${first},9),1)`;
    case 'band':
      return `IF(${inBand(first, second, parts.length === 4 ? third : null)},${last},NA())`;
    case 'within':
      return `IF(${inBand(first, second, parts.length === 4 ? third : null)},${last},0)`;
    default:
      return assertNever(row.operation);
  }
}

/** Above `from` (itself only at zero) and up to `upTo`. */
function inBand(quantity: string, from: string, upTo: string | null): string {
  const above = `OR(${quantity}>${from},AND(${quantity}=0,${from}=0))`;
  return upTo === null ? above : `AND(${above},${quantity}<=${upTo})`;
}
