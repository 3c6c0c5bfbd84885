/** Bytes of a text file as text, whatever program wrote them: UTF-8, UTF-16, or the western eight-bit signs. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** By the first bytes; whether what looks like UTF-8 is, shows only later. */
export function encodingOf(bytes: Uint8Array): Encoding {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  // Without a mark: in sixteen bits every second byte of a western table is nothing.
  const head = bytes.subarray(0, 400);
  const nothing = (from: number): number =>
    head.filter((byte, at) => at % 2 === from && byte === 0).length / Math.max(1, head.length / 2);
  if (nothing(1) > 0.6) return 'utf-16le';
  if (nothing(0) > 0.6) return 'utf-16be';
  return 'utf-8';
}

/** Piece by piece. Throws a TypeError where it is no UTF-8 after all. */
export async function* textOf(
  pieces: AsyncIterable<Uint8Array>,
  encoding: Encoding,
): AsyncGenerator<{ readonly text: string; readonly bytes: number }> {
  const decoder = new TextDecoder(encoding, { fatal: encoding === 'utf-8' });
  let bytes = 0;
  for await (const piece of pieces) {
    bytes += piece.length;
    yield { text: decoder.decode(piece, { stream: true }), bytes };
  }
  yield { text: decoder.decode(), bytes };
}
