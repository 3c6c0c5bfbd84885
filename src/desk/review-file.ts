/** A kept review as a file: for a discussion, a program, a sheet, or what pipelines show. */
import { reviewTable } from '@/features/review/words';
import { type Limits, NO_LIMITS } from '@/features/review/calc';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { reviewJunit } from '@/features/review/format/review/junit';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { reviewSarif } from '@/features/review/format/review/sarif';
import type { WorkedReview } from '@/features/review/format/review/work-review';
import { reviewMarkdown } from '@/features/review/file/review-markdown';
import { fileStem } from '@/features/design/use/designs';
import { type ReviewForm, type StoredReview } from '@/features/review/use/review-ports';
import { type WrittenFile } from '@/platform/use/job-ports';

const TYPES: Readonly<Record<ReviewForm, readonly [ending: string, type: string]>> = {
  md: ['md', 'text/markdown; charset=utf-8'],
  json: ['json', 'application/json'],
  csv: ['csv', 'text/csv; charset=utf-8'],
  junit: ['junit.xml', 'application/xml'],
  sarif: ['sarif.json', 'application/json'],
};

export function writeReview(
  form: ReviewForm,
  stored: StoredReview,
  teamLimits: string | null,
  worked: WorkedReview,
): WrittenFile {
  const [ending, type] = TYPES[form];
  const stem = fileStem(stored.title || `${stored.repository} ${stored.change}`);
  return {
    name: `${stem}.${ending}`,
    type,
    bytes: new TextEncoder().encode(textOf(form, worked, limitsOf(stored.limits, teamLimits))),
  };
}

function textOf(form: ReviewForm, { review, limits }: WorkedReview, all: Limits): string {
  switch (form) {
    case 'md':
      return reviewMarkdown({ review, limits, whatIfs: [] });
    case 'json':
      return `${JSON.stringify({ ...review, limits }, null, 2)}\n`;
    case 'csv':
      return flatTableCsv(reviewTable(review, true));
    case 'junit':
      return reviewJunit(review, all, limits);
    case 'sarif':
      return reviewSarif(review, all, limits, 'plan.json');
  }
}

/** Those beside the code and those of the team; each was checked when it came in. */
function limitsOf(...texts: readonly (string | null)[]): Limits {
  const all = texts.flatMap((text) => {
    const read = text === null ? null : readLimits(text);
    return read?.ok ? [read.value] : [];
  });
  return {
    ...NO_LIMITS,
    limits: all.flatMap(({ limits }) => limits),
    exceptions: all.flatMap(({ exceptions }) => exceptions),
  };
}
