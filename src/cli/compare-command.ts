/** `wick compare`: a design beside its alternatives, or a whole axis; the same core and so the same numbers as on screen. */
import { AXES, type Axis, axisOf, OF_ONE_LINE } from '@/features/compare/calc/axes';
import { compareDesign, type GroupBy } from '@/features/compare/calc/comparison';
import { allComponents, type Design, type Scope } from '@/engine/design';
import { axisTable, comparisonTable } from '@/features/compare/words';
import { type FlatTable } from '@/platform/tables';
import { sentenceFor } from '@/platform/words';
import { type BookSet, planOf } from '@/engine/pricing';
import { invalid } from '@/platform/use/app-error';
import { booksOf, readDesignFile } from './files';
import type { Call } from './options';
import { namesOf, writeTable } from './table-output';

const INCOMPLETE = 3;
const GROUPS: readonly GroupBy[] = ['section', 'category', 'kind'];

/** 0 if everything was priced, 3 if something has no amount or an alternative lacks something. */
export async function compareCommand(call: Call): Promise<number> {
  const design = readDesignFile(call.given[0]!);
  const axis = call.one('axis');
  const answer = axis === undefined ? compared(call, design) : alongAxis(call, design, axisNamed(axis));
  const { table, data, complete } = answer(await booksOf(call.all('books')));
  await writeTable(call, table, data);
  return complete ? 0 : INCOMPLETE;
}

interface Result {
  readonly table: FlatTable;
  readonly data: unknown;
  readonly complete: boolean;
}

/** What is asked; said wrongly, it is refused before books are read, which takes seconds. */
type Answer = (books: BookSet) => Result;

function compared(call: Call, design: Design): Answer {
  for (const option of ['line', 'section'] as const) {
    if (call.one(option) !== undefined) throw invalid(`--${option} goes with --axis.`);
  }
  const by = groupNamed(call.one('by') ?? 'section');
  const alternatives = chosen(design, call.one('alternatives'));
  return (books) => {
    const comparison = compareDesign(design, books, by, alternatives);
    return {
      table: comparisonTable(comparison, design, namesOf(design, books)),
      data: { title: design.title, ...withSentences(comparison) },
      complete: comparison.columns.every((column) => column.complete),
    };
  };
}

/** Issues are data; whoever reads them wants the sentence too. */
function withSentences<T>(value: T): T {
  return JSON.parse(
    JSON.stringify(value, (_, each: unknown) =>
      each && typeof each === 'object' && 'code' in each && 'values' in each
        ? {
            ...each,
            says: sentenceFor(each as Parameters<typeof sentenceFor>[0]).replace(/[\u00a0\u202f]/g, ' '),
          }
        : each,
    ),
  ) as T;
}

function chosen(design: Design, names: string | undefined): Design['alternatives'] & {} {
  const all = design.alternatives ?? [];
  if (names === undefined) {
    if (all.length === 0)
      throw invalid(`“${design.title}” has no alternatives. Give --axis, or a design with some.`);
    return all;
  }
  return names.split(',').map((text) => {
    const name = text.trim();
    const found = all.find((each) => each.name === name || each.id === name);
    if (found) return found;
    const there = all.map((each) => `“${each.name}”`).join(', ') || 'none';
    throw invalid(`“${design.title}” has no alternative “${name}”; there are: ${there}.`);
  });
}

function alongAxis(call: Call, design: Design, axis: Axis): Answer {
  for (const option of ['alternatives', 'by'] as const) {
    if (call.one(option) !== undefined) throw invalid(`--${option} does not go with --axis.`);
  }
  const { what, subject } = scopeOf(call, design, axis);
  return (books) => {
    const answer = axisOf(axis, planOf(design, books), what);
    return {
      table: axisTable(answer, design, subject),
      data: { title: design.title, subject, ...withSentences(answer) },
      complete: answer.rows.every(({ missing }) => missing.length === 0),
    };
  };
}

function scopeOf(call: Call, design: Design, axis: Axis): { readonly what: Scope; readonly subject: string } {
  const [line, section] = [call.one('line'), call.one('section')];
  if (line !== undefined && section !== undefined) throw invalid('--line and --section do not go together.');
  if (line !== undefined) {
    const found = allComponents(design).find(({ id, name }) => id === line || name === line);
    if (!found) throw invalid(`“${design.title}” has no line “${line}”.`);
    return { what: { of: 'lines', ids: [found.id] }, subject: `“${found.name}”` };
  }
  if (OF_ONE_LINE.includes(axis)) throw invalid(`--axis ${axis} is of one line; say which with --line.`);
  if (section !== undefined) {
    const found = design.sections.find(({ id, name }) => id === section || name === section);
    if (!found) throw invalid(`“${design.title}” has no section “${section}”.`);
    return { what: { of: 'section', id: found.id }, subject: `section “${found.name}”` };
  }
  return { what: { of: 'all' }, subject: 'the design' };
}

function axisNamed(text: string): Axis {
  const axis = AXES.find((each) => each === text);
  if (!axis) throw invalid(`--axis takes one of ${AXES.join(', ')}, not “${text}”.`);
  return axis;
}

function groupNamed(text: string): GroupBy {
  const by = GROUPS.find((each) => each === text);
  if (!by) throw invalid(`--by takes one of ${GROUPS.join(', ')}, not “${text}”.`);
  return by;
}
