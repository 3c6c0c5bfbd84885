import { describe, expect, it } from 'vitest';
import { needWords, readNeed } from './typed-need';

describe('a need that is typed', () => {
  it.each([
    ['4/16', '4', '16', ''],
    ['4 / 16', '4', '16', ''],
    ['0.5/1.5 even', '0.5', '1.5', 'even'],
    ['arm 8/32', '8', '32', 'arm'],
    ['8 vCPU 32', '8', '32', ''],
    ['8 vcpu 32 GiB halden', '8', '32', 'halden'],
    ['16cpu', '16', null, ''],
    ['bal-4-16', null, null, 'bal-4-16'],
    ['memory 2', null, null, 'memory 2'],
  ])('of a server: “%s” is %s vCPU and %s GiB, and the words “%s”', (text, vcpu, memory, words) => {
    expect(readNeed(text, { kind: 'server' })).toEqual({ vcpu, memory, amount: null, words });
  });

  it.each([
    ['500 GB ssd', '500', 'GB', 'ssd'],
    ['500gb', '500', 'GB', ''],
    ['1.5 TB swift near', '1.5', 'TB', 'swift near'],
  ])('of a volume: “%s” is %s %s, and the words “%s”', (text, likely, unit, words) => {
    expect(readNeed(text, { kind: 'block-volume' })).toMatchObject({
      amount: { amount: { likely }, unit },
      words,
    });
  });

  it.each(['ssd', '500', '500 monkeys', '3 hours', 'volume 500 GB'])(
    '“%s” is no amount of a volume',
    (text) => {
      expect(readNeed(text, { kind: 'block-volume' })).toMatchObject({ amount: null, words: text });
    },
  );

  it('is said in words', () => {
    expect(needWords(readNeed('8 vCPU 32', { kind: 'server' }))).toBe('at least 8 vCPU and 32 GiB');
    expect(needWords(readNeed('16cpu', { kind: 'server' }))).toBe('at least 16 vCPU');
    expect(needWords(readNeed('2 TB', { kind: 'block-volume' }))).toBe('2 TB of it');
    expect(needWords(readNeed('even', { kind: 'server' }))).toBe('');
  });
});
