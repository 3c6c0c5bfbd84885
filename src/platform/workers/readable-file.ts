/** A file of the browser as one that can be read more than once. */
import type { InventoryFile } from '@/features/fleet/format/inventory-file';

export function readableFile(file: File): InventoryFile {
  return {
    name: file.name,
    size: file.size,
    async *bytes() {
      const reader = file.stream().getReader();
      for (;;) {
        const { done, value } = await reader.read();
        if (done) return;
        yield value;
      }
    },
  };
}
