/** Measuring: medians and 95th percentiles over many runs, printed beside the baseline of the same run. */
export interface Measured {
  readonly median: number;
  readonly p95: number;
}

export function statistics(times: readonly number[]): Measured {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  return { median: at(0.5), p95: at(0.95) };
}

export function measure(runs: number, warmUp: number, work: () => void): Measured {
  for (let run = 0; run < warmUp; run += 1) work();
  const times: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const started = performance.now();
    work();
    times.push(performance.now() - started);
  }
  return statistics(times);
}

/** The same for work that is done later. */
export async function measureLater(runs: number, work: () => Promise<unknown>): Promise<Measured> {
  const times: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return statistics(times);
}

export interface BenchRow {
  readonly what: string;
  readonly measured: Measured;
  /** What it is compared with, measured in the same run. */
  readonly baseline: { readonly what: string; readonly measured: Measured };
  readonly aim: string;
}

export function printRows(title: string, rows: readonly BenchRow[]): void {
  const ms = (value: number): string => `${value.toFixed(2)} ms`;
  const cells = rows.map((row) => [
    row.what,
    ms(row.measured.median),
    ms(row.measured.p95),
    row.baseline.what,
    ms(row.baseline.measured.median),
    `× ${(row.measured.median / row.baseline.measured.median).toFixed(1)}`,
    row.aim,
  ]);
  const heads = ['what', 'median', 'p95', 'baseline', 'its median', 'ratio', 'aim'];
  const widths = heads.map((head, column) =>
    Math.max(head.length, ...cells.map((row) => row[column]!.length)),
  );
  const line = (row: readonly string[]): string =>
    row.map((text, column) => text.padEnd(widths[column]!)).join('  ');
  process.stdout.write(
    `\n${title}\n${line(heads)}\n${widths.map((width) => '-'.repeat(width)).join('  ')}\n`,
  );
  for (const row of cells) process.stdout.write(`${line(row)}\n`);
}
