/** What a stranger can do with a report: print it, take it along. */
'use client';
import { FileMakingLine, useFileMaking } from '../file-making';
import { Button } from '@/platform/ui/button';
import { Menu } from '@/platform/ui/menu';

export function SharedHead({ token }: { readonly token: string }) {
  const files = useFileMaking(`/api/shared/${token}/report`, `/api/shared/${token}/jobs`);
  return (
    <>
      <div className="flex h-[46px] shrink-0 items-center justify-end gap-2 border-b border-line px-[18px] print:hidden">
        <span className="mr-auto text-sm text-soft">A report to read; nothing can be changed here.</span>
        <Button onClick={() => window.print()}>Print</Button>
        <Menu
          label="Export"
          items={[
            { label: 'XLSX', onSelect: () => files.begin('xlsx') },
            { label: 'PDF', onSelect: () => files.begin('pdf') },
            { label: 'Markdown', onSelect: () => files.begin('md') },
          ]}
        />
      </div>
      <FileMakingLine {...files} />
    </>
  );
}
