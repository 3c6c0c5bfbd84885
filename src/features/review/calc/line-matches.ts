/** Which line of a design is which line of code: as people said, by where a line came from, or because only one is alike. */
import { allComponents, type Component, type Design } from '@/engine/design';
import type { CodeLine } from './code-lines';

/** `new`: becomes a line of its own. `none`: left out of the design. */
export type LineMatch =
  { readonly is: 'line'; readonly line: string } | { readonly is: 'new' } | { readonly is: 'none' };

/** By id of a line of code; what people said. */
export type LineMatches = Readonly<Record<string, LineMatch>>;

/** Origins are names, and those have an end. */
const LONGEST_ORIGIN = 200;

/**
 * What a line of a design keeps of where it came from, so that the next change finds it.
 *
 * @example
 * originOf('harbour/platform', 'norvane_server.web'); // => 'harbour/platform: norvane_server.web'
 */
export function originOf(repository: string, line: string): string {
  const whole = [...`${repository}: ${line}`];
  return whole.length <= LONGEST_ORIGIN ? whole.join('') : `…${whole.slice(1 - LONGEST_ORIGIN).join('')}`;
}

/**
 * A line of the design is at most one line of code, of the same kind. What people said comes first, even that it is none.
 *
 * @example
 * matchLines(design, [], 'harbour/platform', {}).size; // => 0
 */
export function matchLines(
  design: Design,
  lines: readonly CodeLine[],
  repository: string,
  said: LineMatches,
): Map<string, LineMatch> {
  const components = new Map(allComponents(design).map((component) => [component.id, component]));
  const taken = new Set<string>();
  const found = new Map<string, LineMatch>();
  const take = (line: CodeLine, component: string): void => {
    const known = components.get(component);
    if (!known || taken.has(component) || known.kind !== (line.after ?? line.before)?.kind) return;
    taken.add(component);
    found.set(line.id, { is: 'line', line: component });
  };
  const saidOf = ({ id }: CodeLine): LineMatch | null => (Object.hasOwn(said, id) ? said[id]! : null);
  for (const line of lines) {
    const match = saidOf(line);
    if (match?.is === 'line') take(line, match.line);
    else if (match?.is === 'none') found.set(line.id, match);
  }
  const open = (): CodeLine[] => lines.filter(({ id }) => !found.has(id));
  const origins = new Map(
    [...components.values()].flatMap(({ id, origin }) => (origin ? [[origin, id] as const] : [])),
  );
  // What became a line of its own is known by where it came from, also where people said once that it is new.
  for (const line of open())
    for (const known of [line.id, ...(line.formerly === null ? [] : [line.formerly])]) {
      const from = origins.get(originOf(repository, known));
      if (from !== undefined && !found.has(line.id)) take(line, from);
    }
  for (const line of open()) if (saidOf(line)?.is === 'new') found.set(line.id, { is: 'new' });
  for (const [line, component] of onlyAlike(open(), [...components.values()], taken)) take(line, component);
  // What is new in the code is new in the design; what is not known there stays out until somebody says what it is.
  for (const { id, before, after } of open())
    found.set(id, before === null && after !== null ? { is: 'new' } : { is: 'none' });
  return found;
}

function onlyAlike(
  lines: readonly CodeLine[],
  components: readonly Component[],
  taken: ReadonlySet<string>,
): [CodeLine, string][] {
  const inCode = new Map<string, CodeLine[]>();
  for (const line of lines) {
    const key = line.before && likeness(line.before);
    if (key !== null) inCode.set(key, [...(inCode.get(key) ?? []), line]);
  }
  const inDesign = new Map<string, string[]>();
  for (const component of components) {
    const key = taken.has(component.id) ? null : likeness(component);
    if (key !== null) inDesign.set(key, [...(inDesign.get(key) ?? []), component.id]);
  }
  return [...inCode].flatMap(([key, all]): [CodeLine, string][] => {
    const others = inDesign.get(key) ?? [];
    return all.length === 1 && others.length === 1 ? [[all[0]!, others[0]!]] : [];
  });
}

/** Null: nothing to tell it by. */
function likeness({ kind, place, choice }: Component): string | null {
  return place && choice.by === 'sku' ? JSON.stringify([kind, place.book, place.region, choice.sku]) : null;
}
