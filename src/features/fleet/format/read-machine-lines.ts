/** Machines as they come in over the network: one a line, each checked, as many as the head says. */
import type { Machine } from '@/features/fleet/calc';
import { machineSchema, machinesHead } from './machine-schema';

const MOST_OF_LINE = 100_000;
const ROWS_AT_ONCE = 1000;

/** What is wrong with it, in words. */
export class MachineLinesError extends Error {
  override readonly name = 'MachineLinesError';
}

export async function* readMachineLines(source: AsyncIterable<Uint8Array>): AsyncGenerator<Machine[]> {
  let [count, seen, line] = [-1, 0, 0];
  const ids = new Set<string>();
  let batch: Machine[] = [];
  for await (const text of linesOf(source)) {
    line += 1;
    if (text === '') continue;
    const data = parsed(text, line);
    if (count < 0) {
      const head = machinesHead.safeParse(data);
      if (!head.success)
        throw new MachineLinesError('The first line must be the head of a file of machines.');
      count = head.data.count;
      continue;
    }
    const read = machineSchema.safeParse(data);
    if (!read.success) {
      const issue = read.error.issues[0]!;
      throw new MachineLinesError(`Line ${line}: ${issue.path.join('.')} ${issue.message}.`);
    }
    const key = read.data.id.toLowerCase();
    if (ids.has(key)) throw new MachineLinesError(`Line ${line}: “${read.data.id}” stands there twice.`);
    ids.add(key);
    seen += 1;
    batch.push(read.data as Machine);
    if (batch.length >= ROWS_AT_ONCE) {
      yield batch;
      batch = [];
    }
  }
  if (count < 0) throw new MachineLinesError('Nothing was sent.');
  if (seen !== count)
    throw new MachineLinesError(
      `${count} machines were announced and ${seen} came: it was cut off on its way.`,
    );
  if (batch.length > 0) yield batch;
}

function parsed(text: string, line: number): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw new MachineLinesError(`Line ${line} is no JSON.`);
  }
}

async function* linesOf(source: AsyncIterable<Uint8Array>): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  let kept = '';
  try {
    for await (const piece of source) {
      kept += decoder.decode(piece, { stream: true });
      const lines = kept.split('\n');
      kept = lines.pop()!;
      for (const line of lines) yield line;
      if (kept.length > MOST_OF_LINE) throw new MachineLinesError('A line is longer than 100000 letters.');
    }
    kept += decoder.decode();
  } catch (error) {
    if (error instanceof TypeError && /encod|decod/i.test(error.message))
      throw new MachineLinesError('This is no UTF-8 text.');
    throw error;
  }
  if (kept) yield kept;
}
