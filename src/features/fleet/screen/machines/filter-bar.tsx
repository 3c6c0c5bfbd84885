/** What machines are looked at: words, and behind one button every other filter. What is set stands in words below. */
'use client';
import { useState } from 'react';
import { filterText } from '@/features/fleet/words';
import {
  isOpenFilter,
  type MachineFilter,
  RANGES,
  type RangeField,
  READINESS_RULES,
  type SetField,
} from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Field, INPUT } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import type { ValuesAnswer } from '@/features/fleet/worker/fleet-protocol';
import { readBetween, writeBetween } from './filter-address';

interface FilterBarProps {
  readonly filter: MachineFilter;
  readonly values: ValuesAnswer | null;
  readonly onFilter: (filter: MachineFilter) => void;
  readonly children: React.ReactNode;
}

const RANGE_LABELS: Readonly<Record<RangeField, string>> = {
  vcpu: 'vCPU',
  memory: 'Memory, GiB',
  storage: 'Disk, GiB',
  peakCpu: 'CPU peak, %',
  peakMemory: 'Memory peak, %',
};
const SET_LABELS: Readonly<Record<SetField, string>> = {
  cluster: 'Cluster',
  host: 'Host',
  environment: 'Environment',
  system: 'Operating system',
};

export function FilterBar({ filter, values, onFilter, children }: FilterBarProps) {
  const [open, setOpen] = useState(false);
  const some = Object.keys(filter).length - (filter.words ? 1 : 0);
  return (
    <div className="shrink-0 border-b border-line px-[18px] py-2">
      <div className="flex flex-wrap items-center gap-2">
        <input
          aria-label="Words of the machines"
          placeholder="Words: a name, a host, a tag …"
          value={filter.words ?? ''}
          maxLength={200}
          onChange={(event) => onFilter({ ...filter, words: event.target.value })}
          className={`${INPUT} max-w-[280px]`}
        />
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {some > 0 ? `Filters (${some})` : 'Filters'}
        </Button>
        {!isOpenFilter(filter) && (
          <Button tone="bare" onClick={() => onFilter({})}>
            Show all
          </Button>
        )}
        {children}
      </div>
      {open && <MoreFilters filter={filter} values={values} onFilter={onFilter} />}
      {!isOpenFilter(filter) && (
        <p className="mt-1.5 text-xs text-soft" data-testid="filter-text">
          Shown: {filterText(filter)}
        </p>
      )}
    </div>
  );
}

export function MoreFilters({ filter, values, onFilter }: Omit<FilterBarProps, 'children'>) {
  const set = (part: Partial<MachineFilter>): void => {
    const next = { ...filter, ...part };
    onFilter(
      Object.fromEntries(Object.entries(next).filter(([, value]) => value !== undefined && value !== '')),
    );
  };
  const setRange = (field: RangeField, text: string): void => {
    const { [field]: _, ...others } = filter.ranges ?? {};
    const between = readBetween(text, field.startsWith('peak'));
    const ranges = between ? { ...others, [field]: between } : others;
    set({ ranges: Object.keys(ranges).length > 0 ? ranges : undefined });
  };
  return (
    <div className="mt-2 grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-3 gap-y-2">
      {(['cluster', 'host', 'environment', 'system'] as const).map((field) => (
        <SetSelect
          key={field}
          label={SET_LABELS[field]}
          chosen={filter.sets?.[field]?.[0]}
          values={
            field === 'system'
              ? (values?.systems ?? []).map(({ text, machines }) => [text, machines])
              : (values?.[field] ?? [])
          }
          onChoose={(value) => {
            const { [field]: _, ...others } = filter.sets ?? {};
            const sets = value === null ? others : { ...others, [field]: [value] };
            set({ sets: Object.keys(sets).length > 0 ? sets : undefined });
          }}
        />
      ))}
      <Field label="In its way">
        {(field) => (
          <select
            {...field}
            value={filter.ready ?? ''}
            onChange={(event) => set({ ready: (event.target.value || undefined) as MachineFilter['ready'] })}
          >
            <option value="">anything or nothing</option>
            <option value="ready">nothing{count(values, 'ready')}</option>
            {READINESS_RULES.map(({ code, title }) => (
              <option key={code} value={code}>
                {title}
                {count(values, code)}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Few
        label="Power"
        value={filter.power}
        options={['on', 'off', 'unknown']}
        words={['on', 'off', 'not said']}
        onChange={(power) => set({ power })}
      />
      <Few
        label="Measured"
        value={filter.measured}
        options={['yes', 'no']}
        words={['yes', 'no']}
        onChange={(measured) => set({ measured })}
      />
      <Few
        label="Kind"
        value={filter.kind}
        options={['physical', 'virtual']}
        words={['physical', 'virtual']}
        onChange={(kind) => set({ kind })}
      />
      {(values?.tags.length ?? 0) > 0 && (
        <SetSelect
          label="Tag"
          chosen={filter.tag}
          values={values?.tags ?? []}
          onChoose={(tag) => set({ tag: tag ?? undefined })}
        />
      )}
      {RANGES.map((field) => (
        <TextEntry
          key={field}
          label={RANGE_LABELS[field]}
          text={filter.ranges?.[field] ? writeBetween(filter.ranges[field], field.startsWith('peak')) : ''}
          placeholder="4..16"
          preview={(text) =>
            text.trim() === '' || readBetween(text)
              ? null
              : 'A number, or two with dots between: 4..16, 8.., ..4'
          }
          commit={(text) => setRange(field, text)}
          cancel={() => undefined}
        />
      ))}
    </div>
  );
}

const count = (values: ValuesAnswer | null, code: ValuesAnswer['ready'][number][0]): string => {
  const found = values?.ready.find(([each]) => each === code)?.[1];
  return found === undefined ? '' : ` (${found})`;
};

interface SetSelectProps {
  readonly label: string;
  readonly chosen: string | undefined;
  readonly values: readonly (readonly [string, number])[];
  readonly onChoose: (value: string | null) => void;
}

/** Values are told by their place, so that one that is empty can be chosen, too. */
function SetSelect({ label, chosen, values, onChoose }: SetSelectProps) {
  const at = chosen === undefined ? -1 : values.findIndex(([value]) => value === chosen);
  return (
    <Field label={label}>
      {(field) => (
        <select
          {...field}
          value={String(at)}
          onChange={(event) => onChoose(values[Number(event.target.value)]?.[0] ?? null)}
        >
          <option value="-1">any</option>
          {values.map(([value, machines], index) => (
            <option key={value} value={String(index)}>
              {value || 'not said'} ({machines})
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

function Few<T extends string>({
  label,
  value,
  options,
  words,
  onChange,
}: {
  readonly label: string;
  readonly value: T | undefined;
  readonly options: readonly T[];
  readonly words: readonly string[];
  readonly onChange: (value: T | undefined) => void;
}) {
  return (
    <Field label={label}>
      {(field) => (
        <select
          {...field}
          value={value ?? ''}
          onChange={(event) => onChange(options.find((each) => each === event.target.value))}
        >
          <option value="">any</option>
          {options.map((option, at) => (
            <option key={option} value={option}>
              {words[at]}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}
