/** A curve drawn, with its files and the same as tables. */
'use client';
import type { Curve } from '@/core/curves';
import { curveSentence, curveTable, lowered, placeOnAxis } from '@/core/display';
import { flatTableCsv } from '@/formats/flat-table-csv';
import { Button } from '@/ui/button';
import { CurveChart } from '@/ui/curve-chart';
import { saveText } from '../save-text';
import { CurveTables } from './curve-tables';

interface CurveDrawnProps {
  readonly curve: Curve;
  readonly byPowers: boolean;
  readonly title: string;
}

export function CurveDrawn({ curve, byPowers, title }: CurveDrawnProps) {
  const { axis, at, sides, currency, crossings, readings, budget } = curve;
  const unit = axis.unit === '' ? '' : `, ${axis.unit}`;
  const question = `What does the month cost over ${lowered(axis.title)}?`;
  const inside = readings.filter((each) => each.at >= axis.from && each.at <= axis.to);
  const file = `${title} over ${axis.title}`;
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
      <CurveChart
        label={`${question} ${curveSentence(curve)}`}
        lines={sides.map(({ name, amounts }) => ({
          name,
          points: at.map((x, index) => [x, amounts[index]!] as const),
        }))}
        x={{ title: `${axis.title}${unit}`, from: axis.from, to: axis.to, scale: axis.scale }}
        y={{ title: `${currency} a month`, scale: byPowers ? 'log' : 'linear' }}
        places={[
          ...inside.map(({ label, at: place }) => ({ at: place, label })),
          ...crossings.map(({ at: place }) => ({
            at: place,
            label: placeOnAxis(place, { unit: '' }),
            low: true,
          })),
        ]}
        levels={budget === null ? [] : [{ at: Number(budget), label: 'budget', over: true }]}
        file={file}
      />
      <CurveTables curve={curve} />
    </div>
  );
}
