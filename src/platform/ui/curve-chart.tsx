/**
 * Lines over an axis of numbers, equal steps or powers, with marked places and levels. What it shows stands in a table
 * beside it; it is saved as a picture from here.
 */
'use client';
import dynamic from 'next/dynamic';
import { useId, useMemo } from 'react';
import { type Drawing } from '@/platform/tables';
import { writeNumber } from '@/platform/words';
import { Button } from './button';
import { type ChartColours, dashOf, SERIES, useChartColours } from './chart-colours';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

interface CurveChartProps extends Omit<Drawing, 'question'> {
  /** The question that it answers, and what it says, for those who do not see it. */
  readonly label: string;
  readonly height?: number;
  /** What the picture is called as a file; none: it is not saved. */
  readonly file?: string;
}

const HEIGHT = 300;
const TICKS = 6;
/** Characters of a number that stands on an axis. */
const LONG = 7;

const log = (value: number): number => Math.log10(Math.max(value, 1e-12));

/** Three digits: a place on an axis is not an amount. */
const tick = (value: number): string => writeNumber(Number(value.toPrecision(3)).toString());

export function CurveChart(props: CurveChartProps) {
  const { label, lines, height = HEIGHT, file } = props;
  const colours = useChartColours();
  const id = `c${useId().replaceAll(/\W/g, '')}`;
  const { x, y, places, levels, stacked, stepped } = props;
  // The chart is drawn anew whenever these are other objects, which takes longer than a keystroke may.
  const drawn = useStable({ lines, x, y, places, levels, stacked, stepped });
  const series = useMemo(() => seriesOf(drawn), [drawn]);
  const options = useMemo(() => colours && optionsOf(id, drawn, colours), [id, drawn, colours]);
  return (
    <figure aria-label={label} className="min-w-0">
      <div style={{ height }} aria-hidden="true">
        {options && lines.length > 0 && (
          <Chart
            key={`${kindOfChart(props)}${lines.length}`}
            type={kindOfChart(props)}
            height={height}
            series={series}
            options={options}
          />
        )}
      </div>
      <figcaption className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        {lines.length > 1 &&
          lines.map(
            ({ name, edgeOf }, at) =>
              edgeOf === undefined && <Legend key={`${at}${name}`} at={at} name={name} />,
          )}
        {file && (
          <Button tone="bare" className="ml-auto" onClick={() => void save(id, file)}>
            PNG
          </Button>
        )}
      </figcaption>
    </figure>
  );
}

/** The same object while it says the same. */
function useStable(drawn: Drawn): Drawn {
  const text = JSON.stringify(drawn);
  return useMemo(() => JSON.parse(text) as Drawn, [text]);
}

function Legend({ at, name }: { readonly at: number; readonly name: string }) {
  return (
    <span className="flex max-w-[260px] items-center gap-1.5 text-xs">
      <svg width="26" height="8" aria-hidden="true" className="shrink-0">
        <line
          x1="0"
          x2="26"
          y1="4"
          y2="4"
          stroke={`var(${SERIES[at % SERIES.length]})`}
          strokeWidth="2.5"
          strokeDasharray={dashOf(at) || undefined}
        />
      </svg>
      <span className="truncate" title={name}>
        {name}
      </span>
    </span>
  );
}

/** Steps on one another are bars without a gap. */
function kindOfChart({ stacked, stepped }: Drawn): 'line' | 'area' | 'bar' {
  return stacked ? (stepped ? 'bar' : 'area') : 'line';
}

type Drawn = Omit<Drawing, 'question'>;

function seriesOf({ lines, x, y, stacked, stepped }: Drawn) {
  return lines.map(({ name, points }) => ({
    name,
    data: (stacked && stepped ? barsOf(points) : points).map(([at, amount]) => ({
      x: x.scale === 'log' ? log(at) : at,
      y:
        amount === null || (y.scale === 'log' && amount <= 0)
          ? null
          : y.scale === 'log'
            ? log(amount)
            : amount,
    })),
  }));
}

/** A bar stands in the middle of its step; the last place only ends the last one. */
function barsOf(points: Drawing['lines'][number]['points']): Drawing['lines'][number]['points'] {
  return points.slice(0, -1).map(([at, amount], step) => [(at + points[step + 1]![0]) / 2, amount] as const);
}

