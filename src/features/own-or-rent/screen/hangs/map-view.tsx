/** Two assumptions against one another: where owning costs less, where renting, with the border between them. */
'use client';
import { useState } from 'react';
import { assumptionName, studyUnit } from '@/features/own-or-rent/words';
import { writeMoney, writeNumber } from '@/platform/words';
import type { Assumption, StudyMap, StudySwing } from '@/features/own-or-rent/calc';
import { Choice } from '@/platform/ui/field';
import { useStudy, useStudyAsked } from '../study-context';

const SIZE = 330;

export function MapView({ swings }: { readonly swings: readonly StudySwing[] }) {
  const { study, assumptions } = useStudy();
  const felt = swings.flatMap(({ id }) => assumptions.find((each) => each.id === id) ?? []);
  const [chosen, setChosen] = useState<readonly [string | null, string | null]>([null, null]);
  const has = (id: string | null): boolean => felt.some((each) => each.id === id);
  const across = has(chosen[0]) ? chosen[0]! : (felt[0]?.id ?? '');
  const rest = felt.filter(({ id }) => id !== across);
  const down = has(chosen[1]) && chosen[1] !== across ? chosen[1]! : (rest[0]?.id ?? '');
  const question = across && down ? { ask: 'map' as const, study, across, down } : null;
  const { answer: map, isWaiting } = useStudyAsked(question);
  const options = felt.map((each) => [each.id, assumptionName(each)] as const);
  const [x, y] = [across, down].map((id) => assumptions.find((each) => each.id === id));
  if (felt.length < 2) return null;
  return (
    <section aria-label="Two assumptions" className="mt-6">
      <h2 className="text-sm font-semibold">Where does which side cost less?</h2>
      <div className="mt-1 flex max-w-[720px] gap-3">
        <Choice label="Across" value={across} options={options} onChange={(id) => setChosen([id, down])} />
        <Choice
          label="Upwards"
          value={down}
          options={options.filter(([id]) => id !== across)}
          onChange={(id) => setChosen([across, id])}
        />
      </div>
      {map && x && y && (
        <div className={isWaiting ? 'opacity-50' : ''}>
          <Drawn map={map} x={x} y={y} />
        </div>
      )}
    </section>
  );
}

interface DrawnProps {
  readonly map: StudyMap;
  readonly x: Assumption;
  readonly y: Assumption;
}

function Drawn({ map, x, y }: DrawnProps) {
  const { study } = useStudy();
  const { currency } = study;
  const { across, down, differences } = map;
  const cell = SIZE / across.length;
  const most = Math.max(1, ...differences.flat().map(Math.abs));
  const place = (value: number, ends: readonly number[]): number =>
    ends.length < 2 || ends.at(-1) === ends[0] ? 0.5 : (value - ends[0]!) / (ends.at(-1)! - ends[0]!);
  const [nowX, nowY] = [place(Number(x.value.likely), across), place(Number(y.value.likely), down)];
  const corner = (row: number, column: number): string => {
    const value = differences.at(row)!.at(column)!;
    return `${writeMoney(Math.abs(value).toFixed(0), currency)} ${currency} ${value > 0 ? 'more' : 'less'}`;
  };
  const owned = differences.flat().filter((value) => value > 0).length;
  return (
    <figure className="mt-2 flex flex-wrap gap-8">
      <svg viewBox={`-70 -8 ${SIZE + 84} ${SIZE + 54}`} className="w-[430px] max-w-full" aria-hidden="true">
        {differences.map((row, at) =>
          row.map((value, column) => (
            <rect
              key={`${at} ${column}`}
              x={column * cell}
              y={SIZE - (at + 1) * cell}
              width={cell}
              height={cell}
              shapeRendering="crispEdges"
              fill={value > 0 ? 'var(--ember)' : 'var(--tide)'}
              fillOpacity={0.12 + 0.5 * (Math.abs(value) / most)}
            />
          )),
        )}
        {/* A step between two squares: there the answer turns. */}
        {differences.flatMap((row, at) =>
          row.flatMap((value, column) => {
            const [right, up] = [row[column + 1], differences[at + 1]?.[column]];
            const [left, foot] = [(column + 1) * cell, SIZE - (at + 1) * cell];
            return [
              right !== undefined && right > 0 !== value > 0 && (
                <line
                  key={`r${at} ${column}`}
                  x1={left}
                  x2={left}
                  y1={foot}
                  y2={foot + cell}
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
              ),
              up !== undefined && up > 0 !== value > 0 && (
                <line
                  key={`u${at} ${column}`}
                  x1={left - cell}
                  x2={left}
                  y1={foot}
                  y2={foot}
                  stroke="var(--ink)"
                  strokeWidth="2"
                />
              ),
            ];
          }),
        )}
        <rect x="0" y="0" width={SIZE} height={SIZE} fill="none" stroke="var(--ink)" />
        <g stroke="var(--ink)" strokeWidth="2" transform={`translate(${nowX * SIZE} ${SIZE - nowY * SIZE})`}>
          <line x1="-7" x2="7" y1="0" y2="0" />
          <line x1="0" x2="0" y1="-7" y2="7" />
        </g>
        {[0, 0.5, 1].map((part) => (
          <g key={part} fill="var(--soft)" fontSize="12">
            <text x={part * SIZE} y={SIZE + 16} textAnchor="middle">
              {tick(across, part)}
            </text>
            <text x="-6" y={SIZE - part * SIZE + 4} textAnchor="end">
              {tick(down, part)}
            </text>
          </g>
        ))}
        <text x={SIZE / 2} y={SIZE + 38} textAnchor="middle" fill="var(--ink)" fontSize="12">
          {axisOf(x, currency)}
        </text>
        <text
          transform={`translate(-54 ${SIZE / 2}) rotate(-90)`}
          textAnchor="middle"
          fill="var(--ink)"
          fontSize="12"
        >
          {axisOf(y, currency)}
        </text>
      </svg>
      <figcaption className="max-w-[340px] space-y-1 text-sm">
        <p className="flex items-center gap-2">
          <span aria-hidden="true" className="inline-block h-3 w-5 bg-ember opacity-50" />
          owning costs less: {writeNumber(String(Math.round((owned / differences.flat().length) * 100)))} % of
          the squares
        </p>
        <p className="flex items-center gap-2">
          <span aria-hidden="true" className="inline-block h-3 w-5 bg-tide opacity-50" />
          renting costs less. The black line is where it turns, the cross is now.
        </p>
        <p className="text-soft">
          Lower left, renting costs {corner(0, 0)}; lower right {corner(0, -1)}; upper left {corner(-1, 0)};
          upper right {corner(-1, -1)}.
        </p>
      </figcaption>
    </figure>
  );
}

const tick = (ends: readonly number[], part: number): string => {
  const value = ends[0]! + (ends.at(-1)! - ends[0]!) * part;
  return writeNumber(String(Number(value.toPrecision(3))));
};

function axisOf(of: Assumption, currency: string): string {
  const unit = studyUnit(of.field.unit, currency);
  const name = assumptionName(of);
  return unit === '' ? name : `${name}, ${unit}`;
}
