/** The line under the top of a fleet. */
'use client';
import { DocumentHead } from '@/platform/shell/document-head';
import { useFleet } from './room-context';

const VIEWS = [
  ['', 'Machines'],
  ['/pictures', 'Pictures'],
  ['/groups', 'Groups'],
  ['/placements', 'Placements'],
  ['/matrix', 'Side by side'],
  ['/report', 'Report'],
  ['/again', 'Bring in again'],
] as const;

export function FleetHead() {
  const { id, plan, saving, undo, redo } = useFleet();
  return (
    <DocumentHead
      title={plan.title}
      base={`/fleets/${id}`}
      viewsOf="Views of the fleet"
      views={VIEWS}
      {...{ saving, undo, redo }}
    />
  );
}
