/** A file made here, saved by the browser. */
export function saveText(text: string, name: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name.replaceAll(/[\\/:*?"<>|]/g, ' ');
  link.click();
  URL.revokeObjectURL(address);
}
