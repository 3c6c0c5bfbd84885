/** In which forms a study leaves the house. */
'use client';
import { type StudyReport } from '@/features/own-or-rent/words';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Menu } from '@/platform/ui/menu';
import { saveText } from '@/platform/screen/save-text';
import type { FileMaking } from '@/features/report/screen/file-making';

interface StudyFilesProps {
  readonly files: FileMaking;
  readonly report: StudyReport;
}

export function StudyFiles({ files, report }: StudyFilesProps) {
  const { title, tables } = report;
  return (
    <Menu
      label="Export"
      items={[
        { label: 'PDF', detail: 'the report, on paper', onSelect: () => files.begin('pdf') },
        {
          label: 'XLSX',
          detail: 'both sides step by step, with live formulas over the assumptions',
          onSelect: () => files.begin('xlsx'),
        },
        { label: 'Markdown', detail: 'the report as text', onSelect: () => files.begin('md') },
        {
          label: 'CSV',
          detail: 'all tables, one below the other',
          onSelect: () =>
            saveText(tables.map((table) => flatTableCsv(table)).join('\r\n'), `${title}.csv`, 'text/csv'),
        },
        { label: 'JSON', detail: 'the study, to be opened again', onSelect: () => files.begin('json') },
      ]}
    />
  );
}
