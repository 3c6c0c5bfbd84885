/** A flat table as Markdown. User text cannot become markup. */
import { type FlatCell, flatCellText, type FlatTable } from '@/platform/tables';
import { plain } from './markdown-text';

export function flatTableMarkdown({ title, answer, currency, head, rows, notes }: FlatTable): string {
  const cell = (each: FlatCell): string =>
    typeof each === 'string' ? plain(each) : flatCellText(each, currency);
  const isAmount = head.map((_, at) => rows.some(({ cells }) => typeof cells[at] === 'object'));
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
  const strong = (text: string): string => (text === '' ? '' : `**${text}**`);
  const table = [
    line(head.map(plain)),
    line(head.map((_, at) => (isAmount[at] ? '---:' : '---'))),
    ...rows.map(({ level, cells }) => {
      const texts = cells.map(cell);
      return line(level === 'line' ? texts : texts.map(strong));
    }),
  ].join('\n');
  const said = notes.map(
    (note) => `### ${plain(note.title)}\n\n${note.lines.map((each) => `- ${plain(each)}`).join('\n')}`,
  );
  const rowsOf = head.length === 0 ? [] : [table];
  return `${[`## ${plain(title)}`, plain(answer), ...rowsOf, ...said].join('\n\n')}\n`;
}
