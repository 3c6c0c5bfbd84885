/** Which margin is shown: of the selection, a component, a section, or the whole design. */
'use client';
import type { Component, Design, Edit } from '@/engine/design';
import type { AmountsBefore } from '@/stores/ports';
import type { PricingClient } from '@/features/design/worker/client';
import type { PickerKind } from './columns';
import { ComponentMargin, type MarginView } from './margin/component-margin';
import { DesignMargin } from './margin/design-margin';
import { SectionMargin } from './margin/section-margin';
import { SelectionMargin } from './margin/selection-margin';
import type { Pricing } from './pricing';
import type { Row } from './rows';
import { hoursInMonth, placeText, type BookInfo } from './book-list';

interface DesignViewMarginProps {
  /** The design's id. */
  readonly id: string;
  readonly focused: Row | null;
  readonly selected: readonly Component[];
  readonly design: Design;
  readonly client: PricingClient | null;
  readonly pricing: Pricing;
  readonly bookList: readonly BookInfo[];
  readonly before: AmountsBefore | null;
  readonly view: MarginView;
  readonly onView: (view: MarginView) => void;
  readonly apply: (edits: readonly Edit[]) => boolean;
  readonly preview: (edits: readonly Edit[]) => void;
  readonly open: (what: PickerKind, component: Component) => void;
  readonly onFillDown: () => void;
  readonly onSelectNone: () => void;
}

export function DesignViewMargin(props: DesignViewMarginProps) {
  const { id, focused, selected, design, client, pricing, bookList, apply } = props;
  const { summary, version } = pricing;
  const shared = { design, client, version, total: summary?.monthly ?? null };
  if (selected.length > 1) {
    return (
      <SelectionMargin
        components={selected}
        {...{ design, summary, client, bookList, apply }}
        onFillDown={props.onFillDown}
        onDone={props.onSelectNone}
      />
    );
  }
  if (focused?.kind === 'component') {
    const { component, line } = focused;
    return (
      <ComponentMargin
        {...shared}
        designId={id}
        component={component}
        line={line}
        view={props.view}
        onView={props.onView}
        placeName={placeText(bookList, component.place)}
        monthHours={hoursInMonth(design, component, bookList)}
        apply={apply}
        preview={props.preview}
        open={(what) => props.open(what, component)}
      />
    );
  }
  if (focused?.kind === 'section') {
    return (
      <SectionMargin
        {...shared}
        {...{ bookList, apply }}
        section={focused.section}
        summary={focused.summary}
      />
    );
  }
  const { before } = props;
  return <DesignMargin {...{ id, design, client, version, summary, before, bookList, apply }} />;
}
