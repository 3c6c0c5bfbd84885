/** Maps sides of resources, those that a rule cannot tell apart once: most of a large plan is alike. */
import type { Component } from '@/engine/design';
import { compileExpression } from './expression';
import type { MappedLine, MappedSide, ReadAttribute } from './extract';
import { attributesRead, mapSide, type SideRead } from './map-resource';
import type { Marks, PlannedResource, ProviderSettings, ResourceSide } from './plan-model';
import type { IndexedMap, LineRule, ResourceRule } from './resource-map';

const MOST_KEPT = 20_000;

type Heard = SideRead['heard'];

const NONE: Heard = new Map();

export class SideMapper {
  private readonly kept = new Map<string, { readonly address: string; readonly read: SideRead }>();
  private readonly looks = new Map<ResourceRule, readonly string[]>();
  private readonly pairs = new WeakMap<Heard, WeakMap<Heard, readonly ReadAttribute[]>>();

  constructor(private readonly map: IndexedMap) {}

  read(resource: PlannedResource, side: ResourceSide, settings: ProviderSettings | null): SideRead {
    const rule = this.map.byType.get(resource.type);
    if (!rule || rule.free !== undefined) return mapSide(resource, side, rule, this.map, settings);
    const key = this.keyOf(rule, resource, side);
    const known = this.kept.get(key);
    if (known)
      return { heard: known.read.heard, side: renamed(known.read.side, known.address, resource.address) };
    const read = mapSide(resource, side, rule, this.map, settings);
    if (this.kept.size >= MOST_KEPT) this.kept.clear();
    this.kept.set(key, { address: resource.address, read });
    return read;
  }

  /** What was read on both sides, or on the one that there is. */
  attributes(before: SideRead | null, after: SideRead | null): readonly ReadAttribute[] {
    const [first, last] = [before?.heard ?? NONE, after?.heard ?? NONE];
    let known = this.pairs.get(first);
    if (!known) this.pairs.set(first, (known = new WeakMap()));
    let read = known.get(last);
    if (!read) known.set(last, (read = attributesRead(first, last)));
    return read;
  }

  /** Everything that the rule may look at. */
  private keyOf(
    rule: ResourceRule,
    { provider, settings, key }: PlannedResource,
    side: ResourceSide,
  ): string {
    let looks = this.looks.get(rule);
    if (!looks) this.looks.set(rule, (looks = looksOf(rule)));
    return JSON.stringify([
      rule.type,
      provider,
      settings,
      looks.includes('key') ? key : null,
      looks.map((name) => [own(side.values, name), mark(side.unknown, name), mark(side.secret, name)]),
    ]);
  }
}

function own<T>(of: Readonly<Record<string, T>>, name: string): T | null {
  return Object.hasOwn(of, name) ? of[name]! : null;
}

function mark(marks: Marks, name: string): Marks | null {
  if (typeof marks === 'boolean') return marks;
  return own(marks as Readonly<Record<string, Marks>>, name);
}

function looksOf({ line, parts = [] }: ResourceRule): string[] {
  const texts = [line, ...parts].flatMap((rule) => (rule ? textsOf(rule) : []));
  return [...new Set(texts.flatMap((text) => compileExpression(text).looks))].filter((name) => name !== 'it');
}

function textsOf(rule: LineRule & { readonly each?: string }): string[] {
  const { when, count, region, sku, vcpu, memory, term, each, usage = {} } = rule;
  return [
    when,
    count,
    region,
    sku,
    vcpu,
    memory,
    term,
    each,
    ...Object.values(usage).map(({ amount }) => amount),
  ].flatMap((text) => (text === undefined ? [] : [text]));
}

function renamed(side: MappedSide, from: string, to: string): MappedSide {
  if (side.is !== 'lines' || from === to) return side;
  const name = (component: Component): Component => ({
    ...component,
    id: `${to}${component.id.slice(from.length)}`,
    name: `${to}${component.name.slice(from.length)}`,
  });
  return {
    is: 'lines',
    lines: side.lines.map((line): MappedLine => {
      if (line.is === 'line') return { ...line, component: name(line.component) };
      return line.is === 'unknown' ? { ...line, among: line.among.map(name) } : line;
    }),
  };
}
