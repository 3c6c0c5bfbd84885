/** The files of a review: resource map, load profile, limits; what is wrong with them is said with its line. */
import { describe, expect, it } from 'vitest';
import { addressMatches } from '@/features/review/calc';
import { DEMO_MAPS } from '@/demo/maps';
import type { Checked } from '@/platform/formats/faults';
import { readLimits } from '@/features/review/format/review/limits-schema';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { readResourceMap } from '@/features/review/format/review/map-schema';
import { fine } from '@tests/support/reviews';

function fault<T>(read: Checked<T>): string {
  if (read.ok) return 'fine';
  const [{ path, message, line }] = read.faults as [{ path: string; message: string; line?: number }];
  return `line ${line}, ${path}: ${message}`;
}

const map = (rules: string): string => `wick: resource-map
version: 1
title: Ours
providers: { norvane: { book: norvane, region: region } }
tables: { t: { a: B } }
rules:
${rules}`;

describe('a resource map', () => {
  it('ships for the demo’s providers, with examples that hold', () => {
    for (const [name, text] of Object.entries(DEMO_MAPS)) {
      const { rules } = fine(readResourceMap(text));
      expect(rules.length, name).toBeGreaterThan(5);
      expect(text, name).toContain('examples:');
    }
  });

  it('is refused where an expression cannot be read, with its line', () => {
    expect(fault(readResourceMap(map('  - type: a_b\n    kind: server\n    sku: "size +"')))).toMatch(
      /^line 9, rules\[0\]\.sku: “size \+” cannot be read/,
    );
    expect(fault(readResourceMap(map('  - type: a_b\n    kind: server\n    sku: shout(size)')))).toContain(
      'There is no “shout”',
    );
  });

  it('is refused where an example does not give what it says', () => {
    const rule = `  - type: norvane_server
    kind: server
    sku: "'X-' + size"
    examples:
      - values: { size: a }
        settings: { region: r }
        gives: { sku: X-b }`;
    expect(fault(readResourceMap(map(rule)))).toBe(
      'line 11, rules[0].examples[0]: should have the sku “X-b”, and has “X-a”',
    );
    expect(fault(readResourceMap(map(rule.replace('X-b', 'X-a'))))).toBe('fine');
    expect(
      fault(readResourceMap(map(rule.replace('region: r', 'other: r').replace('X-b', 'X-a')))),
    ).toContain('not said in which region');
  });

  it('is refused where a rule contradicts itself', () => {
    const rules: [string, string][] = [
      ['  - type: a_b', 'a rule has a kind, or parts, or says why it is free'],
      ['  - type: a_b\n    free: yes it is\n    kind: server', 'what is free has no kind'],
      [
        '  - type: a_b\n    kind: server\n    usage: { stored: { amount: 1, unit: GB } }',
        '“server” is not billed by “stored”',
      ],
      ['  - type: a_b\n    kind: rocket', 'must be one of'],
      ['  - type: a_b\n    free: x\n  - type: a_b\n    free: y', '“a_b” has a rule already'],
      [
        '  - type: a_b\n    parts:\n      - { name: disk, kind: block-volume, sku: size }\n      - { name: disk, kind: block-volume, sku: size }',
        '“disk” is a part already',
      ],
      [
        '  - type: a_b\n    parts:\n      - { name: disk 1, kind: block-volume, sku: size }\n      - { name: disk, kind: block-volume, sku: size, each: disks }',
        '“disk 1” is a part already',
      ],
      ['  - type: a_b\n    free: x\n    novelty: 1', 'fields that are not known: novelty'],
    ];
    for (const [rule, words] of rules) expect(fault(readResourceMap(map(rule)))).toContain(words);
  });

  it('is bounded, whatever is sent', () => {
    expect(fault(readResourceMap('x'.repeat(1_000_001)))).toContain('larger than 1 MB');
    expect(fault(readResourceMap('['.repeat(100_000)))).not.toBe('fine');
    expect(fault(readResourceMap('a: 1\na: 2'))).toMatch(/^line 2, : The file is not valid YAML/);
    const anchors = `a0: &a0 [x, x, x, x, x, x, x, x, x, x]\n${Array.from({ length: 12 }, (_, at) => `a${at + 1}: &a${at + 1} [${Array.from({ length: 10 }, () => `*a${at}`).join(', ')}]`).join('\n')}`;
    const begun = performance.now();
    expect(fault(readResourceMap(anchors))).toContain('cannot be read');
    expect(performance.now() - begun).toBeLessThan(1000);
  });
});

