/** A map drawn: which side costs least where, each with its letter, and the same as a table. */
'use client';
import { useRef } from 'react';
import type { LoadMap } from '@/features/load/calc';
import { mapSentence, mapTable, placeOnAxis } from '@/features/load/words';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { saveSvg } from '@/platform/ui/save-svg';
import { FlatRows } from '@/platform/screen/flat-rows';
import { saveText } from '@/platform/screen/save-text';

const ROWS = 6;
const SIZE = 420;
const LETTERS = 'ABCDEFGHIJKLM';

interface MapDrawnProps {
  readonly map: LoadMap;
  /** Where the design stands; null: outside of the map. */
  readonly own: readonly (number | null)[];
  readonly title: string;
}

export function MapDrawn({ map, own, title }: MapDrawnProps) {
  const svg = useRef<SVGSVGElement>(null);
  const { across, up, sides, x, y, cheapest } = map;
  const cell = SIZE / x.length;
  const place = (value: number, { from, to, scale }: LoadMap['across']): number =>
    scale === 'log' ? Math.log(value / from) / Math.log(to / from) : (value - from) / (to - from);
  // As wide as it is the cheapest there: each ends at its border, not at the next place that was looked at.
  const rects = y.flatMap((_, row) => {
    const ends = [...map.borders[row]!.map(({ at }) => place(at, across)), 1];
    const first = cheapest[row * x.length]!;
    return ends.map((to, at) => ({
      row,
      from: at === 0 ? 0 : ends[at - 1]!,
      to,
      side: at === 0 ? first : map.borders[row]![at - 1]!.above,
    }));
  });
  const used = sides.map((_, side) => cheapest.includes(side));
  const [ownX, ownY] = own;
  return (
    <figure className="my-3 flex flex-wrap gap-8" aria-label={`Which costs least where? ${mapSentence(map)}`}>
      <div className="min-w-0">
        <h2 className="mb-1 flex items-center text-sm font-semibold">
          Which costs least where?
          <Button
            tone="bare"
            className="ml-auto"
            onClick={() => saveText(flatTableCsv(mapTable(map)), `${title}, map.csv`, 'text/csv')}
          >
            CSV
          </Button>
          <Button tone="bare" onClick={() => svg.current && void saveSvg(svg.current, `${title}, map`)}>
            PNG
          </Button>
        </h2>
        <svg
          ref={svg}
          viewBox={`-64 -6 ${SIZE + 104} ${SIZE + 56}`}
          className="w-[480px] max-w-full text-xs"
          aria-hidden="true"
        >
          {rects.map(({ row, from, to, side }) => (
            <rect
              key={`${row}-${from}`}
              x={from * SIZE}
              y={SIZE - (row + 1) * cell}
              width={(to - from) * SIZE}
              height={cell}
              shapeRendering="crispEdges"
              fill={side < 0 ? 'var(--surface)' : `var(--series-${(side % 6) + 1})`}
              fillOpacity={side >= 6 ? 0.25 : 0.5}
            />
          ))}
          {sides.map((_, side) => {
            const middle = middleOf(map, side);
            return (
              middle && (
                <text
                  key={side}
                  x={middle[0] * cell}
                  y={SIZE - middle[1] * cell}
                  textAnchor="middle"
                  dominantBaseline="middle"
                  fill="var(--ink)"
                  fontSize="18"
                  fontWeight="600"
                >
                  {LETTERS[side]}
                </text>
              )
            );
          })}
          {ownX !== null && ownX !== undefined && ownY !== null && ownY !== undefined && (
            <g
              stroke="var(--ink)"
              strokeWidth="2"
              transform={`translate(${place(ownX, across) * SIZE} ${SIZE - place(ownY, up) * SIZE})`}
            >
              <line x1="-7" x2="7" y1="0" y2="0" />
              <line x1="0" x2="0" y1="-7" y2="7" />
            </g>
          )}
          <rect x="0" y="0" width={SIZE} height={SIZE} fill="none" stroke="var(--ink)" />
          {[0, 0.5, 1].map((part) => {
            const at = (axis: LoadMap['across']): number =>
              axis.scale === 'log'
                ? axis.from * (axis.to / axis.from) ** part
                : axis.from + (axis.to - axis.from) * part;
            return (
              <g key={part} fill="var(--soft)" fontSize="12">
                <text x={part * SIZE} y={SIZE + 16} textAnchor="middle">
                  {placeOnAxis(at(across), { unit: '' })}
                </text>
                <text x="-6" y={SIZE - part * SIZE + 4} textAnchor="end">
                  {placeOnAxis(at(up), { unit: '' })}
                </text>
              </g>
            );
          })}
          <text x={SIZE / 2} y={SIZE + 38} textAnchor="middle" fill="var(--ink)" fontSize="12">
            {titleOf(across)}
          </text>
          <text
            transform={`translate(-52 ${SIZE / 2}) rotate(-90)`}
            textAnchor="middle"
            fill="var(--ink)"
            fontSize="12"
          >
            {titleOf(up)}
          </text>
        </svg>
      </div>
      <figcaption className="min-w-[240px] flex-1">
        <ul className="space-y-1 text-sm">
          {sides.map(({ name }, side) => (
            <li key={name} className="flex items-baseline gap-2">
              <span
                aria-hidden="true"
                className="inline-block h-3 w-5 shrink-0 self-center"
                style={{ background: `var(--series-${(side % 6) + 1})`, opacity: side >= 6 ? 0.3 : 0.6 }}
              />
              <b>{LETTERS[side]}</b>
              <span className="min-w-0 break-words">
                {name}
                {!used[side] && <span className="text-soft"> (nowhere the cheapest here)</span>}
              </span>
            </li>
          ))}
        </ul>
        <FlatRows table={mapTable(map, '', ROWS)} />
        {own.every((each) => each !== null) && (
          <p className="mt-2 text-xs text-soft">The cross is the design as it stands.</p>
        )}
      </figcaption>
    </figure>
  );
}

const titleOf = ({ title, unit }: LoadMap['across']): string => (unit === '' ? title : `${title}, ${unit}`);

function runsOf(row: readonly number[], at: number) {
  const runs: { row: number; from: number; to: number; side: number }[] = [];
  row.forEach((side, column) => {
    const last = runs[runs.length - 1];
    if (last?.side === side) last.to = column + 1;
    else runs.push({ row: at, from: column, to: column + 1, side });
  });
  return runs;
}

/** The middle of its run in the middle one of its rows: always inside of it. */
function middleOf({ x, y, cheapest }: LoadMap, side: number): [number, number] | null {
  const longest = y.flatMap((_, row) => {
    const runs = runsOf(cheapest.slice(row * x.length, (row + 1) * x.length), row);
    const own = runs.filter((run) => run.side === side).sort((a, b) => b.to - b.from - (a.to - a.from));
    return own.slice(0, 1);
  });
  const run = longest[Math.floor(longest.length / 2)];
  return run ? [(run.from + run.to) / 2, run.row + 0.5] : null;
}
