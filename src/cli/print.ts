/** Printing: plain spaces, so that what is printed can be cut, searched and read by machines. */
import { terminal } from './terminal';

export function say(text: string): void {
  terminal().out(text.replace(/[\u00a0\u202f]/g, ' '));
}

export function sayJson(data: unknown): void {
  terminal().out(`${JSON.stringify(data, null, 2)}\n`);
}
