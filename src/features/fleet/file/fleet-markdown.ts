/** A fleet's report as Markdown. */
import { type TableReport } from '@/platform/tables';
import { fleetTotalText } from '@/features/fleet/words';
import { flatTableMarkdown } from '@/platform/files/flat-table-markdown';
import { plain } from '@/platform/files/markdown-text';

export function fleetMarkdown({ title, currency, lead, total, tables }: TableReport): string {
  const said = [...(total ? [fleetTotalText(total, currency)] : []), ...lead].map((each) => plain(each));
  return `${[`# ${plain(title)}`, ...said, ...tables.map(flatTableMarkdown)].join('\n\n')}\n`;
}
