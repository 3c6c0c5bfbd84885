/** What each table is and what each of its columns is taken for, with a few of its rows; both may be said otherwise. */
'use client';
import {
  COLUMN_UNITS,
  type ColumnUnit,
  type Field,
  FIELD_WORDS,
  FIELDS,
} from '@/features/fleet/format/columns';
import type { Repeated } from '@/features/fleet/format/fleet-builder';
import { TABLE_ROLES, type TableRole } from '@/features/fleet/format/table-look';
import type { LookedAt, PlainMapping } from '@/features/fleet/worker/fleet-protocol';

interface TablesMapProps {
  readonly looks: readonly LookedAt[];
  readonly mapping: PlainMapping;
  readonly onMapping: (mapping: PlainMapping) => void;
}

const ROLE_WORDS: Readonly<Record<TableRole, string>> = {
  machines: 'Machines, one a row',
  disks: 'Disks, one a row: added up by machine',
  measurements: 'Measurements: the peak and the 95th percentile are taken',
  hosts: 'Hosts: which cluster they are in',
  ignored: 'Leave out',
};

const SELECT = 'h-7 w-full min-w-0 rounded border border-edge bg-surface px-1 text-sm text-ink';
/** Columns of a wide table that are shown; all of them are read. */
const SHOWN = 60;

const WITH_UNITS: ReadonlySet<Field> = new Set([
  'vcpu',
  'memory',
  'storage',
  'stored',
  'sent',
  'peakCpu',
  'usualCpu',
  'peakMemory',
  'usualMemory',
]);

export function TablesMap({ looks, mapping, onMapping }: TablesMapProps) {
  return (
    <div className="mt-4 space-y-6">
      {looks.length > 1 && (
        <p className="text-sm text-soft">
          Tables are joined by the column that is taken for the key or the name of the machine.
        </p>
      )}
      {looks.map((look) => (
        <section key={look.key} aria-label={`Table ${look.key}`}>
          <div className="flex flex-wrap items-center gap-3 border-b border-ink pb-1.5">
            <h3 className="text-sm font-semibold">
              {look.key}
              {look.hidden && <span className="font-normal text-soft"> (hidden sheet)</span>}
            </h3>
            <label className="flex items-center gap-1.5 text-sm text-soft">
              Holds
              <select
                value={look.role}
                onChange={(event) =>
                  onMapping({
                    ...mapping,
                    roles: { ...mapping.roles, [look.key]: event.target.value as TableRole },
                  })
                }
                className={`${SELECT} w-auto`}
              >
                {TABLE_ROLES.map((role) => (
                  <option key={role} value={role}>
                    {ROLE_WORDS[role]}
                  </option>
                ))}
              </select>
            </label>
            {look.role === 'machines' && (
              <label className="flex items-center gap-1.5 text-sm text-soft">
                A machine that stands there again
                <select
                  value={mapping.repeated ?? ''}
                  onChange={(event) => {
                    const { repeated: _, ...others } = mapping;
                    const chosen = event.target.value as Repeated | '';
                    onMapping(chosen ? { ...others, repeated: chosen } : others);
                  }}
                  className={`${SELECT} w-auto`}
                >
                  <option value="">as the rows suggest</option>
                  <option value="refuse">is left out, and that is said</option>
                  <option value="reduce">is one more measurement of it: peak and 95th percentile</option>
                </select>
              </label>
            )}
            <span className="text-xs text-soft">
              {look.headerRow > 0 ? `Headings in row ${look.headerRow}` : 'No row of headings was found'}
            </span>
          </div>
          {look.role !== 'ignored' && <Columns look={look} mapping={mapping} onMapping={onMapping} />}
        </section>
      ))}
    </div>
  );
}

function Columns({
  look,
  mapping,
  onMapping,
}: { readonly look: LookedAt } & Pick<TablesMapProps, 'mapping' | 'onMapping'>) {
  const columns = look.columns.filter(({ heading }) => heading !== '').slice(0, SHOWN);
  return (
    <div tabIndex={0} role="region" aria-label={`Columns of ${look.key}`} className="overflow-x-auto">
      <table className="w-full min-w-[640px] text-sm">
        <thead>
          <tr className="text-left text-xs text-soft">
            <th scope="col" className="py-1 pr-3 font-normal">
              Column
            </th>
            <th scope="col" className="py-1 pr-3 font-normal">
              Taken for
            </th>
            <th scope="col" className="py-1 pr-3 font-normal">
              Counted in
            </th>
            <th scope="col" className="py-1 font-normal">
              Its first rows
            </th>
          </tr>
        </thead>
        <tbody>
          {columns.map((column) => (
            <tr key={column.at} className="border-t border-line">
              <th scope="row" className="max-w-[240px] truncate py-0.5 pr-3 text-left font-medium">
                {column.heading}
              </th>
              <td className="w-[220px] py-0.5 pr-3">
                <select
                  aria-label={`${column.heading} is taken for`}
                  value={column.field ?? ''}
                  onChange={(event) =>
                    onMapping({
                      ...mapping,
                      chosen: {
                        ...mapping.chosen,
                        [column.heading]: (event.target.value || null) as Field | null,
                      },
                    })
                  }
                  className={`${SELECT} ${column.field ? '' : 'text-soft'}`}
                >
                  <option value="">nothing</option>
                  {FIELDS.map((field) => (
                    <option key={field} value={field}>
                      {FIELD_WORDS[field]}
                    </option>
                  ))}
                </select>
              </td>
              <td className="w-[130px] py-0.5 pr-3">
                {column.field && WITH_UNITS.has(column.field) && (
                  <select
                    aria-label={`${column.heading} is counted in`}
                    value={column.unit ?? ''}
                    onChange={(event) => {
                      const { [column.heading]: _, ...others } = mapping.units;
                      const unit = event.target.value as ColumnUnit | '';
                      onMapping({
                        ...mapping,
                        units: unit ? { ...others, [column.heading]: unit } : others,
                      });
                    }}
                    className={SELECT}
                  >
                    <option value="">not said</option>
                    {COLUMN_UNITS.map((unit) => (
                      <option key={unit} value={unit}>
                        {unit}
                      </option>
                    ))}
                  </select>
                )}
              </td>
              <td className="max-w-[340px] truncate py-0.5 text-soft">
                {look.samples.map((row) => row[column.at] ?? '').join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {look.columns.length > columns.length && (
        <p className="mt-1 text-xs text-soft">
          {look.columns.length - columns.length} more columns without a heading or further right are not
          shown.
        </p>
      )}
    </div>
  );
}
