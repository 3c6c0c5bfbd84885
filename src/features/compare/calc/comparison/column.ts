/** The foot of a column: its totals, and everything that has to be said before it is called cheaper. */
import { decimal, type Issue } from '@/engine/base';
import { comparableIn, type Side } from './side';
import type { ComparedColumn, Remark } from './model';
import { differenceOf } from './difference';
import { STAYED } from './stayed';

/** Told in a list of their own. */
const APART = new Set<string>([...STAYED, 'move.lacks', 'move.not-billed']);

export function columnOf(side: Side, baseline: Side): ComparedColumn {
  const { id, name, note, changes, summary, outcomes } = side.column;
  const { printed, wick, upfront, firstYear, twelveMonths, unpriced } = summary;
  const refused = outcomes.flatMap(({ why }, at) => (why ? [{ at, why }] : []));
  const said = outcomes.flatMap(({ lines }) =>
    lines.flatMap((line) =>
      line.issues.map((issue) => ({ id: line.id, name: line.name, issue, changed: line.changed })),
    ),
  );
  const plain = ({ changed: _, ...remark }: (typeof said)[number]): Remark => remark;
  const stayed = said.filter(({ changed, issue }) => !changed && STAYED.has(issue.code)).map(plain);
  const lacks = [...said.filter(({ issue }) => issue.code === 'move.lacks').map(plain), ...side.outside()];
  const remarks = said.filter(({ changed, issue }) => changed && !APART.has(issue.code)).map(plain);
  const compared =
    side === baseline || ![...side.lines.keys()].every((line) => comparableIn(line, side, baseline))
      ? { change: null, share: null }
      : differenceOf(decimal(printed), decimal(baseline.column.summary.printed));
  return {
    id,
    name,
    note,
    changes,
    printed,
    wick,
    ...compared,
    upfront,
    firstYear: firstYear ?? twelveMonths,
    unpriced,
    refused,
    stayed,
    lacks,
    remarks,
    minimums: noticesOf(side, 'minimum.applied'),
    unlike: side === baseline ? [] : [...notBilled(said), ...unlikeOf(side, baseline)],
    complete:
      unpriced === 0 && stayed.length === 0 && lacks.length === 0 && !refused.some(({ why }) => matters(why)),
  };
}

/** A change that changes nothing leaves nothing missing. */
function matters({ code }: Issue): boolean {
  return code !== 'change.nothing';
}

function noticesOf(side: Side, code: Issue['code']): Remark[] {
  return [...side.lines.values()].flatMap(({ id, notices }) =>
    notices
      .filter((issue) => issue.code === code)
      .map((issue) => ({ id, name: side.components.get(id)?.name ?? id, issue })),
  );
}

const notBilled = (said: readonly Remark[]): ComparedColumn['unlike'] =>
  said
    .filter(({ issue }) => issue.code === 'move.not-billed')
    .map(({ id, name, issue }) => ({ id, name, issue, billed: 'only-before' }));

/** What has a price of its own on one side and none, or none that reads it, on the other. */
function unlikeOf(side: Side, baseline: Side): ComparedColumn['unlike'] {
  const both = ({ id }: Remark): boolean => baseline.lines.has(id) && side.lines.has(id);
  const only = (code: Issue['code'], value: string, of: Side, against: Side): Remark[] => {
    const key = ({ id, issue }: Remark): string => `${id}\n${issue.values[value]}`;
    const known = new Set(noticesOf(against, code).map(key));
    return noticesOf(of, code).filter((remark) => both(remark) && !known.has(key(remark)));
  };
  const before = only('entry.unread', 'entry', side, baseline);
  const here = [
    ...only('entry.unread', 'entry', baseline, side),
    ...only('usage.counted-as-none', 'meter', side, baseline),
  ];
  return [
    ...before.map((remark) => ({ ...remark, billed: 'only-before' as const })),
    ...here.map((remark) => ({ ...remark, billed: 'only-here' as const })),
  ];
}
