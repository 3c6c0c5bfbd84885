/** A study of a few typed numbers: parts of the work, each with what it would cost a month where it is rented. */
'use client';
import { useState } from 'react';
import { estateStudy, type Study } from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { Field, INPUT } from '@/platform/ui/field';
import { readNumber } from '@/features/design/screen/cells/number-text';

interface TypedWorkProps {
  readonly start: string;
  readonly onMade: (study: Study) => void;
}

const COLUMNS = [
  ['machines', 'Machines'],
  ['stored', 'Stored, TB'],
  ['compute', 'Compute a month'],
  ['storage', 'Storage a month'],
  ['transfer', 'Transfer a month'],
  ['licences', 'Licences a month'],
] as const;
type Column = (typeof COLUMNS)[number][0];

type WorkRow = { readonly name: string } & Readonly<Record<Column, string>>;

const EMPTY: WorkRow = {
  name: 'Everything',
  machines: '40',
  stored: '20',
  compute: '6000',
  storage: '900',
  transfer: '300',
  licences: '0',
};

export function TypedWork({ start, onMade }: TypedWorkProps) {
  const [rows, setRows] = useState<readonly WorkRow[]>([EMPTY]);
  const [hosts, setHosts] = useState('');
  const [currency, setCurrency] = useState('USD');
  const set = (at: number, part: Partial<WorkRow>): void =>
    setRows(rows.map((row, index) => (index === at ? { ...row, ...part } : row)));
  const faults = rows.flatMap((row, at) =>
    COLUMNS.flatMap(([column, words]) =>
      isFine(row[column]) ? [] : [`Row ${at + 1}, ${words}: type a number, 0 or more.`],
    ),
  );
  if (hosts.trim() !== '' && !isFine(hosts)) faults.push('Hosts: type a whole number, or leave it empty.');
  if (!/^[A-Z]{3}$/.test(currency)) faults.push('Currency: three capital letters, for example USD.');
  const make = (): void => {
    const parts = rows.map((row, at) => ({
      ...row,
      id: `part-${at + 1}`,
      name: row.name.trim() || `Part ${at + 1}`,
    }));
    onMade(
      estateStudy({
        title: 'Own or rent',
        currency,
        origin: 'Typed numbers',
        start,
        parts: parts.map(({ id, name, machines, stored }) => ({
          id,
          name,
          machines: Number(plain(machines)),
          stored: Number(plain(stored)),
        })),
        hosts: hosts.trim() === '' ? null : Number(plain(hosts)),
        targets: [
          {
            id: 'rented',
            name: 'Rented',
            source: 'Typed numbers',
            parts: Object.fromEntries(
              parts.map(({ id, compute, storage, transfer, licences }) => [
                id,
                {
                  compute: plain(compute),
                  storage: plain(storage),
                  transfer: plain(transfer),
                  licences: plain(licences),
                },
              ]),
            ),
            term: 0,
            ahead: '0',
            uncommitted: '0',
          },
        ],
      }),
    );
  };
  return (
    <>
      <div tabIndex={0} role="region" aria-label="The work" className="overflow-x-auto">
        <table className="min-w-[720px] text-sm">
          <thead>
            <tr className="text-left text-xs text-soft">
              <th scope="col" className="py-1 pr-2 font-normal">
                Part of the work
              </th>
              {COLUMNS.map(([column, words]) => (
                <th key={column} scope="col" className="py-1 pr-2 font-normal">
                  {words}
                </th>
              ))}
              <th scope="col" className="sr-only">
                Take out
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row, at) => (
              <tr key={at}>
                <td className="min-w-[150px] py-0.5 pr-2">
                  <input
                    aria-label={`Row ${at + 1}, name`}
                    className={INPUT}
                    maxLength={200}
                    value={row.name}
                    onChange={({ target }) => set(at, { name: target.value })}
                  />
                </td>
                {COLUMNS.map(([column, words]) => (
                  <td key={column} className="w-[94px] py-0.5 pr-2">
                    <input
                      aria-label={`Row ${at + 1}, ${words}`}
                      aria-invalid={isFine(row[column]) ? undefined : true}
                      inputMode="decimal"
                      className={`${INPUT} text-right`}
                      value={row[column]}
                      onChange={({ target }) => set(at, { [column]: target.value })}
                    />
                  </td>
                ))}
                <td>
                  {rows.length > 1 && (
                    <Button
                      tone="bare"
                      aria-label={`Take out row ${at + 1}`}
                      onClick={() => setRows(rows.filter((_, index) => index !== at))}
                    >
                      Out
                    </Button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Button onClick={() => setRows([...rows, { ...EMPTY, name: '' }])} disabled={rows.length >= 40}>
          Another row
        </Button>
        <div className="w-[110px]">
          <Field label="Hosts, if known">
            {(field) => <input {...field} value={hosts} onChange={({ target }) => setHosts(target.value)} />}
          </Field>
        </div>
        <div className="w-[80px]">
          <Field label="Currency">
            {(field) => (
              <input
                {...field}
                maxLength={3}
                value={currency}
                onChange={({ target }) => setCurrency(target.value.toUpperCase())}
              />
            )}
          </Field>
        </div>
      </div>
      {faults.length > 0 && (
        <ul role="alert" className="mt-2 text-sm text-ember-ink">
          {faults.map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
        </ul>
      )}
      <Button tone="strong" className="mt-4" disabled={faults.length > 0} onClick={make}>
        Make the study
      </Button>
    </>
  );
}

function isFine(text: string): boolean {
  const read = readNumber(text);
  return read.ok && Number(read.value) >= 0;
}

/** As plain decimal text. */
function plain(text: string): string {
  const read = readNumber(text);
  return read.ok ? read.value : '0';
}
