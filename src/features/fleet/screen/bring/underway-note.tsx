/** In the top line: an inventory that is on its way in while one looks at other places. */
'use client';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { writeNumber } from '@/platform/words';
import { type BringSession, useUnderway } from './bring-session';

export function UnderwayNote() {
  const path = usePathname();
  const session = useUnderway().find((each) => addressOf(each) !== path);
  if (!session) return null;
  const { stage } = session.snapshot();
  const isKept = stage.at === 'kept';
  return (
    <span role="status" className="min-w-0">
      <Link
        prefetch={false}
        href={isKept ? `/fleets/${stage.id}` : addressOf(session)}
        onClick={() => isKept && session.end()}
        className="block max-w-[260px] truncate rounded px-2 py-1 text-xs font-medium text-brand hover:bg-wash"
      >
        {wordsOf(session)}
      </Link>
    </span>
  );
}

const addressOf = ({ again }: BringSession): string => (again ? `/fleets/${again.id}/again` : '/fleets/new');

function wordsOf(session: BringSession): string {
  const { stage, busy, progress, title, trouble } = session.snapshot();
  const name = title || 'A fleet';
  if (busy) {
    const share =
      progress && progress.steps > 0
        ? ` ${writeNumber(String(Math.floor((progress.done / progress.steps) * 100)))} %`
        : '';
    return `${name}: ${busy.toLowerCase()}${share} …`;
  }
  if (trouble) return `${name}: ${trouble}`;
  if (stage.at === 'kept') return `${name} is kept: open it`;
  return stage.at === 'read'
    ? `${name}: ${writeNumber(String(stage.summary.machines))} machines read, not kept yet`
    : `${name}: not read yet`;
}
