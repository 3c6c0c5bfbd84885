/** In which forms a fleet leaves the house. */
'use client';
import { Menu } from '@/platform/ui/menu';
import type { FileMaking } from '@/features/report/screen/file-making';

export function FleetFiles({ files }: { readonly files: FileMaking }) {
  return (
    <Menu
      label="Export"
      items={[
        { label: 'PDF', detail: 'the report, on paper', onSelect: () => files.begin('pdf') },
        {
          label: 'XLSX',
          detail: 'hosts, machines, disks, prices of each under every placement',
          onSelect: () => files.begin('xlsx'),
        },
        { label: 'CSV', detail: 'groups under placements', onSelect: () => files.begin('csv') },
        { label: 'Markdown', detail: 'the report as text', onSelect: () => files.begin('md') },
      ]}
    />
  );
}
