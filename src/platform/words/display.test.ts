import { describe, expect, it } from 'vitest';
import { ISSUE_CODES, issue } from '@/engine/base';
import { groupInText, writeAmount, writeMoney, writeNumber, writePrice, writeShare } from './amount';
import { sentenceFor } from './issue-sentence';

const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

describe('amounts', () => {
  it.each([
    ['1234567.895', 'USD', '1 234 567.90'],
    ['-1234.5', 'USD', '\u22121 234.50'],
    ['-0.001', 'USD', '0.00'],
    ['999999999.99', 'EUR', '999 999 999.99'],
    ['1234.5', 'JPY', '1 235'],
  ])('%s %s is written %s', (value, currency, written) => {
    expect(plain(writeMoney(value, currency))).toBe(written);
  });

  it('keeps minor digits apart so that they can be softer', () => {
    expect(writeAmount('12.3', 'USD')).toEqual({ whole: '12', minor: '.30' });
  });

  it('follows a locale where one is set', () => {
    expect(writeMoney('1234.5', 'EUR', 'de-DE')).toBe('1.234,50');
  });

  it('never writes a small price as nothing', () => {
    expect(writeNumber('0.0000000000041')).toBe('0.0000000000041');
    expect(writeNumber('0.0000041', undefined, 4)).toBe('0.0000041');
    expect(writeNumber('0')).toBe('0');
  });

  it('pads unit prices so that their points stand under each other, and cuts none', () => {
    expect(writePrice('0.1', 6)).toBe('0.100000');
    expect(writePrice('0.0000123456', 6)).toBe('0.0000123456');
  });

  it('groups long numbers in labels, not what follows a point', () => {
    expect(plain(groupInText('From 10000 to 50000 GB at 0.0000123456'))).toBe(
      'From 10 000 to 50 000 GB at 0.0000123456',
    );
  });

  it('writes shares as percentages', () => {
    expect(plain(writeShare('0.3127'))).toBe('31.3 %');
  });
});

describe('sentences', () => {
  it.each(ISSUE_CODES)('there is one for %s, ending as a sentence does', (code) => {
    const values = {
      text: 't',
      unit: 'u',
      from: 'f',
      to: 't',
      amount: 'a',
      count: 'c',
      hours: 'h',
      month: 'm',
      days: 'd',
      meter: 'm',
      book: 'b',
      revision: '1',
      region: 'r',
      kind: 'Server',
      sku: 's',
      wanted: 'w',
      offer: 'o',
      date: 'd',
      instead: 'i',
      term: '12-none',
      terms: 'on-demand',
      vcpu: '1',
      memory: '2',
      reason: 'because.',
      share: '2',
      what: 'seconds',
      least: '1',
      most: '9',
      paid: '3',
      used: '2',
      product: 'p',
      percent: '7',
      currency: 'USD',
      months: '12',
      name: 'n',
      why: 'so',
      entry: 'The load',
      got: 'g',
      capabilities: 'replicas',
      how: 'brought',
      wish: 'Balanced',
      nearest: 'n',
      label: 'Count',
      given: 'user',
      where: '3',
      all: 'users',
    };
    const sentence = sentenceFor(issue(code, [], values));
    expect(sentence).toMatch(/\.$/);
    expect(sentence).not.toContain('undefined');
  });
});
