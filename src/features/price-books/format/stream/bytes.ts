/** From bytes of anyone's file to text: unpacked where it is packed, bounded, and UTF-8 or refused. */
import { notUtf8 } from '@/platform/formats/utf8';
import { SplitError } from './splitter';

export interface ByteBounds {
  /** Of the unpacked text. */
  readonly mostBytes: number;
  /** Unpacked ÷ packed, once more than a few megabytes came out: more than that is no honest file. */
  readonly mostRatio: number;
}

export const BOOK_BOUNDS: ByteBounds = { mostBytes: 1_500_000_000, mostRatio: 400 };
const RATIO_FROM = 8_000_000;

export interface Read {
  /** Bytes that came in so far, as sent. */
  bytes: number;
}

/** `read.bytes` grows as the file arrives. Throws `SplitError`. */
export async function* textOf(
  source: AsyncIterable<Uint8Array>,
  bounds: ByteBounds,
  read: Read,
): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true, ignoreBOM: true });
  let unpacked = 0;
  let packed = false;
  let lines = 1;
  const decode = (chunk?: Uint8Array): string => {
    try {
      return chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode();
    } catch {
      throw new SplitError(notUtf8(chunk ?? new Uint8Array()), lines, 1);
    }
  };
  const counted = count(source, read);
  const first = await counted.next();
  if (first.done) return;
  packed = first.value[0] === 0x1f && first.value[1] === 0x8b;
  const all = joined(first.value, counted);
  for await (const chunk of packed ? unzip(all) : all) {
    unpacked += chunk.byteLength;
    if (unpacked > bounds.mostBytes) {
      const most = Math.floor(bounds.mostBytes / 1_000_000);
      throw new SplitError(`the file is larger than ${most} MB, which is the most that is read`, lines, 1);
    }
    if (packed && unpacked > RATIO_FROM && unpacked > read.bytes * bounds.mostRatio) {
      throw new SplitError('the packed file unpacks to far more than such a file holds', lines, 1);
    }
    const text = decode(chunk);
    lines += lineEnds(text);
    yield text;
  }
  yield decode();
}

function lineEnds(text: string): number {
  let ends = 0;
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) ends += 1;
  return ends;
}

async function* count(source: AsyncIterable<Uint8Array>, read: Read): AsyncGenerator<Uint8Array> {
  for await (const chunk of source) {
    read.bytes += chunk.byteLength;
    if (chunk.byteLength > 0) yield chunk;
  }
}

async function* joined(first: Uint8Array, rest: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  yield first;
  yield* rest;
}

async function* unzip(source: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  const iterator = source[Symbol.asyncIterator]();
  const packed = new ReadableStream<BufferSource>({
    async pull(controller) {
      const next = await iterator.next();
      if (next.done) controller.close();
      else controller.enqueue(next.value as Uint8Array<ArrayBuffer>);
    },
  });
  const reader = packed.pipeThrough(new DecompressionStream('gzip')).getReader();
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      yield value;
    }
  } catch (error) {
    if (error instanceof SplitError) throw error;
    throw new SplitError('the file begins like a gzip file and cannot be unpacked', 1, 1, '', error);
  } finally {
    await reader.cancel().catch(() => undefined);
  }
}
