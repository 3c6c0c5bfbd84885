/** Everything about one component, grouped as one thinks of it: choice, use, running, paying. */
'use client';
import { type Decimal, err, issue, ok, type Result } from '@/core/base';
import { kindOf, type MeterDefinition } from '@/core/books';
import type { Component, Edit } from '@/core/design';
import { describeTerm, sentenceFor } from '@/core/display';
import { TERMS, type Term } from '@/core/terms';
import { readQuantity } from '@/core/units';
import { type Cased, type Running, sure } from '@/core/usage';
import { Button } from '@/ui/button';
import { Field } from '@/ui/field';
import { TextEntry } from '@/ui/text-entry';
import { runningEdit } from '../cells/use-text';
import type { PickerKind } from '../columns';
import { CasedEntry } from './cased-entry';

export interface SettingsProps {
  readonly component: Component;
  readonly offerName: string;
  readonly placeName: string;
  readonly monthHours: Decimal;
  readonly apply: (edits: readonly Edit[]) => void;
  readonly preview: (edits: readonly Edit[]) => void;
  readonly open: (what: PickerKind) => void;
}

const UNITS = {
  held: ['GB', 'TB', 'PB', 'GiB', 'TiB', 'PiB', 'MB', 'MiB'],
  monthly: ['request', 'thousand requests', 'million requests'],
} as const;

function readAmount(unit: string): (text: string) => Result<string> {
  return (text) => {
    const quantity = readQuantity(text, unit);
    return quantity.ok ? ok(quantity.value.amount.toString()) : quantity;
  };
}

function readWhole(text: string): Result<string> {
  const quantity = readQuantity(text, 'request');
  if (!quantity.ok) return quantity;
  if (!quantity.value.amount.isInteger())
    return err(issue('count.not-whole', [], { count: text.trim().slice(0, 40) }));
  if (quantity.value.amount.greaterThan(1_000_000)) {
    return err(issue('quantity.too-large', [], { amount: text.trim().slice(0, 40) }));
  }
  return ok(quantity.value.amount.toString());
}

