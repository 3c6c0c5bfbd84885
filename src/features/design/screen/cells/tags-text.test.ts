import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tagsText } from '@/features/design/words';
import { readTags } from './tags-text';

describe('tags', () => {
  it('are written as one says them', () => {
    const read = readTags('team = booking, stage=live; quiet');
    expect(read).toEqual({ ok: true, value: { team: 'booking', stage: 'live', quiet: '' } });
    expect(tagsText(read.ok ? read.value : null)).toBe('team = booking, stage = live, quiet');
    expect(readTags('  ')).toEqual({ ok: true, value: null });
  });

  it.each([
    '= live',
    'a = 1, a = 2',
    `k = ${'x'.repeat(300)}`,
    Array(60)
      .fill(0)
      .map((_, at) => `k${at}`)
      .join(),
  ])('are refused: %s', (text) => {
    expect(readTags(text).ok).toBe(false);
  });

  it('are read back as they were written', () => {
    const word = fc.stringMatching(/^[a-z][a-z0-9 .-]{0,20}[a-z0-9]$/);
    fc.assert(
      fc.property(fc.dictionary(word, word, { minKeys: 1, maxKeys: 8 }), (tags) => {
        expect(readTags(tagsText(tags))).toEqual({ ok: true, value: { ...tags } });
      }),
    );
  });
});
