/** Says which line did it, when a step changed the month by more than a factor or took a line's amount away. */
'use client';
import { useEffect, useRef } from 'react';
import { Decimal } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import type { DesignSummary, LineSummary } from '@/engine/summary';
import { tell } from '@/platform/ui/toast';
import type { Pricing } from './pricing';

/** A month that becomes so many times as much, or as little, is said. */
export const FACTOR = 2;
/** Typing passes through many numbers; only where it rests counts. */
const RESTS = 1500;

function linesOf(summary: DesignSummary): readonly LineSummary[] {
  return summary.sections.flatMap((section) => section.lines);
}

/** Null: nothing to say. */
export function implausible(before: DesignSummary, after: DesignSummary, design: Design): string | null {
  if (before.currency !== after.currency) return null;
  const names = new Map(allComponents(design).map(({ id, name }) => [id, name]));
  const earlier = new Map(linesOf(before).map((line) => [line.id, line]));
  for (const line of linesOf(after)) {
    if (earlier.get(line.id)?.priced && !line.priced) {
      return `“${names.get(line.id)}” lost its amount. ${line.issues.map(sentenceFor).join(' ')}`;
    }
  }
  const [was, is] = [new Decimal(before.monthly), new Decimal(after.monthly)];
  if (!was.greaterThan(0) || !is.greaterThan(0)) return null;
  const times = is.dividedBy(was);
  if (times.lessThan(FACTOR) && times.greaterThan(1 / FACTOR)) return null;
  const moved = linesOf(after)
    .map((line) => ({
      id: line.id,
      by: new Decimal(line.monthly ?? 0).minus(earlier.get(line.id)?.monthly ?? 0).abs(),
    }))
    .sort((a, b) => b.by.comparedTo(a.by))[0];
  const name = moved && names.get(moved.id);
  const how = times.greaterThan(1)
    ? `${times.toFixed(1)} times as much`
    : `${times.times(100).toFixed(0)} % of it`;
  return name ? `“${name}” made the month ${how}.` : `The month is now ${how}.`;
}

export function usePlausibility(
  { summary, version }: Pricing,
  design: Design,
  undo: { readonly label: string; readonly run: () => void },
): void {
  const settled = useRef<DesignSummary | null>(null);
  const act = useRef(undo);
  useEffect(() => {
    act.current = undo;
  });
  useEffect(() => {
    if (!summary) return;
    if (!settled.current) {
      settled.current = summary;
      return;
    }
    const timer = setTimeout(() => {
      const before = settled.current!;
      settled.current = summary;
      // A design that is just being written grows by every line.
      const said = linesOf(before).length > 2 ? implausible(before, summary, design) : null;
      if (said) tell(said, act.current);
    }, RESTS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the summary belongs to the version
  }, [summary, version]);
}
