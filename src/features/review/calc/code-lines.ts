/**
 * What code says, as lines of a design would: resources that are counted or keyed, and alike, are one line with their
 * number. Source: "Change review", link to a design.
 */
import { addAll, decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import type { CASES, Cased } from '@/engine/usage';
import type { Extract, MappedLine, MappedResource, MappedSide } from './extract';

export interface CodeLine {
  /** Its address without its number, and the part after a stroke. */
  readonly id: string;
  readonly addresses: readonly string[];
  /** Under which it may be known from before a move. */
  readonly formerly: string | null;
  readonly part: string | null;
  readonly module: string;
  readonly tags: Readonly<Record<string, string>> | null;
  /** Null: not there. */
  readonly before: Component | null;
  readonly after: Component | null;
  /** What it is on one of the sides is not known, so it is not taken over. */
  readonly isOpen: boolean;
}

interface One extends CodeLine {
  readonly stem: string;
  readonly address: string;
}

/**
 * @example
 * codeLinesOf({ form: 'plan', map: '', resources: [], remarks: [] }); // => []
 */
export function codeLinesOf(extract: Extract): CodeLine[] {
  const stems = new Map<string, One[]>();
  for (const resource of extract.resources)
    for (const one of onesOf(resource)) {
      const known = stems.get(one.stem) ?? [];
      stems.set(one.stem, known);
      known.push(one);
    }
  return [...stems].flatMap(([stem, ones]) => (areAlike(ones) ? [joined(stem, ones)] : ones.map(plainOne)));
}

const plainOne = ({ stem: _, address: __, ...line }: One): CodeLine => line;

function onesOf(resource: MappedResource): One[] {
  const { address, movedFrom, module, tags } = resource;
  const [before, after] = [linesOf(resource.before), linesOf(resource.after)];
  const isUnmapped = resource.before?.is === 'no-rule' || resource.after?.is === 'no-rule';
  return [...new Set([...after.keys(), ...before.keys()])].map((part): One => {
    const [first, last] = [before.get(part) ?? null, after.get(part) ?? null];
    const named = (of: string): string => (part === '' ? of : `${of}/${part}`);
    return {
      id: named(address),
      stem: named(withoutKey(address)),
      address,
      addresses: [address],
      formerly: movedFrom === null ? null : named(withoutKey(movedFrom)),
      part: part === '' ? null : part,
      module,
      tags,
      before: known(first),
      after: known(last),
      isOpen: isUnmapped || [first, last].some((line) => line !== null && line.is !== 'line'),
    };
  });
}

const withoutKey = (address: string): string => address.replace(/\[[^\]]*\]$/, '');

function linesOf(side: MappedSide | null): Map<string, MappedLine> {
  return new Map(side?.is === 'lines' ? side.lines.map((line) => [line.part ?? '', line]) : []);
}

const known = (line: MappedLine | null): Component | null => (line?.is === 'line' ? line.component : null);

/** One line of a design can say them all on both sides. */
function areAlike(ones: readonly One[]): boolean {
  const variants = (side: 'before' | 'after'): number =>
    new Set(ones.flatMap((one) => (one[side] ? [withoutNames(one[side])] : []))).size;
  return ones.every(({ isOpen }) => !isOpen) && variants('before') <= 1 && variants('after') <= 1;
}

function withoutNames({ id: _, name: __, ...rest }: Component): string {
  return JSON.stringify(rest);
}

function joined(stem: string, ones: readonly One[]): CodeLine {
  const side = (which: 'before' | 'after'): Component | null => {
    const there = ones.flatMap((one) => one[which] ?? []);
    const [first] = there;
    return first ? { ...first, id: stem, count: summed(there.map(({ count }) => count)) } : null;
  };
  const [first] = ones as [One];
  return {
    ...plainOne(first),
    id: stem,
    addresses: ones.map(({ address }) => address),
    before: side('before'),
    after: side('after'),
  };
}

/** In every case. */
function summed(counts: readonly Cased[]): Cased {
  if (counts.length === 1) return counts[0]!;
  const sum = (which: (typeof CASES)[number]): string =>
    addAll(counts.map((count) => decimal(count[which] ?? count.likely))).toString();
  const isWide = counts.some(({ lean, heavy }) => lean !== undefined || heavy !== undefined);
  return isWide
    ? { lean: sum('lean'), likely: sum('likely'), heavy: sum('heavy') }
    : { likely: sum('likely') };
}
