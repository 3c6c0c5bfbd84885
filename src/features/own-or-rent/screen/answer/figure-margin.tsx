/** How one amount of the table adds up: its lines, its months, and the assumptions they are made of. */
'use client';
import { useMemo } from 'react';
import { Button } from '@/platform/ui/button';
import { TraceTree } from '@/platform/ui/trace-tree';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { useStudy, useStudyAsked } from '../study-context';

export interface AskedFigure {
  readonly variant: string;
  readonly lines: readonly string[];
  readonly from: number;
  readonly to: number;
  readonly title: string;
  readonly printed: string;
  /** What things are worth at the end: it is no flow of a month. */
  readonly worth?: 'only' | 'too';
}

interface FigureMarginProps {
  readonly figure: AskedFigure;
  readonly onClose: () => void;
}

export function FigureMargin({ figure, onClose }: FigureMarginProps) {
  const { study } = useStudy();
  const { variant, lines, from, to, title, printed, worth } = figure;
  const question = useMemo(
    () => ({
      ask: 'explain' as const,
      study,
      wanted: { variant, lines, from, to, title, basis: study.basis, worth },
    }),
    [study, variant, lines, from, to, title, worth],
  );
  const { answer, isWaiting, trouble, again, progress } = useStudyAsked(question);
  return (
    <div data-testid="figure">
      <h2 className="pr-8 text-base font-semibold break-words">{title}</h2>
      <p className="mb-2 text-sm text-soft">How it adds up</p>
      <Trouble trouble={trouble} again={again} />
      {isWaiting && !answer && <Working progress={progress} />}
      {answer && <TraceTree figure={answer} currency={study.currency} printed={printed} per="In all" />}
      <Button className="mt-4" onClick={onClose}>
        Back to how it counts
      </Button>
    </div>
  );
}
