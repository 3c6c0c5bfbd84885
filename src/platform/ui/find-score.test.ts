import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findScore } from './find-score';

describe('what is found', () => {
  it('has every word one types, somewhere', () => {
    expect(findScore('stream', 'Event stream to archive', ['Data in motion'])).toBeGreaterThan(0);
    expect(findScore('archive event', 'Event stream to archive', [])).toBeGreaterThan(0);
    expect(findScore('stream', 'A database in development, test and production', ['starter'])).toBe(0);
    expect(findScore('event disk', 'Event stream to archive', [])).toBe(0);
  });

  it('stands higher the nearer to the beginning of the name, and the name before all else', () => {
    const order = [
      findScore('arch', 'Archive of cameras', []),
      findScore('arch', 'Camera archive', []),
      findScore('arch', 'Overarching', []),
      findScore('arch', 'Cameras', ['archive']),
      findScore('arch', 'Cameras', ['overarching']),
      findScore('arch', 'Cameras', []),
    ];
    expect([...order].sort((a, b) => b - a)).toEqual(order);
    expect(new Set(order).size).toBe(order.length);
  });

  it('takes signs as they are typed', () => {
    expect(findScore('c++ (new)', 'Builds of C++ (new)', [])).toBeGreaterThan(0);
    expect(findScore('.*', 'Anything', [])).toBe(0);
  });

  it('is everything while nothing is typed', () => {
    expect(findScore('  ', 'Anything', [])).toBe(1);
  });

  it('holds for any text in it, and throws for none', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.string({ maxLength: 20 }), (search, label) => {
        const score = findScore(search, label, []);
        expect(score >= 0 && score <= 1).toBe(true);
        // What is typed as it stands in the name is found, whatever signs are in it.
        expect(findScore(label, label, [])).toBeGreaterThan(0);
      }),
    );
  });
});
