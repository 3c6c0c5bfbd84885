/** `wick own-or-rent`, as one runs it, on the example of the format's documentation. */
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { studySentence } from '@/features/own-or-rent/words';
import { type StudyAnswer, studyAnswer, type StudyDraws } from '@/features/own-or-rent/calc';
import { readStudy } from '@/features/own-or-rent/format/study-schema';
import { runWick } from '@tests/support/run-wick';

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

const EXAMPLE = 'docs/formats/study.example.json';
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-study-'));

const wick = (file: string, ...args: readonly string[]) =>
  runWick(['own-or-rent', file, '--draws', '500', ...args]);

/** The example with something else in it. */
function otherwise(change: (study: Record<string, unknown>) => void): string {
  const data = JSON.parse(fs.readFileSync(EXAMPLE, 'utf8')) as { study: Record<string, unknown> };
  change(data.study);
  const file = path.join(folder, 'study.json');
  fs.writeFileSync(file, JSON.stringify(data));
  return file;
}

beforeAll(async () => {});

describe('wick own-or-rent', () => {
  it('says what the core says, with the range', async () => {
    const read = readStudy(fs.readFileSync(EXAMPLE, 'utf8'));
    if (!read.ok) throw new Error(JSON.stringify(read));
    const { status, stdout } = await wick(EXAMPLE, '--json');
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as StudyAnswer & {
      readonly draws: StudyDraws;
      readonly sentence: string;
    };
    const answer = studyAnswer(read.value);
    expect(told.variants).toEqual(answer.variants);
    expect(told.sentence).toBe(studySentence(answer, told.draws));
    expect(told.draws.done).toBe(500);
    // Drawn anew, it is the same.
    expect((await wick(EXAMPLE, '--json')).stdout).toBe(stdout);
    const plain = (text: string): string => text.replaceAll(/\s/g, ' ');
    expect(plain((await wick(EXAMPLE)).stdout)).toContain(plain(told.sentence));
  });

  it.each([
    ['sides', 'Hardware'],
    ['years', '2029'],
    ['variants', 'Worth today'],
    ['hangs-on', 'It turns where'],
    ['move', 'Switched off'],
    ['assumptions', 'Where such a number comes from'],
  ])('prints %s', async (table, words) => {
    const { status, stdout } = await wick(EXAMPLE, '--table', table);
    expect(status).toBe(0);
    expect(stdout).toContain(words);
  });

  it('refuses what cannot be calculated, at its field and with the remedy', async () => {
    const file = otherwise((study) => {
      study.general = { pue: { likely: '0.5' } };
    });
    const { status, stderr } = await wick(file);
    expect(status).toBe(2);
    expect(stderr).toContain('(PUE) must not be below 1. Type 1 or more.');
  });

  it('says that a sum is incomplete, and ends with 3', async () => {
    const file = otherwise((study) => {
      (study.targets as { parts: object }[])[0]!.parts = {};
    });
    const { status, stdout } = await wick(file);
    expect(status).toBe(3);
    expect(stdout).toContain('The sum is incomplete.');
  });

  it('refuses a faulty file with the place of each fault', async () => {
    const file = otherwise((study) => {
      study.years = 12;
    });
    const { status, stderr } = await wick(file);
    expect(status).toBe(2);
    expect(stderr).toContain('study.years');
  });
});
