/** Saves what an address of our own answers with; the server names the file. */
export function saveFile(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.click();
}
