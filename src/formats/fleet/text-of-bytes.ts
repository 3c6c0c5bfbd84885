/** Bytes of a text file as text, whatever program wrote them: UTF-8, UTF-16, or the western eight-bit signs. */
export interface DecodedText {
  readonly text: string;
  readonly encoding: 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';
}

export function textOfBytes(bytes: Uint8Array): DecodedText {
  const encoding = encodingOf(bytes);
  const text = new TextDecoder(encoding).decode(bytes);
  return { text: text.replace(/^\ufeff/, ''), encoding };
}

function encodingOf(bytes: Uint8Array): DecodedText['encoding'] {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  // Without a mark: in sixteen bits every second byte of a western table is nothing.
  const head = bytes.subarray(0, 400);
  const nothing = (from: number): number =>
    head.filter((byte, at) => at % 2 === from && byte === 0).length / Math.max(1, head.length / 2);
  if (nothing(1) > 0.6) return 'utf-16le';
  if (nothing(0) > 0.6) return 'utf-16be';
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return 'utf-8';
  } catch {
    return 'windows-1252';
  }
}
