/** A curve drawn, with its files and the same as tables. */
'use client';
import { memo } from 'react';
import type { Curve } from '@/features/load/calc';
import { curveDrawing, curveSentence, curveTable } from '@/features/load/words';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { CurveChart } from '@/platform/ui/curve-chart';
import { saveText } from '@/platform/screen/save-text';
import { CurveTables } from './curve-tables';

interface CurveDrawnProps {
  readonly curve: Curve;
  readonly byPowers: boolean;
  readonly title: string;
}

/** Drawn anew only where the curve is another: not with every key that is typed beside it. */
export const CurveDrawn = memo(function CurveDrawn({ curve, byPowers, title }: CurveDrawnProps) {
  const { question, ...drawing } = curveDrawing(curve, byPowers);
  const file = `${title} over ${curve.axis.title}`;
  return (
    <div className="px-[18px] py-3">
      <h2 className="flex items-center gap-3 text-sm font-semibold">
        {question}
        <Button
          tone="bare"
          className="ml-auto"
          onClick={() => saveText(flatTableCsv(curveTable(curve)), `${file}.csv`, 'text/csv')}
        >
          CSV
        </Button>
      </h2>
      <CurveChart label={`${question} ${curveSentence(curve)}`} {...drawing} file={file} />
      <CurveTables curve={curve} />
    </div>
  );
});
