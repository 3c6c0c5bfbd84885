/** Everything about one component, grouped as one thinks of it: need, choice, use, running, paying. */
'use client';
import type { ReactNode } from 'react';
import { ok, type Result } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { Edit } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { sentenceFor } from '@/platform/words';
import { TERMS, type Term } from '@/engine/terms';
import { readQuantity } from '@/engine/units';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import { CasedEntry } from './cased-entry';
import { CustomEntries } from './custom-entries';
import { LicenceEntries } from './licence-entries';
import { LoadEntries } from './load-entries';
import { CommittedEntries, MonthEntries, SizeEntries, StoppableEntry, TagsEntry } from './more-entries';
import { RunningEntries } from './running-entries';
import type { SettingsProps } from './settings-props';
import { readWhole } from '../cells/number-text';
import { BorneEntry, LaterEntries, TakenPlaceNote, ZonesEntry } from './shared-entries';
import { UsageEntries } from './usage-entries';

export function ComponentSettings(props: SettingsProps) {
  const { component, offerName, placeName, apply, preview, open } = props;
  const kind = kindOf(component.kind);
  const { id } = component;
  const runs = kind.meters.some((meter) => meter.from === 'running');
  const derives = kind.meters.some((meter) => meter.derived || meter.from === 'capacity');
  const entered = kind.meters.filter((meter) => ['held', 'monthly', 'runs', 'per-hour'].includes(meter.from));
  const hasOffer = component.kind !== 'custom';
  const hasLoad = derives || component.load || component.running.pattern === 'autoscale';
  return (
    <div className="space-y-5">
      <SettingsGroup title="Need">
        <CasedEntry
          label="Count"
          unit={`whole ${kind.unitName}s`}
          value={component.count}
          rising
          read={readWhole}
          preview={(value) => {
            preview(value ? [{ edit: 'set-component', id, field: 'count', value }] : []);
            return null;
          }}
          commit={(value) => apply([{ edit: 'set-component', id, field: 'count', value }])}
          cancel={() => preview([])}
        />
        {component.choice.by === 'cheapest' && <NeedEntries {...props} />}
        <SizeEntries {...props} />
      </SettingsGroup>
      {hasOffer && (
        <SettingsGroup title="Choice">
          <Chosen
            label="Provider and region"
            text={placeName || 'not chosen yet'}
            onClick={() => open('place')}
          />
          <TakenPlaceNote {...props} />
          <Chosen
            label="Offer"
            text={offerName || (component.choice.by === 'sku' ? component.choice.sku : 'not chosen yet')}
            onClick={() => open('offer')}
          />
          <ZonesEntry {...props} />
        </SettingsGroup>
      )}
      {(entered.length > 0 || hasLoad || !hasOffer) && (
        <SettingsGroup title={hasOffer ? 'Use' : 'Charges'}>
          {!hasOffer && <CustomEntries {...props} />}
          {entered.map((meter) => (
            <UsageEntries key={meter.meter} meter={meter} {...props} />
          ))}
          <LaterEntries {...props} />
          {hasLoad && <LoadEntries {...props} />}
        </SettingsGroup>
      )}
      {runs && (
        <SettingsGroup
          title="Running"
          untouched={component.running.pattern === 'always' && 'default: always'}
        >
          <RunningEntries {...props} />
        </SettingsGroup>
      )}
      <SettingsGroup
        title="Paying"
        untouched={kind.committable && component.term === 'on-demand' && 'default: on demand'}
      >
        {kind.committable && (
          <Field label="Way of paying">
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
        <CommittedEntries {...props} />
        <StoppableEntry {...props} />
        <LicenceEntries {...props} />
        <MonthEntries {...props} />
        <BorneEntry {...props} />
      </SettingsGroup>
      <SettingsGroup title="Belongs to">
        <TagsEntry {...props} />
      </SettingsGroup>
    </div>
  );
}

interface SettingsGroupProps {
  readonly title: string;
  /** What stands here by default; false: somebody has chosen. */
  readonly untouched?: string | false;
  readonly children: ReactNode;
}

function SettingsGroup({ title, untouched = false, children }: SettingsGroupProps) {
  return (
    <section aria-label={title} className="space-y-3">
      <h3 className="flex items-baseline justify-between gap-2 border-b border-line pb-0.5 text-sm font-semibold">
        {title}
        {untouched && <span className="text-xs font-normal text-soft">{untouched}</span>}
      </h3>
      {children}
    </section>
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
