/** Text that stands in Markdown: whatever could be markup or a table's border is escaped; one line. */
export function plain(text: string): string {
  return text.replace(/\s*\n\s*/g, ' ').replace(/[\\`*_{}[\]<>#|~]/g, (mark) => `\\${mark}`);
}
