/** A report for whoever has the link. Not indexed; no other data of the workspace. */
import type { Metadata } from 'next';
import { cache } from 'react';
import { orNotFound, orSentence } from '@/app/lib/or-not-found';
import { inTime } from '@/app/lib/in-time';
import { NotShown } from '@/screens/report/not-shown';
import { NotYet } from '@/screens/report/not-yet';
import { ReportView } from '@/screens/report/report-view';
import { desk, outsideContext } from '@/app/wiring';
import { requireLink } from '@/operations';
import { LineTrace } from '@/screens/shared/line-trace';
import { SharedHead } from '@/screens/shared/shared-head';

interface PageProps {
  readonly params: Promise<{ token: string }>;
}

const load = cache(async (token: string) => {
  await orNotFound(requireLink(outsideContext(), token));
  return orSentence(inTime(`link ${token}`, () => desk().ask('linked', { token }, { lane: 'stranger' })));
});

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const linked = await load((await params).token);
  const title = typeof linked === 'string' ? 'Report' : (linked?.report.title ?? 'Report');
  return { title, robots: { index: false, follow: false }, referrer: 'no-referrer' };
}

export default async function SharedPage({ params }: PageProps) {
  const { token } = await params;
  const linked = await load(token);
  if (linked === null) return <NotYet />;
  if (typeof linked === 'string') return <NotShown>{linked}</NotShown>;
  const { report, revision, isPinned, explained } = linked;
  const open = new Set(explained);
  const when = isPinned ? `As of revision ${revision}` : `Revision ${revision}, follows the design`;
  return (
    <>
      <SharedHead token={token} />
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <ReportView
          report={report}
          made={when}
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
