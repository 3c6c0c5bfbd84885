/** Two things that vary: which side costs least where, drawn and as a table. */
'use client';
import { useMemo } from 'react';
import type { Along } from '@/core/design';
import { type LoadMap, usualAxis } from '@/core/curves';
import { mapSentence, placeOnAxis } from '@/core/display';
import { readAlong, writeAlong } from '@/formats/along-text';
import { Empty } from '@/ui/empty';
import { useRoom } from '../room';
import { useAsked } from '../use-asked';
import { AlongSelect } from './along-select';
import { BesideTicks } from './beside-ticks';
import type { LoadAddress } from './load-address';

interface MapViewProps {
  readonly address: LoadAddress;
  readonly go: (change: Partial<LoadAddress>) => void;
}

export function MapView({ address, go }: MapViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  const all = useMemo(() => (design.alternatives ?? []).map(({ id }) => id), [design.alternatives]);
  const second = design.assumptions.drivers?.find(
    ({ name }) => writeAlong({ of: 'driver', name }) !== writeAlong(address.along),
  );
  const up: Along = address.up ?? (second ? { of: 'driver', name: second.name } : { of: 'traffic' });
  const key = JSON.stringify([writeAlong(address.along), writeAlong(up), address.beside ?? all]);
  const question = useMemo(() => {
    const [across, upwards, sides] = JSON.parse(key) as [string, string, string[]];
    if (across === upwards || sides.length === 0) return null;
    return {
      ask: 'load-map' as const,
      design,
      across: readAlong(across)!,
      up: readAlong(upwards)!,
      sides,
    };
  }, [design, key]);
  const { last, trouble } = useAsked(client, question, 120);
  const same = writeAlong(address.along) === writeAlong(up);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-[18px]">
      <p role="status" className="text-base" data-testid="answer">
        {trouble ??
          (question === null
            ? same
              ? 'Choose two different things that vary.'
              : 'A map needs an alternative beside the design.'
            : last
              ? mapSentence(last)
              : 'Pricing 3 600 places a side …')}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line py-2">
        <AlongSelect
          label="across"
          {...{ design }}
          value={address.along}
          onChange={(along) => go({ along, range: null })}
        />
        <AlongSelect label="upwards" {...{ design }} value={up} onChange={(next) => go({ up: next })} />
        <BesideTicks design={design} beside={address.beside ?? all} onChange={(beside) => go({ beside })} />
      </div>
      {all.length === 0 && (
        <Empty title="Nothing to put beside the design">
          A map shows which of several designs costs least where. Make an alternative first, in
          “Alternatives”.
        </Empty>
      )}
      {question && last && (
        <MapDrawn map={last} own={[ownPlace(address.along, last, 'across'), ownPlace(up, last, 'up')]} />
      )}
    </div>
  );

  function ownPlace(along: Along, map: LoadMap, which: 'across' | 'up'): number | null {
    const axis = usualAxis(along, design);
    const at = axis?.now.find(({ label }) => label === 'likely' || label === 'planned')?.at;
    return at !== undefined && at >= map[which].from && at <= map[which].to ? at : null;
  }
}

const SIZE = 420;
const LETTERS = 'ABCDEFGHIJKLM';

function MapDrawn({ map, own }: { readonly map: LoadMap; readonly own: readonly (number | null)[] }) {
  const { across, up, sides, x, y, cheapest } = map;
  const cell = SIZE / x.length;
  const rects = y.flatMap((_, row) => runsOf(cheapest.slice(row * x.length, (row + 1) * x.length), row));
  const place = (value: number, { from, to, scale }: LoadMap['across']): number =>
    scale === 'log' ? Math.log(value / from) / Math.log(to / from) : (value - from) / (to - from);
  const used = sides.map((_, side) => cheapest.includes(side));
  const [ownX, ownY] = own;
  return (
    <figure className="my-3 flex flex-wrap gap-8" aria-label={`Which costs least where? ${mapSentence(map)}`}>
      <div className="min-w-0">
        <h2 className="mb-1 text-sm font-semibold">Which costs least where?</h2>
        <svg
          viewBox={`-64 -6 ${SIZE + 84} ${SIZE + 56}`}
          className="w-[480px] max-w-full text-xs"
          aria-hidden="true"
        >
          {rects.map(({ row, from, to, side }) => (
            <rect
              key={`${row}-${from}`}
              x={from * cell}
              y={SIZE - (row + 1) * cell}
              width={(to - from) * cell + 0.3}
              height={cell + 0.3}
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
        <MapTable map={map} />
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

/** The same at five places each way. */
function MapTable({ map }: { readonly map: LoadMap }) {
  const { across, up, sides, x, y, cheapest } = map;
  const some = (length: number): number[] =>
    [0, 1, 2, 3, 4].map((part) => Math.round((part * (length - 1)) / 4));
  const [columns, rows] = [some(x.length), some(y.length)];
  return (
    <table className="mt-4 text-sm">
      <caption className="mb-1 text-left text-xs text-soft">
        {titleOf(across)} across, {titleOf(up)} down
      </caption>
      <thead>
        <tr>
          <td />
          {columns.map((column) => (
            <th
              key={column}
              scope="col"
              className="border-b border-ink px-2 text-right text-xs font-medium text-soft"
            >
              {placeOnAxis(x[column]!, { unit: '' })}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {[...rows].reverse().map((row) => (
          <tr key={row}>
            <th scope="row" className="border-b border-line pr-2 text-right text-xs font-medium text-soft">
              {placeOnAxis(y[row]!, { unit: '' })}
            </th>
            {columns.map((column) => {
              const side = cheapest[row * x.length + column]!;
              return (
                <td key={column} className="border-b border-line px-2 text-right" title={sides[side]?.name}>
                  {side < 0 ? '–' : LETTERS[side]}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
