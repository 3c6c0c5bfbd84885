/** The table model of the offer list: columns, sorting, filters. */
import {
  columnFilteringFeature,
  createColumnHelper,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
} from '@tanstack/react-table';
import type { OfferChoice } from '@/features/design/worker/protocol';

export const features = tableFeatures({
  columnFilteringFeature,
  globalFilteringFeature,
  rowSortingFeature,
  filteredRowModel: createFilteredRowModel(),
  sortedRowModel: createSortedRowModel(),
});

const helper = createColumnHelper<typeof features, OfferChoice>();

/** What cannot be bought sorts behind what can, whichever way the list is turned. */
const numeric = (read: (row: OfferChoice) => string | number | null) => (row: OfferChoice) => {
  const value = read(row);
  return value === null ? undefined : Number(value);
};

const compare = (a: number | string | undefined, b: number | string | undefined): number =>
  a === b ? 0 : a === undefined ? 1 : b === undefined ? -1 : a < b ? -1 : 1;

const common = {
  sortFn: (a: { getValue: (id: string) => unknown }, b: { getValue: (id: string) => unknown }, id: string) =>
    compare(a.getValue(id) as number, b.getValue(id) as number),
  sortUndefined: 'last' as const,
  sortDescFirst: false,
};

export const columns = helper.columns([
  helper.accessor('name', { header: 'Name', ...common }),
  helper.accessor('family', {
    header: 'Family',
    ...common,
    filterFn: (row, id, value) => value === '' || row.getValue(id) === value,
  }),
  helper.accessor('processor', {
    header: 'Processor',
    ...common,
    filterFn: (row, id, value) => value === '' || row.getValue(id) === value,
  }),
  helper.accessor(
    numeric((row) => row.vcpu),
    { id: 'vcpu', header: 'vCPU', ...common, filterFn: atLeast },
  ),
  helper.accessor(
    numeric((row) => row.memory),
    { id: 'memory', header: 'Memory', ...common, filterFn: atLeast },
  ),
  helper.accessor(
    numeric((row) => row.hourly ?? row.unitPrice),
    { id: 'price', header: 'Price', ...common },
  ),
  helper.accessor(
    numeric((row) => row.monthly),
    { id: 'monthly', header: 'Month', ...common },
  ),
  helper.accessor('soldHere', {
    header: 'Sold here',
    filterFn: (row, id, value) => !value || row.getValue(id) === true,
  }),
]);

function atLeast(row: { getValue: (id: string) => unknown }, id: string, value: unknown): boolean {
  const least = Number(value);
  return value === '' || Number.isNaN(least) || Number(row.getValue(id) ?? 0) >= least;
}

/** Every typed word must stand somewhere in the offer. */
export function matchesWords(row: OfferChoice, search: string): boolean {
  const size = row.vcpu === null ? '' : `${row.vcpu}/${row.memory} ${row.vcpu} vcpu ${row.memory} gib`;
  const text = `${row.name} ${row.sku} ${row.family} ${row.processor} ${row.note} ${size}`.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
