/** Questions first: each leaves fewer forms, and all are priced at the same capacity while one answers. */
'use client';
import { useEffect, useState } from 'react';
import { parseDecimal } from '@/core/base';
import type { Component, Design, Place } from '@/core/design';
import type { FormWish } from '@/core/forms';
import { Amount } from '@/ui/amount';
import { Button } from '@/ui/button';
import { Dialog } from '@/ui/dialog';
import { Field } from '@/ui/field';
import type { PricingClient } from '@/workers/client';
import type { PlainForm } from '@/workers/protocol';
import type { ShelfBook } from '../shelf';

interface FormsDialogProps {
  readonly open: boolean;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly shelf: readonly ShelfBook[];
  /** Where the lines around stand. */
  readonly place: Place | null;
  readonly onChoose: (component: Component) => void;
  readonly onClose: () => void;
}

export function FormsDialog(props: FormsDialogProps) {
  return (
    <Dialog
      open={props.open}
      title="Which form fits?"
      description="Forms of the same capacity; answers leave fewer of them."
      width={760}
      onClose={props.onClose}
    >
      {props.open && <Forms {...props} />}
    </Dialog>
  );
}

type Answer = 'either' | 'yes' | 'no';
const TRUTH: Readonly<Record<Answer, boolean | null>> = { either: null, yes: true, no: false };

function usable(text: string): boolean {
  const read = parseDecimal(text.trim());
  return read.ok && read.value.greaterThan(0);
}

function Forms({ client, design, shelf, place: around, onChoose }: FormsDialogProps) {
  const [job, setJob] = useState<FormWish['job']>('compute');
  const [system, setSystem] = useState<Answer>('either');
  const [hardware, setHardware] = useState<Answer>('either');
  const [running, setRunning] = useState<FormWish['running']>('always');
  const [size, setSize] = useState({ vcpu: '4', memory: '16', count: '2' });
  const first = shelf[0];
  const [place, setPlace] = useState<Place | null>(
    around ?? (first?.regions[0] ? { book: first.key, region: first.regions[0].code } : null),
  );
  const [rows, setRows] = useState<readonly PlainForm[] | null>(null);
  const whole = usable(size.vcpu) && usable(size.memory) && usable(size.count);
  useEffect(() => {
    if (!client || !place || !whole) return;
    let current = true;
    const wish: FormWish = {
      job,
      ownSystem: TRUTH[system],
      ownHardware: TRUTH[hardware],
      running,
      vcpu: size.vcpu.trim(),
      memory: size.memory.trim(),
      count: size.count.trim(),
    };
    const pinned = design.books.some((pin) => pin.book === place.book);
    const book = shelf.find((each) => each.key === place.book);
    const priced =
      pinned || !book
        ? design
        : { ...design, books: [...design.books, { book: book.key, revision: book.revision }] };
    client.ask({ ask: 'forms', design: priced, place, wish }).then(
      (found) => current && setRows(found),
      () => current && setRows([]),
    );
    return () => {
      current = false;
    };
  }, [client, design, shelf, place, whole, job, system, hardware, running, size]);
  const choice = <T extends string>(
    label: string,
    value: T,
    options: readonly (readonly [T, string])[],
    set: (value: T) => void,
  ) => (
    <Field label={label}>
      {(field) => (
        <select {...field} value={value} onChange={(event) => set(event.target.value as T)}>
          {options.map(([each, text]) => (
            <option key={each} value={each}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  const number = (label: string, key: keyof typeof size) => (
    <Field label={label} fault={usable(size[key]) ? null : 'above zero'}>
      {(field) => (
        <input
          {...field}
          value={size[key]}
          maxLength={12}
          onChange={(event) => setSize({ ...size, [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <>
      <div className="grid grid-cols-4 gap-3 border-b border-line px-4 py-3 max-[700px]:grid-cols-2">
        {choice(
          'For what',
          job,
          [
            ['compute', 'an application'],
            ['database', 'a relational database'],
          ],
          setJob,
        )}
        {choice('Own control of the system', system, YES_NO, setSystem)}
        {choice('Hardware of one’s own', hardware, YES_NO, setHardware)}
        {choice(
          'Runs',
          running,
          [
            ['always', 'always'],
            ['office', 'in office hours'],
            ['asleep', 'seldom asked'],
          ],
          setRunning,
        )}
        {number('vCPU of each', 'vcpu')}
        {number('GiB of each', 'memory')}
        {number('How many', 'count')}
        <Field label="Where">
          {(field) => (
            <select
              {...field}
              value={place ? `${place.book}\n${place.region}` : ''}
              onChange={(event) => {
                const [book = '', region = ''] = event.target.value.split('\n');
                setPlace({ book, region });
              }}
            >
              {shelf.flatMap((book) =>
                book.regions.map((region) => (
                  <option key={`${book.key}/${region.code}`} value={`${book.key}\n${region.code}`}>
                    {book.title}, {region.name}
                  </option>
                )),
              )}
            </select>
          )}
        </Field>
      </div>
      <div className="min-h-[220px] overflow-y-auto px-4 pb-3">
        {!rows && <p className="py-3 text-sm text-soft">Pricing the forms …</p>}
        <ul aria-label="Forms">
          {rows?.map((row) => (
            <li
              key={`${row.label}/${row.edition}`}
              className={`grid grid-cols-[minmax(0,1fr)_110px_70px] items-center gap-3 border-b border-line py-1.5 ${row.component ? '' : 'text-soft'}`}
            >
              <div className="min-w-0">
                <span className="text-sm font-medium">
                  {[row.label, row.edition].filter(Boolean).join(', ')}
                  {row.component && (
                    <span className="font-normal text-soft">
                      {' '}
                      {row.component.count.likely} of {row.offer}
                    </span>
                  )}
                </span>
                <span className="block text-xs text-soft">{row.note}</span>
              </div>
              <span className="text-right text-sm">
                {row.monthly === null ? (
                  'does not fit'
                ) : (
                  <>
                    <Amount value={row.monthly} currency={design.currency} />
                    <span className="block text-xs text-soft">{design.currency} a month</span>
                  </>
                )}
              </span>
              {row.component ? (
                <Button
                  aria-label={`Take ${[row.label, row.edition].filter(Boolean).join(', ')}`}
                  onClick={() => onChoose(row.component!)}
                >
                  Take
                </Button>
              ) : (
                <span />
              )}
            </li>
          ))}
        </ul>
      </div>
    </>
  );
}

const YES_NO: readonly (readonly [Answer, string])[] = [
  ['either', 'does not matter'],
  ['yes', 'needed'],
  ['no', 'not wanted'],
];
