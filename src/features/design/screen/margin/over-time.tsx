/** What changes over the months, and what is put on top: start, growth, seasons, contingency, tax, share of allowances. */
'use client';
import Link from 'next/link';
import { err, issue, ok, parseDecimal, type Result } from '@/engine/base';
import type { Assumptions, Design, Edit } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { readQuantity } from '@/engine/units';
import { type Cased, inAllCases } from '@/engine/usage';
import { Field } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import type { PricingClient } from '@/features/design/worker/client';
import { BudgetNote } from './budget-note';
import { CasedEntry } from './cased-entry';
import { MonthValuesEntry } from './month-values-entry';
import { ReadEntry } from './read-entry';
import { percentText, readOptionalPercent, readPercent } from '../cells/percent-text';

interface OverTimeProps {
  /** Where a month of many times the traffic is looked at. */
  readonly fame: string;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly apply: (edits: readonly Edit[]) => void;
}

type Optional = 'contingency' | 'tax' | 'allowanceShare';

export function OverTime({ design, client, fame, apply }: OverTimeProps) {
  const { assumptions } = design;
  const set = <F extends keyof Assumptions>(field: F, value: NonNullable<Assumptions[F]> | null): void =>
    apply([{ edit: 'set-assumption', field, value } as Edit]);
  const growth = assumptions.growth ?? { traffic: inAllCases('0'), stock: inAllCases('0') };
  const growing = (label: string, field: 'traffic' | 'stock', value: Cased) => (
    <CasedEntry
      label={label}
      unit="% a month"
      value={value}
      write={percentText}
      read={(text) => readPercent(text)}
      preview={() => null}
      commit={(next) => set('growth', { ...growth, [field]: next })}
      cancel={() => undefined}
    />
  );
  const share = (label: string, field: Optional) => (
    <ReadEntry
      label={`${label}, %`}
      text={percentText(assumptions[field])}
      maxLength={12}
      read={(text) => readOptionalPercent(text, field === 'allowanceShare' ? 100 : undefined)}
      onRead={(value) => set(field, value)}
    />
  );
  return (
    <div className="mt-3 space-y-3">
      <div className="grid grid-cols-3 gap-1.5">
        {share('Contingency', 'contingency')}
        {share('Tax', 'tax')}
        {share('Allowances', 'allowanceShare')}
      </div>
      <div className="grid grid-cols-2 gap-1.5">
        <TextEntry
          label={`Budget of a month, ${design.currency}`}
          text={assumptions.budget ?? ''}
          maxLength={24}
          preview={(text) => budgetFault(text)}
          commit={(text) => set('budget', text.trim() === '' ? null : text.trim())}
          cancel={() => undefined}
        />
        <Field label="Months looked at">
          {(field) => (
            <select
              {...field}
              value={assumptions.horizon ?? 36}
              onChange={(event) => set('horizon', Number(event.target.value))}
            >
              {[12, 24, 36, 48, 60, 84].map((each) => (
                <option key={each}>{each}</option>
              ))}
            </select>
          )}
        </Field>
      </div>
      <BudgetNote design={design} client={client} />
      <Field label="First month" hint="Seasons, dated agreements and calendar months follow from it">
        {(field) => (
          <input
            {...field}
            type="month"
            value={assumptions.start ?? ''}
            onChange={(event) => set('start', event.target.value || null)}
          />
        )}
      </Field>
      {growing('Traffic grows', 'traffic', growth.traffic)}
      {growing('What is held grows', 'stock', growth.stock)}
      <ReadEntry
        label="Season, twelve multipliers from January"
        text={assumptions.season?.join(' ') ?? ''}
        maxLength={200}
        read={readSeason}
        onRead={(season) => set('season', season)}
      />
      <MonthValuesEntry
        label="Campaigns: month and how many times the traffic"
        hint="such as 3: 2.5, 9: 1.8; the first month is 1"
        rows={(assumptions.campaigns ?? []).map(({ month, times }) => ({ month, value: times }))}
        commit={(rows) => set('campaigns', rows && rows.map(({ month, value }) => ({ month, times: value })))}
      />
      <Link href={fame} prefetch={false} className="block text-sm text-brand hover:underline">
        If nothing stopped the traffic
      </Link>
    </div>
  );
}

function budgetFault(text: string): string | null {
  if (text.trim() === '') return null;
  const read = parseDecimal(text.trim());
  if (!read.ok) return sentenceFor(read.issue);
  return read.value.isNegative() ? 'A budget is not negative.' : null;
}

function readSeason(text: string): Result<string[] | null> {
  const parts = text.trim().split(/\s+/).filter(Boolean);
  if (parts.length === 0) return ok(null);
  if (parts.length !== 12) {
    return err(issue('edit.invalid', [], { reason: 'a season has twelve multipliers, January first.' }));
  }
  const values: string[] = [];
  for (const part of parts) {
    const quantity = readQuantity(part, 'unit');
    if (!quantity.ok) return quantity;
    values.push(quantity.value.amount.toString());
  }
  return ok(values);
}
