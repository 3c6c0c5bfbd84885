/** Bytes of anyone's file as text. Only UTF-8 is taken; what else it may be is guessed, so that the remedy is plain. */
import { type Checked, refused } from './faults';

export function utf8Text(bytes: Uint8Array): Checked<string> {
  try {
    return { ok: true, value: new TextDecoder('utf-8', { fatal: true }).decode(bytes) };
  } catch {
    return refused([{ path: '', message: notUtf8(bytes) }]);
  }
}

/** What is wrong with it, and what it looks like. */
export function notUtf8(bytes: Uint8Array): string {
  return `The file is not UTF-8 text; it looks like ${guess(bytes)}. Save it as UTF-8 and try again.`;
}

function guess(bytes: Uint8Array): string {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return 'UTF-16 (little endian)';
  if (first === 0xfe && second === 0xff) return 'UTF-16 (big endian)';
  if (first === 0x1f && second === 0x8b) return 'a gzip file';
  if (first === 0x50 && second === 0x4b) return 'a spreadsheet or another packed file';
  const start = bytes.subarray(0, 2000);
  if (start.includes(0)) return 'UTF-16 without a mark, or no text at all';
  return 'Windows-1252 or Latin-1';
}
