/** The margin of one component: settings, how it adds up, ways of paying. The focused column decides which is shown. */
'use client';
import { CircleAlert, CircleHelp } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { kindOf } from '@/engine/books';
import { sentenceFor, writeMoney, writeNumber } from '@/platform/words';
import type { Component, Design, Edit } from '@/engine/design';
import type { LineSummary } from '@/engine/summary';
import { Decimal } from '@/engine/base';
import type { PricingClient } from '@/features/design/worker/client';
import { AddsUp } from './adds-up';
import { CaseFigures, ShareText } from './case-figures';
import { ComponentSettings } from './component-settings';
import type { SettingsProps } from './settings-props';
import { Elsewhere } from './elsewhere';
import { Paying } from './paying';
import { StarButton } from './star-button';

export type MarginView = 'settings' | 'adds-up' | 'paying' | 'elsewhere';

/** What a column of the ledger is explained by; else the settings. */
export const VIEW_OF_COLUMN: Readonly<Record<string, MarginView>> = {
  amount: 'adds-up',
  wick: 'adds-up',
  paid: 'paying',
};

interface ComponentMarginProps extends Omit<SettingsProps, 'component' | 'offerName' | 'lacks'> {
  /** Of the design, for addresses of its views. */
  readonly designId: string;
  readonly component: Component;
  readonly line: LineSummary | null;
  readonly design: Design;
  readonly client: PricingClient | null;
  readonly version: number;
  /** The design's exact monthly amount, to tell shares of it. */
  readonly total: string | null;
  readonly view: MarginView;
  readonly onView: (view: MarginView) => void;
  readonly apply: (edits: readonly Edit[]) => void;
}

export function ComponentMargin(props: ComponentMarginProps) {
  const { component, line, design, client, version, view, onView, apply } = props;
  const kind = kindOf(component.kind);
  const views: readonly (readonly [MarginView, string])[] = [
    ['settings', 'Settings'],
    ['adds-up', 'How it adds up'],
    ...(kind.committable ? ([['paying', 'Paying']] as const) : []),
    ...(component.place && kind.role === 'part' ? ([['elsewhere', 'Elsewhere']] as const) : []),
  ];
  const shown = views.some(([each]) => each === view) ? view : 'settings';
  const printed = { lean: line?.lean ?? null, likely: line?.printed ?? null, heavy: line?.heavy ?? null };
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold break-words">{component.name}</h2>
      <p className="text-sm text-soft">
        {[kind.label, line?.offer?.name, props.placeName].filter(Boolean).join(' · ')}
      </p>
      <StarButton component={component} />
      {line?.wick && <CaseFigures {...line.wick} currency={design.currency} />}
      <ShareText amount={line?.monthly ?? null} total={props.total} />
      {line?.printed != null && (
        <EachText component={component} line={line} design={design} hours={props.monthHours} />
      )}
      {line && !line.priced && <NotPricedNote line={line} />}
      {line?.notices.map((notice) => (
        <p key={notice.code + notice.path.join()} className="mt-2 flex gap-1.5 text-sm text-soft">
          <CircleAlert size={14} className="mt-0.5 shrink-0" aria-hidden="true" />
          {sentenceFor(notice)}
        </p>
      ))}
      <Tabs.Root value={shown} onValueChange={(next) => onView(next as MarginView)} className="mt-3.5">
        <Tabs.List aria-label="About this component" className="mb-3 flex gap-4 border-b border-ink">
          {views.map(([value, label]) => (
            <Tabs.Trigger
              key={value}
              value={value}
              className="-mb-px border-b-[3px] border-transparent pb-1 text-sm text-soft data-[state=active]:border-brand data-[state=active]:font-semibold data-[state=active]:text-ink"
            >
              {label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="settings">
          <ComponentSettings
            {...props}
            offerName={line?.offer?.name ?? ''}
            lacks={line?.issues.map((each) => each.code) ?? []}
            key={component.id}
          />
        </Tabs.Content>
        <Tabs.Content value="adds-up">
          <AddsUp
            client={client}
            design={design}
            version={version}
            subject={{ of: 'component', id: component.id }}
            printed={printed}
          />
        </Tabs.Content>
        <Tabs.Content value="elsewhere">
          <Elsewhere {...{ client, design, component, apply }} id={props.designId} />
        </Tabs.Content>
        <Tabs.Content value="paying">
          <Paying
            client={client}
            design={design}
            component={component}
            onChoose={(term) =>
              apply([{ edit: 'set-component', id: component.id, field: 'term', value: term }])
            }
          />
        </Tabs.Content>
      </Tabs.Root>
    </div>
  );
}

/** Monthly and hourly, for one and for all: whether an hourly price is for one or for all must not be in doubt. */
function EachText({
  component,
  line,
  design,
  hours,
}: {
  readonly component: Component;
  readonly line: LineSummary;
  readonly design: Design;
  readonly hours: Decimal;
}) {
  const count = new Decimal(component.count.likely);
  if (count.isZero() || line.monthly === null) return null;
  const all = new Decimal(line.monthly);
  const each = all.dividedBy(count);
  const perHour = (value: Decimal): string => writeNumber(value.dividedBy(hours), undefined, 4);
  return (
    <p className="mt-1.5 text-xs text-soft">
      {component.count.likely === '1' ? 'One' : `Each of ${component.count.likely}`}:{' '}
      {writeMoney(each, design.currency)} {design.currency} a month, {perHour(each)} an hour of the month
      {count.greaterThan(1) && `; all: ${perHour(all)} an hour`}
    </p>
  );
}

function NotPricedNote({ line }: { readonly line: LineSummary }) {
  return (
    <div className="mt-2.5 rounded border border-dashed border-ember px-2.5 py-2 text-sm">
      <p className="flex gap-1.5 font-medium text-ember-ink">
        <CircleHelp size={15} className="mt-0.5 shrink-0" aria-hidden="true" />
        Not priced
      </p>
      {line.issues.map((issue) => (
        <p key={issue.code} className="mt-0.5">
          {sentenceFor(issue)}
        </p>
      ))}
      {line.nearest.length > 0 && (
        <ul className="mt-1 text-xs text-soft">
          {line.nearest.map((miss) => (
            <li key={miss.sku}>
              {miss.name}: {miss.lacks}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
