/**
 * Drafts rules for types that the map does not know, from what their attributes are called: for a person to finish. A draft
 * says neither a kind nor that it is free, so that it is refused until somebody does.
 */
import { Document, type YAMLMap, type YAMLSeq } from 'yaml';
import { KIND_CODES } from '@/engine/books';
import type { Plain, Plan, ResourceSide } from '@/features/review/calc';

const MOST_NAMED = 40;

/** Values are never written down: only names, and what sort of thing they hold. */
export function draftMap(
  plan: Plan,
  types: readonly { readonly type: string; readonly count: number }[],
): string {
  const document = new Document({
    wick: 'resource-map',
    version: 1,
    title: 'Draft',
    providers: {},
    rules: [] as unknown[],
  });
  const rules = document.get('rules', true) as YAMLSeq;
  rules.flow = false;
  for (const { type, count } of types) {
    const sides = plan.resources.flatMap((each) => (each.type === type ? [each.after ?? each.before] : []));
    const rule = document.createNode({ type }) as YAMLMap;
    rule.commentBefore = ` ${count} of them in this plan. Say what it is (kind: …), or why it costs nothing (free: …).${perhaps(type)}`;
    rule.comment = attributesOf(sides)
      .map((each) => ` ${each}`)
      .join('\n');
    rules.items.push(rule);
  }
  document.commentBefore = ' Finish each rule; “wick review --map FILE” tries its examples.';
  return document.toString({ lineWidth: 0 });
}

function attributesOf(sides: readonly (ResourceSide | null)[]): string[] {
  const found = new Map<string, string>();
  for (const side of sides)
    for (const [name, value] of Object.entries(side?.values ?? {}))
      if (!found.has(name) || found.get(name) === 'nothing yet') found.set(name, sortOf(value));
  const names = [...found].sort(([a], [b]) => (a < b ? -1 : 1)).slice(0, MOST_NAMED);
  return names.length === 0 ? [] : ['attributes:', ...names.map(([name, sort]) => `  ${name}: ${sort}`)];
}

function sortOf(value: Plain | undefined): string {
  if (value === undefined || value === null) return 'nothing yet';
  if (Array.isArray(value)) {
    const [first] = value as readonly Plain[];
    return first === undefined ? 'list' : `list of ${sortOf(first)}`;
  }
  if (typeof value !== 'object') return typeof value === 'string' ? 'text' : typeof value;
  return `{ ${Object.keys(value).slice(0, MOST_NAMED).join(', ')} }`;
}

/** Kinds whose own words stand in the name of the type. */
function perhaps(type: string): string {
  const words = new Set(type.toLowerCase().split(/[_-]/));
  const found = KIND_CODES.filter((kind) => kind.split('-').some((word) => words.has(word)));
  return found.length === 0 ? '' : ` Perhaps: ${found.slice(0, 3).join(', ')}.`;
}
