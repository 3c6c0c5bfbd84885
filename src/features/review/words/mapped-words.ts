/** What a resource map makes of a resource, in words. */
import { kindOf, type Kind } from '@/engine/books';
import type { Component } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import type { MappedLine, MappedSide } from '@/features/review/calc';
import { writeNumber } from '@/platform/words';

const labelOf = (kind: Kind): string => kindOf(kind).label;

/**
 * One thing that costs. `whole`: with its size, where it is, how many of it and how much of it is used.
 *
 * @example
 * mappedWords({ is: 'secret', part: null, attributes: ['size'] }, 'kind'); // => 'size marked as secret'
 */
export function mappedWords(line: MappedLine, how: 'kind' | 'whole'): string {
  const part = line.part === null ? '' : `${line.part}: `;
  switch (line.is) {
    case 'line':
      return `${part}${how === 'kind' ? labelOf(line.component.kind) : componentWords(line.component)}`;
    case 'unknown':
      return `${part}${line.attributes.join(', ')} known when it is applied`;
    case 'secret':
      return `${part}${line.attributes.join(', ')} marked as secret`;
    case 'fault':
      return `${part}${line.message}`;
  }
}

function componentWords({ kind, choice, place, count, term, usage }: Component): string {
  const size = choice.by === 'sku' ? choice.sku : labelOf(kind);
  const said = [
    choice.by === 'sku' ? `${labelOf(kind)} ${size}` : size,
    ...(place ? [`in ${place.region}`] : []),
    ...(count.likely === '1' ? [] : [`× ${writeNumber(count.likely)}`]),
    ...(term && term !== 'on-demand' ? [describeTerm(term)] : []),
    ...Object.entries(usage).map(
      ([meter, { amount, unit }]) => `${meter} ${writeNumber(amount.likely)} ${unit}`,
    ),
  ];
  return said.join(', ');
}

/**
 * A side of a resource.
 *
 * @example
 * mappedSideWords({ is: 'free', why: 'A network costs nothing.' }); // => 'Free: A network costs nothing.'
 */
export function mappedSideWords(side: MappedSide | null): string {
  if (!side) return 'Not there';
  if (side.is === 'no-rule') return 'No rule';
  if (side.is === 'free') return `Free: ${side.why}`;
  return side.lines.length === 0
    ? 'Nothing that costs'
    : side.lines.map((line) => mappedWords(line, 'whole')).join('; ');
}
