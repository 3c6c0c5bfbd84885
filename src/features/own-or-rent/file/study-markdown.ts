/** A study's report as Markdown. */
import type { StudyReport } from '@/features/own-or-rent/words';
import { flatTableMarkdown } from '@/platform/files/flat-table-markdown';
import { plain } from '@/platform/files/markdown-text';

export function studyMarkdown({ title, lead, tables }: StudyReport): string {
  const said = lead.map((each) => plain(each));
  return `${[`# ${plain(title)}`, ...said, ...tables.map(flatTableMarkdown)].join('\n\n')}\n`;
}