describe('a load profile', () => {
  it('takes one number or three, and refuses what is no use', () => {
    const text = (use: string): string =>
      `wick: load-profile\nversion: 1\nloads:\n  - address: "*"\n    usage: { requests: { amount: ${use}, unit: request } }\n`;
    const read = (use: string) => fine(readLoadProfile(text(use))).loads[0]!.usage!.requests!.amount;
    expect(read('12')).toEqual({ likely: '12' });
    expect(read('[10, 12.5, 20]')).toEqual({ lean: '10', likely: '12.5', heavy: '20' });
    expect(read('{ likely: 5, heavy: "7" }')).toEqual({ likely: '5', heavy: '7' });
    expect(fault(readLoadProfile(text('[20, 12, 10]')))).toContain('must not be above likely');
    expect(fault(readLoadProfile(text('lots')))).toMatch(/^line 5, loads\[0\]\.usage\.requests\.amount/);
  });

  it('means addresses by patterns, in time that grows with their lengths', () => {
    expect(addressMatches('*', '')).toBe(true);
    expect(addressMatches('module.web.*', 'module.web.a.b[0]')).toBe(true);
    expect(addressMatches('module.web.*', 'module.webs.a.b')).toBe(false);
    expect(addressMatches('*.b[*]', 'a.b["x"]')).toBe(true);
    expect(addressMatches('a.b', 'a.b')).toBe(true);
    expect(addressMatches('a.b', 'a_b')).toBe(false);
    const begun = performance.now();
    expect(addressMatches(`${'*a'.repeat(100)}b`, 'a'.repeat(4000))).toBe(false);
    expect(performance.now() - begun).toBeLessThan(1000);
  });
});

describe('limits', () => {
  const limits = (text: string): string => `wick: limits\nversion: 1\nlimits:\n${text}`;

  it('say one thing each', () => {
    const read = fine(
      readLimits(
        limits(
          '  - { id: a, most: { total: 5000 } }\n  - { id: b, level: warn, most: { percent: 33.3 } }\n  - { id: c, not: { sizes: ["NV-*"] } }',
        ),
      ),
    );
    expect(read.limits).toEqual([
      { id: 'a', level: 'fail', rule: { is: 'bound', bound: { of: 'total', most: '5000' } } },
      { id: 'b', level: 'warn', rule: { is: 'bound', bound: { of: 'share', most: '0.333' } } },
      { id: 'c', level: 'fail', rule: { is: 'not-sizes', patterns: ['NV-*'] } },
    ]);
    expect(fault(readLimits(limits('  - { id: a }')))).toContain('must say one thing');
    expect(fault(readLimits(limits('  - { id: a, most: { total: 1, resource: 2 } }')))).toContain(
      'must say one thing',
    );
    expect(fault(readLimits(limits('  - { id: a, most: { total: -1 } }')))).toContain('must not be negative');
    expect(
      fault(readLimits(limits('  - { id: a, all-priced: true }\n  - { id: a, all-priced: true }'))),
    ).toContain('stands twice');
  });

  it('have exceptions with a reason and an end', () => {
    const one = '  - { id: a, all-priced: true }\nexceptions:\n';
    expect(fault(readLimits(limits(`${one}  - { limit: b, reason: x, until: 2027-01-31 }`)))).toContain(
      'there is no limit “b”',
    );
    expect(fault(readLimits(limits(`${one}  - { limit: a, reason: x, until: 2027-02-31 }`)))).toContain(
      'calendar',
    );
    expect(fault(readLimits(limits(`${one}  - { limit: a, reason: x, until: 2027-01-31 }`)))).toBe('fine');
  });
});
