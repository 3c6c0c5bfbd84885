/** What a run of the tests comes to: counts, tests that needed a second try, the slowest files, and where the time went. */
import fs from 'node:fs';
import type { Part } from './checks';
import { say } from './say';

/** Seconds of processor time that one file of tests may take on an everyday run. */
const BUDGET = 20;
const SLOWEST = 10;

interface VitestReport {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
}

interface BrowserSpec {
  readonly title: string;
  readonly file: string;
  readonly tests: readonly {
    readonly status: 'expected' | 'unexpected' | 'flaky' | 'skipped';
    readonly results: readonly { readonly duration: number }[];
  }[];
}

interface BrowserSuite {
  readonly specs?: readonly BrowserSpec[];
  readonly suites?: readonly BrowserSuite[];
}

interface Counts {
  passed: number;
  failed: number;
  /** Browser tests that failed once and passed again. */
  readonly again: string[];
  /** Seconds by file: processor time of those in Node, time on the clock of those in a browser. */
  readonly files: { readonly file: string; readonly seconds: number; readonly browser: boolean }[];
}

const specsOf = (suite: BrowserSuite): readonly BrowserSpec[] => [
  ...(suite.specs ?? []),
  ...(suite.suites ?? []).flatMap(specsOf),
];

export interface Reports {
  readonly vitest: string;
  readonly browser: string;
  /** Lines of `{ file, seconds }`, written by each file of tests as it ends. */
  readonly times: string;
}

function readCounts({ vitest, browser, times }: Reports): Counts {
  const counts: Counts = { passed: 0, failed: 0, again: [], files: [] };
  if (fs.existsSync(vitest)) {
    const report = JSON.parse(fs.readFileSync(vitest, 'utf8')) as VitestReport;
    counts.passed += report.numPassedTests;
    counts.failed += report.numFailedTests;
  }
  if (fs.existsSync(times)) {
    for (const line of fs.readFileSync(times, 'utf8').split('\n').filter(Boolean)) {
      const { file, seconds } = JSON.parse(line) as { file: string; seconds: number };
      counts.files.push({ file, seconds, browser: false });
    }
  }
  if (fs.existsSync(browser)) addBrowser(counts, browser);
  return counts;
}

function addBrowser(counts: Counts, report: string): void {
  const specs = specsOf(JSON.parse(fs.readFileSync(report, 'utf8')) as BrowserSuite);
  const byFile = new Map<string, number>();
  for (const { title, file, tests } of specs) {
    for (const { status, results } of tests) {
      if (status === 'unexpected') counts.failed += 1;
      else if (status !== 'skipped') counts.passed += 1;
      if (status === 'flaky') counts.again.push(`${file}: ${title}`);
      const took = results.reduce((sum, { duration }) => sum + duration / 1000, 0);
      byFile.set(file, (byFile.get(file) ?? 0) + took);
    }
  }
  for (const [file, seconds] of byFile)
    counts.files.push({ file: `tests/e2e/${file}`, seconds, browser: true });
}

/** Tells all of it, the counts last. */
export function tellReport(reports: Reports, parts: readonly Part[]): void {
  const { passed, failed, again, files } = readCounts(reports);
  say('\nTime by part:');
  for (const { name, good, seconds } of parts)
    say(`  ${seconds.toFixed(0).padStart(5)} s  ${name}${good ? '' : ': FAILED'}`);
  const slowest = [...files].sort((a, b) => b.seconds - a.seconds);
  if (slowest.length > 0) say(`The ${SLOWEST} slowest files:`);
  for (const { file, seconds, browser } of slowest.slice(0, SLOWEST))
    say(`  ${seconds.toFixed(1).padStart(5)} s  ${file}${browser ? ' (in a browser)' : ''}`);
  const over = slowest.filter(({ seconds, browser }) => !browser && seconds > BUDGET);
  for (const { file, seconds } of over)
    say(`Over its ${BUDGET} s of processor time: ${file} (${seconds.toFixed(1)} s). Split it or draw less.`);
  for (const title of again) say(`Passed only on the second try: ${title}`);
  if (again.length > 0) say(`${again.length} browser tests needed a second try.`);
  say(`\n${passed} passed, ${failed} failed`);
}
