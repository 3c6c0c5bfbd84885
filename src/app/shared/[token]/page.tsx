/** A report for whoever has the link. Not indexed; no other data of the workspace. */
import type { Metadata } from 'next';
import { cache } from 'react';
import { orNotFound, orSentence } from '@/app/lib/or-not-found';
import { inTime } from '@/app/lib/in-time';
import { NotShown } from '@/features/report/screen/not-shown';
import { NotYet } from '@/features/report/screen/not-yet';
import { ReportView } from '@/features/report/screen/report-view';
import { desk, outsideContext } from '@/app/wiring';
import { requireLink } from '@/features/report/use/jobs';
import { LineTrace } from '@/features/report/screen/shared/line-trace';
import { StudyReportView } from '@/features/own-or-rent/screen/report/study-report-view';
import { SharedHead } from '@/features/report/screen/shared/shared-head';

interface PageProps {
  readonly params: Promise<{ token: string }>;
}

const linked = cache((token: string) => orNotFound(requireLink(outsideContext(), token)));

const asked = <T extends object>(token: string, begin: () => Promise<T>) =>
  orSentence(inTime(`link ${token}`, begin));

const loadDesign = cache((token: string) =>
  asked(token, () => desk().ask('linked', { token }, { lane: 'stranger' })),
);
const loadStudy = cache((token: string) =>
  asked(token, () => desk().ask('linked-study', { token }, { lane: 'stranger' })),
);

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const { token } = await params;
  const { of } = await linked(token);
  const shown = await (of === 'design' ? loadDesign(token) : loadStudy(token));
  const title = typeof shown === 'string' ? 'Report' : (shown?.report.title ?? 'Report');
  return { title, robots: { index: false, follow: false }, referrer: 'no-referrer' };
}

export default async function SharedPage({ params }: PageProps) {
  const { token } = await params;
  const { of } = await linked(token);
  return of === 'design' ? <SharedDesign token={token} /> : <SharedStudy token={token} />;
}

async function SharedDesign({ token }: { readonly token: string }) {
  const shown = await loadDesign(token);
  if (shown === null) return <NotYet />;
  if (typeof shown === 'string') return <NotShown>{shown}</NotShown>;
  const { report, explained } = shown;
  const open = new Set(explained);
  return (
    <>
      <SharedHead token={token} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <ReportView
          report={report}
          made={whichRevision(shown, 'design')}
          explain={(line) =>
            open.has(line.id) && (
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

async function SharedStudy({ token }: { readonly token: string }) {
  const shown = await loadStudy(token);
  if (shown === null) return <NotYet />;
  if (typeof shown === 'string') return <NotShown>{shown}</NotShown>;
  return (
    <>
      <SharedHead token={token} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <StudyReportView report={shown.report} made={whichRevision(shown, 'study')} />
      </div>
    </>
  );
}

interface Which {
  readonly revision: number;
  readonly isPinned: boolean;
}

const whichRevision = ({ revision, isPinned }: Which, of: 'design' | 'study'): string =>
  isPinned ? `As of revision ${revision}` : `Revision ${revision}, follows the ${of}`;