export function ComponentSettings(props: SettingsProps) {
  const { component, offerName, placeName, apply, preview, open } = props;
  const kind = kindOf(component.kind);
  const { id } = component;
  return (
    <div className="space-y-4">
      <div className="space-y-1.5">
        <Chosen
          label="Provider and region"
          text={placeName || 'not chosen yet'}
          onClick={() => open('place')}
        />
        <Chosen label="Offer" text={offerName || 'not chosen yet'} onClick={() => open('offer')} />
        {component.choice.by === 'cheapest' && <NeedEntries {...props} />}
      </div>
      <CasedEntry
        label="Count"
        unit={`whole ${kind.unitName}s`}
        value={component.count}
        read={readWhole}
        preview={(value) => {
          preview(value ? [{ edit: 'set-component', id, field: 'count', value }] : []);
          return null;
        }}
        commit={(value) => apply([{ edit: 'set-component', id, field: 'count', value }])}
        cancel={() => preview([])}
      />
      {kind.meters.map((meter) =>
        meter.from === 'running' ? (
          <RunningEntries key={meter.meter} {...props} />
        ) : (
          <UsageEntries key={meter.meter} meter={meter} {...props} />
        ),
      )}
      {kind.committable && (
        <Field label="Paying">
          {(field) => (
            <select
              {...field}
              value={component.term}
              onChange={(event) =>
                apply([{ edit: 'set-component', id, field: 'term', value: event.target.value as Term }])
              }
            >
              {TERMS.map((term) => (
                <option key={term} value={term}>
                  {describeTerm(term)}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
    </div>
  );
}

function Chosen({
  label,
  text,
  onClick,
}: {
  readonly label: string;
  readonly text: string;
  readonly onClick: () => void;
}) {
  return (
    <div className="flex items-center justify-between gap-2">
      <div className="min-w-0">
        <div className="text-xs text-soft">{label}</div>
        <div className="truncate text-sm">{text}</div>
      </div>
      <Button tone="bare" onClick={onClick} aria-label={`Choose: ${label.toLowerCase()}`}>
        Choose
      </Button>
    </div>
  );
}

function NeedEntries({ component, apply, preview }: SettingsProps) {
  if (component.choice.by !== 'cheapest') return null;
  const { need } = component.choice;
  const edit = (field: 'vcpu' | 'memory', text: string): Result<Edit> => {
    const amount = readQuantity(text, 'request');
    if (!amount.ok) return amount;
    const value = { by: 'cheapest' as const, need: { ...need, [field]: amount.value.amount.toString() } };
    return ok({ edit: 'set-component', id: component.id, field: 'choice', value });
  };
  const entry = (field: 'vcpu' | 'memory', label: string) => (
    <TextEntry
      label={label}
      text={need[field]}
      maxLength={12}
      preview={(text) => {
        const next = edit(field, text);
        preview(next.ok ? [next.value] : []);
        return next.ok ? null : sentenceFor(next.issue);
      }}
      commit={(text) => {
        const next = edit(field, text);
        if (next.ok) apply([next.value]);
      }}
      cancel={() => preview([])}
    />
  );
  return (
    <div>
      <p className="mb-1 text-xs text-soft">Always the cheapest that has at least</p>
      <div className="grid grid-cols-2 gap-1.5">
        {entry('vcpu', 'vCPU')}
        {entry('memory', 'Memory, GiB')}
      </div>
    </div>
  );
}

const PATTERNS: readonly (readonly [Running['pattern'], string, Running])[] = [
  ['always', 'always', { pattern: 'always' }],
  ['hours', 'hours a month', { pattern: 'hours', hoursPerMonth: sure('300') }],
  [
    'days',
    'hours a day, days a month',
    { pattern: 'days', hoursPerDay: sure('10'), daysPerMonth: sure('22') },
  ],
];

function RunningEntries({ component, monthHours, apply, preview }: SettingsProps) {
  const { running, id } = component;
  const cased = (label: string, unit: string, value: Cased, make: (value: Cased) => Running) => (
    <CasedEntry
      label={label}
      unit={unit}
      value={value}
      read={readAmount('hour')}
      preview={(next) => {
        const edit = next ? runningEdit(component, make(next), monthHours) : null;
        preview(edit?.ok ? [edit.value] : []);
        return edit && !edit.ok ? sentenceFor(edit.issue) : null;
      }}
      commit={(next) => apply([{ edit: 'set-component', id, field: 'running', value: make(next) }])}
      cancel={() => preview([])}
    />
  );
  return (
    <div className="space-y-2">
      <Field label="Running">
        {(field) => (
          <select
            {...field}
            value={running.pattern}
            onChange={(event) => {
              const value = PATTERNS.find(([pattern]) => pattern === event.target.value)![2];
              apply([{ edit: 'set-component', id, field: 'running', value }]);
            }}
          >
            {PATTERNS.map(([pattern, label]) => (
              <option key={pattern} value={pattern}>
                {label}
              </option>
            ))}
          </select>
        )}
      </Field>
      {running.pattern === 'hours' &&
        cased('Hours a month', 'hours, each', running.hoursPerMonth, (hoursPerMonth) => ({
          pattern: 'hours',
          hoursPerMonth,
        }))}
      {running.pattern === 'days' && (
        <>
          {cased('Hours a day', 'hours, each', running.hoursPerDay, (hoursPerDay) => ({
            ...running,
            hoursPerDay,
          }))}
          {cased('Days a month', 'days', running.daysPerMonth, (daysPerMonth) => ({
            ...running,
            daysPerMonth,
          }))}
        </>
      )}
    </div>
  );
}

function UsageEntries({
  component,
  meter,
  apply,
  preview,
}: SettingsProps & { readonly meter: MeterDefinition }) {
  const entry = component.usage[meter.meter];
  const unit = entry?.unit ?? meter.enteredIn;
  const units: readonly string[] = meter.enteredIn === 'request' ? UNITS.monthly : UNITS.held;
  const edit = (amount: Cased, inUnit = unit): Edit => ({
    edit: 'set-usage',
    id: component.id,
    meter: meter.meter,
    value: { amount, unit: inUnit },
  });
  return (
    <div>
      <CasedEntry
        label={meter.label}
        value={entry?.amount ?? null}
        unit="of each, a month"
        read={readAmount(unit)}
        preview={(value) => {
          preview(value ? [edit(value)] : []);
          return null;
        }}
        commit={(value) => apply([edit(value)])}
        cancel={() => preview([])}
      />
      <label className="mt-1 flex items-center gap-2 text-xs text-soft">
        Unit
        <select
          value={unit}
          disabled={!entry}
          onChange={(event) => entry && apply([edit(entry.amount, event.target.value)])}
          className="h-6 rounded border border-edge bg-surface px-1 text-xs text-ink disabled:opacity-50"
        >
          {(units.includes(unit) ? units : [unit, ...units]).map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      </label>
    </div>
  );
}
