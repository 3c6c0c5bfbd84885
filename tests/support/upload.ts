/** A file on its way in. */
import { randomUUID } from 'node:crypto';
import type { Upload } from '@/platform/use/tracked-import';
import { bytesOf } from './streams';

export function uploadOf(data: unknown, size?: number): Upload {
  const text = typeof data === 'string' || data instanceof Uint8Array ? data : JSON.stringify(data);
  const bytesTotal = typeof text === 'string' ? new TextEncoder().encode(text).length : text.length;
  return { id: randomUUID(), fileName: 'book.json', bytesTotal, source: bytesOf(text, size) };
}
