/** The review as a file: for the discussion of the change, a sheet, a program, a pipeline. */
'use client';
import type { ReviewForm } from '@/features/review/use/review-ports';
import { Menu } from '@/platform/ui/menu';
import { saveFile } from '@/platform/screen/save-file';
import { useReview } from './review-context';

const FORMS: readonly (readonly [form: ReviewForm, label: string, detail: string])[] = [
  ['md', 'Markdown', 'for the discussion of the change'],
  ['csv', 'CSV', 'resource by resource'],
  ['json', 'JSON', 'everything, for programs'],
  ['junit', 'Test results', 'a case for each limit, as JUnit XML'],
  ['sarif', 'Findings', 'as SARIF 2.1.0'],
];

export function ExportReview() {
  const { of } = useReview();
  return (
    <Menu
      label="Export"
      items={FORMS.map(([form, label, detail]) => ({
        label,
        detail,
        onSelect: () => saveFile(`/api/reviews/${of.id}/file?form=${form}`),
      }))}
    />
  );
}
