/** The study and its tables as files, made here. */
'use client';
import type { StudyReport } from '@/core/display';
import { flatTableCsv } from '@/formats/flat-table-csv';
import { writeStudy } from '@/formats/study-schema';
import { Menu } from '@/ui/menu';
import { saveText } from '../../lib/save-text';
import { useStudy } from '../study-context';

export function StudyFiles({ report }: { readonly report: StudyReport }) {
  const { study } = useStudy();
  const { title, tables } = report;
  return (
    <Menu
      label="Export"
      items={[
        {
          label: 'JSON',
          detail: 'the study, to be opened again',
          onSelect: () =>
            saveText(`${JSON.stringify(writeStudy(study), null, 2)}\n`, `${title}.json`, 'application/json'),
        },
        {
          label: 'CSV',
          detail: 'all tables, one below the other',
          onSelect: () =>
            saveText(tables.map((table) => flatTableCsv(table)).join('\r\n'), `${title}.csv`, 'text/csv'),
        },
      ]}
    />
  );
}
