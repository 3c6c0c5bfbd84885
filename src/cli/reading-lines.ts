/** How an inventory was read, in lines. */
import type { ReadInventory } from '@/features/fleet/format/read-inventory';

const SHOWN = 20;

/** What was taken for granted and left out, in lines. */
export function readingLines({ rejected, more: beyond, notes, tables }: ReadInventory): string[] {
  const told = rejected
    .slice(0, SHOWN)
    .map(({ row, column, reason }) => `Row ${row}, “${column}”: ${reason}`);
  const more = rejected.length - told.length + beyond;
  return [
    ...tables.flatMap(({ columns }) =>
      columns.map(({ heading, field }) => `“${heading}”: ${field ?? 'not used'}`),
    ),
    ...notes,
    ...told,
    ...(more > 0 ? [`${more} more rows were left out.`] : []),
  ];
}
