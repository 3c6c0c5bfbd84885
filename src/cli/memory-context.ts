/** The application over files alone: everything in memory, no database. */
import { randomUUID } from 'node:crypto';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { type Context } from '@/stores/ports';
import { publishBook } from '@/features/price-books/use/import-book';
import { memoryStores } from '@/stores/memory-stores';

export async function memoryContext(files: readonly PriceBookFile[]): Promise<Context> {
  const context: Context = {
    actor: { user: 'local', workspace: 'files', role: 'admin' },
    ...memoryStores(),
    now: () => new Date(),
    newId: randomUUID,
  };
  for (const file of files) await publishBook(context, file);
  return context;
}
