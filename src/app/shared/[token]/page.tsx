/** A report for whoever has the link. Not indexed; no other data of the workspace. */
import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { ReportView } from '@/app/report/report-view';
import { outsideContext } from '@/app/wiring';
import { asAppError, explainedLines, openLink } from '@/operations';
import { LineTrace } from './line-trace';
import { SharedHead } from './shared-head';

interface PageProps {
  readonly params: Promise<{ token: string }>;
}

const load = cache(async (token: string) => {
  try {
    return await openLink(outsideContext(), token);
  } catch (thrown) {
    if (asAppError(thrown).code === 'not-found') notFound();
    throw thrown;
  }
});

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const { report } = await load((await params).token);
  return { title: report.title, robots: { index: false, follow: false }, referrer: 'no-referrer' };
}

export default async function SharedPage({ params }: PageProps) {
  const { token } = await params;
  const linked = await load(token);
  const { report, stored, link } = linked;
  const explained = explainedLines(linked);
  const when = link.pinned
    ? `As of revision ${stored.revision}`
    : `Revision ${stored.revision}, follows the design`;
  return (
    <>
      <SharedHead token={token} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <ReportView
          report={report}
          made={when}
          explain={(line) =>
            explained.has(line.id) && (
              <LineTrace
                token={token}
                line={line.id}
                name={line.name}
                currency={report.currency}
                printed={line.amount!}
              />
            )
          }
        />
      </div>
    </>
  );
}
