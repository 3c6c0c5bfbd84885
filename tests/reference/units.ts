/** Units as the books write them: what they measure, and how many of the smallest one they are. */
import { f, type Fraction, ONE } from './fraction';

const DATA: Readonly<Record<string, string>> = {
  B: '1',
  kB: '1000',
  MB: '1000000',
  GB: '1000000000',
  TB: '1000000000000',
  PB: '1000000000000000',
  KiB: '1024',
  MiB: '1048576',
  GiB: '1073741824',
  TiB: '1099511627776',
  PiB: '1125899906842624',
};
const TIME: Readonly<Record<string, string>> = {
  second: '1',
  millisecond: '0.001',
  minute: '60',
  hour: '3600',
  day: '86400',
};
const COUNTS: Readonly<Record<string, readonly [string, string]>> = {
  request: ['count', '1'],
  'thousand requests': ['count', '1000'],
  'ten thousand requests': ['count', '10000'],
  'million requests': ['count', '1000000'],
  item: ['item', '1'],
  'thousand items': ['item', '1000'],
  'million items': ['item', '1000000'],
  user: ['user', '1'],
  core: ['core', '1'],
  socket: ['socket', '1'],
  vCPU: ['vCPU', '1'],
  GPU: ['GPU', '1'],
  IOPS: ['IOPS', '1'],
  'MB/s': ['throughput', '1000000'],
  'MiB/s': ['throughput', '1048576'],
  unit: ['unit', '1'],
  money: ['money', '1'],
  month: ['period', '1'],
  year: ['period', '12'],
};

export interface Unit {
  /** `data`, `data held`, `data for a time`, `time`, `count` … */
  readonly measures: string;
  readonly size: Fraction;
}

export function unitOf(code: string): Unit {
  for (const [suffix, kind, times] of [
    ['-month', ' held', '1'],
    ['-hour', ' for a time', '3600'],
    ['-second', ' for a time', '1'],
  ] as const) {
    if (!code.endsWith(suffix)) continue;
    const base = unitOf(code.slice(0, -suffix.length));
    return { measures: base.measures + kind, size: base.size.times(f(times)) };
  }
  if (DATA[code]) return { measures: 'data', size: f(DATA[code]) };
  if (TIME[code]) return { measures: 'time', size: f(TIME[code]) };
  const count = COUNTS[code];
  if (!count) throw new Error(`no unit ${code}`);
  return { measures: count[0], size: f(count[1]) };
}

/** How many of `to` one of `from` is; null: they measure different things. */
export function convert(from: string, to: string): Fraction | null {
  if (from === to) return ONE;
  const [a, b] = [unitOf(from), unitOf(to)];
  return a.measures === b.measures ? a.size.over(b.size) : null;
}
