/** The margin of a section: its range and what it is made of. */
'use client';
import type { Design, Edit, Section } from '@/engine/design';
import type { SectionSummary } from '@/engine/summary';
import type { PricingClient } from '@/features/design/worker/client';
import { AddsUp } from './adds-up';
import { CaseFigures, ShareText } from './case-figures';
import type { BookInfo } from '../book-list';
import { CopySection } from './copy-section';
import { NewLinesPlace } from './new-lines-place';

interface SectionMarginProps {
  readonly design: Design;
  readonly section: Section;
  readonly summary: SectionSummary | null;
  readonly client: PricingClient | null;
  readonly version: number;
  readonly total: string | null;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => boolean;
}

export function SectionMargin(props: SectionMarginProps) {
  const { design, section, summary, client, version, total, bookList, apply } = props;
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold break-words">{section.name}</h2>
      <p className="text-sm text-soft">
        {section.components.length} {section.components.length === 1 ? 'component' : 'components'}
        {summary && summary.unpriced > 0 && (
          <span className="text-ember-ink">, {summary.unpriced} not priced</span>
        )}
      </p>
      {summary && <CaseFigures {...summary.wick} currency={design.currency} />}
      <ShareText amount={summary?.wick.likely ?? null} total={total} />
      <div className="mt-4">
        <NewLinesPlace
          section={section.id}
          place={section.place ?? null}
          otherwise={design.place ? 'where the design says' : 'where the last line is'}
          books={design.books}
          {...{ bookList, apply }}
        />
      </div>
      <details className="mt-4">
        <summary className="cursor-pointer text-sm font-semibold">Copy as another environment</summary>
        <div className="mt-2">
          <CopySection key={section.id} section={section} design={design} apply={apply} />
        </div>
      </details>
      <h3 className="mt-4 mb-2 text-sm font-semibold">How it adds up</h3>
      <AddsUp
        client={client}
        design={design}
        version={version}
        subject={{ of: 'section', id: section.id }}
        printed={{
          lean: summary?.lean ?? null,
          likely: summary?.printed ?? null,
          heavy: summary?.heavy ?? null,
        }}
      />
    </div>
  );
}
