import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { inTime } from '@/app/lib/in-time';
import { openedDesign } from '@/app/lib/open-design';
import { orSentence } from '@/app/lib/or-not-found';
import { context, desk } from '@/app/wiring';
import { readReportOptions } from '@/features/report/format/report-options';
import { ReportHead } from '@/features/design/screen/report/report-head';
import { NotShown } from '@/features/report/screen/not-shown';
import { NotYet } from '@/features/report/screen/not-yet';
import { ReportView } from '@/features/report/screen/report-view';

interface PageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  return { title: `Report on ${(await openedDesign((await params).id)).design.title}` };
}

export default async function ReportPage({ params, searchParams }: PageProps) {
  const { id } = await params;
  const options = readReportOptions(await searchParams);
  if (!options) notFound();
  const { actor, now } = context();
  const { revision, design } = await openedDesign(id);
  const hasAlternatives = (design.alternatives ?? []).length > 0;
  const key = JSON.stringify([actor, id, revision, options]);
  const shown = await orSentence(inTime(key, () => desk().ask('report', { actor, id, options })));
  if (typeof shown === 'string') return <NotShown>{shown}</NotShown>;
  const today = now().toISOString().slice(0, 10);
  return (
    <>
      {/* The same while the report is worked out: an open menu stays open. */}
      <ReportHead
        {...{ id, options, today, hasAlternatives }}
        negotiated={(design.agreements ?? []).length > 0}
        revision={shown?.revision ?? revision}
      />
      {shown === null ? (
        <NotYet />
      ) : (
        <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible" tabIndex={-1}>
          <ReportView report={shown.report} made={`Revision ${shown.revision}, made on ${today}`} />
        </div>
      )}
    </>
  );
}
