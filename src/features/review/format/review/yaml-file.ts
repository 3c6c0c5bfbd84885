/** Reads a YAML file that a person wrote: bounded, each key once, and every fault with its line and column. */
import { isNode, LineCounter, parseDocument } from 'yaml';
import type { z } from 'zod';
import { type Checked, type Fault, faultsOf, refused } from '@/platform/formats/faults';
import { cut } from '@/engine/base';

/** Bytes of a file that a person writes. */
const MOST_BYTES = 1_000_000;
/** Uses of anchors: enough for convenience, too few to blow a file up. */
const MOST_ALIASES = 100;

export function readYaml<T>(text: string, schema: z.ZodType<T>): Checked<T> {
  if (text.length > MOST_BYTES)
    return refused([
      {
        path: '',
        message: `The file is larger than ${MOST_BYTES / 1_000_000} MB, which is the most that is read.`,
      },
    ]);
  const lines = new LineCounter();
  try {
    const document = parseDocument(text, {
      lineCounter: lines,
      uniqueKeys: true,
      schema: 'core',
      strict: true,
    });
    const [error] = document.errors;
    if (error) {
      const { line, col } = lines.linePos(error.pos[0]);
      return refused([
        {
          path: '',
          message: `The file is not valid YAML: ${cut(firstLine(error.message), 200)}`,
          line,
          column: col,
        },
      ]);
    }
    const read = schema.safeParse(document.toJS({ maxAliasCount: MOST_ALIASES }));
    if (read.success) return { ok: true, value: read.data };
    const faults = faultsOf(read.error);
    return refused(read.error.issues.map((issue, at) => placed(faults[at]!, issue.path, document, lines)));
  } catch (error) {
    // Nested beyond what a stack bears, or blown up by anchors.
    const why =
      error instanceof RangeError
        ? 'it is nested too deep'
        : cut(firstLine(String((error as Error).message)), 200);
    return refused([{ path: '', message: `The file cannot be read: ${why}.` }]);
  }
}

const firstLine = (text: string): string => text.split('\n')[0]!.replace(/:$/, '');

/** Where the nearest thing stands that is there. */
function placed(
  fault: Fault,
  path: readonly PropertyKey[],
  document: ReturnType<typeof parseDocument>,
  lines: LineCounter,
): Fault {
  for (let length = path.length; length >= 0; length -= 1) {
    const node: unknown = length === 0 ? document.contents : document.getIn(path.slice(0, length), true);
    if (!isNode(node) || !node.range) continue;
    const { line, col } = lines.linePos(node.range[0]);
    return { ...fault, line, column: col };
  }
  return fault;
}
