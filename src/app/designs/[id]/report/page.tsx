import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ReportView } from '@/app/report/report-view';
import { context } from '@/app/wiring';
import { readReportOptions } from '@/formats';
import { asAppError, openDesign, readReport } from '@/operations';
import { ReportHead } from './report-head';

interface PageProps {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

async function orNotFound<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (thrown) {
    if (asAppError(thrown).code === 'not-found') notFound();
    throw thrown;
  }
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const { design } = await orNotFound(openDesign(context(), (await params).id));
  return { title: `Report on ${design.title}` };
}

export default async function ReportPage({ params, searchParams }: PageProps) {
  const { id } = await params;
  const options = readReportOptions(await searchParams);
  if (!options) notFound();
  const now = context().now();
  const { report, stored } = await orNotFound(readReport(context(), id, options));
  const negotiated = (stored.design.agreements ?? []).length > 0;
  return (
    <>
      <ReportHead
        id={id}
        title={stored.design.title}
        options={options}
        negotiated={negotiated}
        today={now.toISOString().slice(0, 10)}
      />
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible" tabIndex={-1}>
        <ReportView
          report={report}
          made={`Revision ${stored.revision}, made on ${now.toISOString().slice(0, 10)}`}
        />
      </div>
    </>
  );
}
