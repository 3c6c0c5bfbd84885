/** What is compared, as a file: written as a job, saved by the browser when it is there. */
'use client';
import { Menu } from '@/platform/ui/menu';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { useRoom } from '@/features/design/screen/room';

interface TakeAlongProps {
  /** What is asked for beside the form, as in the address. */
  readonly query: string;
}

export function TakeAlong({ query }: TakeAlongProps) {
  const { id, state } = useRoom();
  const files = useFileMaking(`/api/designs/${id}/comparison`, '/api/jobs');
  const begin = (form: Parameters<typeof files.begin>[0]): void => files.begin(form, query);
  // What is written is what is saved.
  if (state.saving === 'refused') return null;
  return (
    <>
      <Menu
        label="Take along"
        items={[
          { label: 'XLSX', detail: 'sums and differences as live formulas', onSelect: () => begin('xlsx') },
          { label: 'CSV', detail: 'plain decimals', onSelect: () => begin('csv') },
          { label: 'Markdown', detail: 'for a decision record or a wiki', onSelect: () => begin('md') },
          { label: 'JSON', detail: 'the comparison as data', onSelect: () => begin('json') },
        ]}
      />
      <div className="w-full empty:hidden">
        <FileMakingLine {...files} />
      </div>
    </>
  );
}
