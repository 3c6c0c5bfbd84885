/** Printing: plain spaces, so that what is printed can be cut, searched and read by machines. */
export function say(text: string): void {
  process.stdout.write(text.replace(/[\u00a0\u202f]/g, ' '));
}

export function sayJson(data: unknown): void {
  process.stdout.write(`${JSON.stringify(data, null, 2)}\n`);
}
