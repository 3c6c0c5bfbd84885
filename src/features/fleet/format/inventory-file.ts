/** An inventory on its way in: a file that can be read more than once, and the rows that come out of it. */

export interface InventoryFile {
  readonly name: string;
  readonly size: number;
  bytes(): AsyncIterable<Uint8Array>;
}

export interface RowBatch {
  /** Of a workbook; empty for a text file. */
  readonly sheet: string;
  readonly hidden: boolean;
  /** Number of the first row as the file counts, the first is 1. */
  readonly first: number;
  readonly rows: readonly (readonly string[])[];
  /** Of each row, the places of cells that a workbook keeps as numbers. */
  readonly numeric?: readonly (readonly number[])[];
  /** Bytes of the file that are read. */
  readonly bytes: number;
  /** What is worth knowing of the sheet, told with its last rows. */
  readonly notes?: readonly string[];
}

/** What is wrong with a file as a whole, in words with the remedy. */
export class InventoryError extends Error {
  override readonly name = 'InventoryError';
}

export const MOST_COLUMNS = 2000;
/** Letters of one cell. */
export const MOST_OF_CELL = 100_000;

/** All of it at once: for what cannot be read from its beginning alone. */
export async function wholeFile(file: InventoryFile, most: number, tooLarge: string): Promise<Uint8Array> {
  if (file.size > most) throw new InventoryError(tooLarge);
  const pieces: Uint8Array[] = [];
  let size = 0;
  for await (const piece of file.bytes()) {
    size += piece.length;
    if (size > most) throw new InventoryError(tooLarge);
    pieces.push(piece);
  }
  const whole = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}

/** What is there already, as a file. */
export function fileOfBytes(name: string, bytes: Uint8Array): InventoryFile {
  return {
    name,
    size: bytes.length,
    async *bytes() {
      yield bytes;
    },
  };
}
