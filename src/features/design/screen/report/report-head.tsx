/** The line above a report: which variant, its files, print, and the links for people outside. */
'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { type Beside, BESIDES, type ReportForm, type ReportOptions } from '@/features/report/calc';
import { writeReportOptions } from '@/features/report/format/report-options';
import { Button } from '@/platform/ui/button';
import { Menu } from '@/platform/ui/menu';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { daysAfter } from '@/platform/screen/time';
import { useRoom } from '../room';
import { LinksDialog } from '@/platform/screen/links-dialog';

interface ReportHeadProps {
  readonly id: string;
  readonly options: ReportOptions;
  /** Whether the design has agreements at all. */
  readonly negotiated: boolean;
  /** Whether it has alternatives that could stand beside it. */
  readonly hasAlternatives: boolean;
  readonly today: string;
  /** The one that is shown. */
  readonly revision: number;
}

const BESIDE_WORDS: Readonly<Record<Beside, string>> = {
  alternatives: 'its alternatives',
  regions: 'every region',
  providers: 'every provider',
  paying: 'every way of paying',
};

export function ReportHead({ id, options, negotiated, hasAlternatives, today, revision }: ReportHeadProps) {
  const router = useRouter();
  const [linksOpen, setLinksOpen] = useState(false);
  const query = writeReportOptions(options);
  const show = (next: ReportOptions): void => {
    const text = writeReportOptions(next);
    router.replace(`/designs/${id}/report${text ? `?${text}` : ''}`);
  };
  const files = useFileMaking(`/api/designs/${id}/report`, '/api/jobs');
  const file = (form: ReportForm): void => files.begin(form, query);
  useNewest(revision);
  const quotation = options.variant === 'quotation';
  const { beside = [] } = options;
  return (
    <>
      <div className="flex min-h-[46px] shrink-0 flex-wrap items-center gap-x-5 border-b border-line px-[18px] print:hidden">
        <div className="ml-auto flex flex-wrap items-center gap-2 py-1.5 text-sm">
          <label className="flex items-center gap-1.5 text-soft">
            as
            <select
              value={options.variant}
              onChange={(event) =>
                show(
                  event.target.value === 'quotation'
                    ? { variant: 'quotation', validUntil: daysAfter(today), withAgreements: false }
                    : { variant: 'full', validUntil: null, withAgreements: false },
                )
              }
              className="h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
            >
              <option value="full">full report</option>
              <option value="quotation">quotation</option>
            </select>
          </label>
          {quotation && (
            <label className="flex items-center gap-1.5 text-soft">
              valid until
              <input
                type="date"
                min={today}
                value={options.validUntil ?? ''}
                onChange={(event) => show({ ...options, validUntil: event.target.value || null })}
                className="h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
              />
            </label>
          )}
          {!quotation && negotiated && (
            <label className="flex items-center gap-1.5 text-soft">
              <input
                type="checkbox"
                checked={options.withAgreements}
                onChange={(event) => show({ ...options, withAgreements: event.target.checked })}
                className="accent-brand"
              />
              with agreements
            </label>
          )}
          <label className="flex items-center gap-1.5 text-soft" title="In the PDF; quarters otherwise">
            <input
              type="checkbox"
              checked={options.byMonth ?? false}
              onChange={(event) => {
                const { byMonth: _, ...others } = options;
                show(event.target.checked ? { ...others, byMonth: true } : others);
              }}
              className="accent-brand"
            />
            month by month
          </label>
          {!quotation && (
            <Menu
              label="Beside it"
              items={BESIDES.filter((each) => each !== 'alternatives' || hasAlternatives).map((each) => ({
                label: BESIDE_WORDS[each],
                checked: beside.includes(each),
                onSelect: () => {
                  const next = BESIDES.filter((other) => beside.includes(other) !== (other === each));
                  show({ ...options, beside: next });
                },
              }))}
            />
          )}
          <Button onClick={() => setLinksOpen(true)}>Links …</Button>
          <Button onClick={() => window.print()}>Print</Button>
          <Menu
            label="Export"
            items={[
              { label: 'XLSX', detail: 'sheets with live formulas', onSelect: () => file('xlsx') },
              { label: 'PDF', detail: 'real text, page numbers', onSelect: () => file('pdf') },
              { label: 'Markdown', detail: 'for a change request or a wiki', onSelect: () => file('md') },
              { label: 'JSON', detail: 'the report as data', onSelect: () => file('json') },
            ]}
          />
        </div>
        <LinksDialog
          id={id}
          of="design"
          open={linksOpen}
          negotiated={negotiated}
          today={today}
          onClose={() => setLinksOpen(false)}
        />
      </div>
      <FileMakingLine {...files} />
    </>
  );
}

/** Shows the report anew once the design is saved in a newer revision, by whomever. */
function useNewest(shown: number): void {
  const router = useRouter();
  const { state } = useRoom();
  const newest = state.saving === 'saving' ? shown : state.revision;
  useEffect(() => {
    if (newest > shown) router.refresh();
  }, [newest, shown, router]);
}