function optionsOf(id: string, props: Drawn, colours: ChartColours): ApexCharts.ApexOptions {
  const { lines, x, y, places = [], levels = [], stacked, stepped } = props;
  const onX = (at: number): number => (x.scale === 'log' ? log(at) : at);
  const onY = (at: number): number => (y.scale === 'log' ? log(at) : at);
  const fromX = (at: number): number => (x.scale === 'log' ? 10 ** at : at);
  const fromY = (at: number): number => (y.scale === 'log' ? 10 ** at : at);
  const words = { background: 'transparent', color: colours['--soft'], fontSize: '11px' };
  return {
    chart: {
      id,
      stacked,
      toolbar: { show: false },
      zoom: { enabled: false },
      animations: { enabled: false },
      fontFamily: 'inherit',
      foreColor: colours['--soft'],
      background: 'transparent',
    },
    colors: lines.map(({ edgeOf = null }, at) => colours[SERIES[(edgeOf ?? at) % SERIES.length]!]),
    stroke: {
      width: stacked ? (stepped ? 0 : 1) : lines.map(({ edgeOf }) => (edgeOf === undefined ? 2 : 1)),
      curve: stepped ? 'stepline' : 'straight',
      dashArray: lines.map(({ edgeOf }, at) => (edgeOf === undefined ? dashOf(at) : 2)),
    },
    fill: stacked ? { type: 'solid', opacity: 0.45 } : { opacity: 1 },
    markers: { size: lines.every(({ points }) => points.length <= 2) ? 4 : 0 },
    plotOptions: { bar: { columnWidth: '100%' } },
    dataLabels: { enabled: false },
    legend: { show: false },
    grid: { borderColor: colours['--line'], padding: { right: 16 } },
    xaxis: {
      type: 'numeric',
      ...ticksOf(x.scale, x.from, x.to, x.parts),
      title: { text: x.title, style: { fontWeight: 500, fontSize: '12px' } },
      labels: { formatter: (value) => tick(fromX(Number(value))), rotate: 0, hideOverlappingLabels: false },
      axisBorder: { color: colours['--ink'] },
      tooltip: { enabled: false },
    },
    yaxis: {
      title: { text: y.title, style: { fontWeight: 500, fontSize: '12px' } },
      ...(y.scale === 'linear'
        ? { ...(y.signed ? {} : { min: 0 }), max: topOf(props), forceNiceScale: true }
        : ticksOf('log', ...heightsOf(lines))),
      labels: { formatter: (value) => tick(fromY(value)) },
    },
    annotations: {
      xaxis: places.map(({ at, label, low }) => ({
        x: onX(at),
        borderColor: colours['--soft'],
        strokeDashArray: 3,
        label: {
          text: label,
          orientation: 'horizontal',
          borderWidth: 0,
          style: words,
          position: low ? 'bottom' : 'top',
          offsetY: low ? -6 : -4,
        },
      })),
      yaxis: levels.map(({ at, label, over }) => ({
        y: onY(at),
        borderColor: over ? colours['--ember'] : colours['--ink'],
        strokeDashArray: 6,
        label: { text: label, position: 'left', textAnchor: 'start', borderWidth: 0, style: words },
      })),
    },
    tooltip: {
      shared: true,
      intersect: false,
      theme: 'light',
      x: { formatter: (value: number) => tick(fromX(value)) },
      y: { formatter: (value: number | null) => (value === null ? 'no amount' : tick(fromY(value))) },
    },
  };
}

/** By powers of ten from one power to another; halves of them where there are few. */
function ticksOf(scale: 'linear' | 'log', from: number, to: number, parts?: number) {
  if (scale === 'linear') return { min: from, max: to, tickAmount: parts ?? evenTicks(from, to) };
  const [min, max] = [Math.floor(log(from) + 1e-9), Math.ceil(log(to) - 1e-9)];
  const powers = Math.max(1, max - min);
  return { min, max: min + powers, tickAmount: powers <= 2 ? powers * 2 : powers };
}

/** As many parts of the axis as give round numbers; else the usual many. */
function evenTicks(from: number, to: number): number {
  const span = to - from;
  // Long numbers need room: fewer of them.
  const [many, usual] = tick(to).length > LONG ? [[3, 2, 4], 3] : [[5, 6, 4, 7, 8], TICKS];
  return many.find((parts) => Number((span / parts).toPrecision(2)) === span / parts) ?? usual;
}

/** A level above all lines is shown, too; undefined: the lines decide. */
function topOf({ lines, levels = [], stacked }: Drawn): number | undefined {
  const length = Math.max(0, ...lines.map(({ points }) => points.length));
  const sums = Array.from({ length }, (_, at) =>
    lines.reduce((sum, { points }) => (stacked ? sum : 0) + (points[at]?.[1] ?? 0), 0),
  );
  const top = Math.max(0, ...levels.map(({ at }) => at));
  return top > Math.max(0, ...sums) ? top * 1.08 : undefined;
}

function heightsOf(lines: Drawing['lines']): [number, number] {
  const all = lines.flatMap(({ points }) => points.flatMap(([, y]) => (y !== null && y > 0 ? [y] : [])));
  return all.length === 0 ? [1, 10] : [Math.min(...all), Math.max(...all)];
}

/** The picture, on the ground that it stands on. */
async function save(id: string, file: string): Promise<void> {
  const { default: ApexCharts } = await import('apexcharts');
  const made = (await ApexCharts.exec(id, 'dataURI', { scale: 2 })) as unknown as
    { imgURI?: string } | undefined;
  if (!made?.imgURI) return;
  const link = document.createElement('a');
  link.href = made.imgURI;
  link.download = `${file}.png`;
  link.click();
}
