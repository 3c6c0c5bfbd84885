/** A starter at a provider: every part with the cheapest offer that fits; what is not sold stays open and says so. */
import type { PriceBook, Region } from '@/engine/books';
import { withCheapestOffer } from '@/features/checklist/calc';
import { kindOf } from '@/engine/books';
import type { Component, Design, ExchangeRate } from '@/engine/design';
import { bookSet } from '@/engine/pricing';
import { DEFAULT_MONTH } from '@/engine/time';
import type { Starter, StarterPart } from './starter-types';

export function placeStarter(
  starter: Starter,
  book: PriceBook,
  region: Region,
  currency: string,
  exchange: readonly ExchangeRate[],
): Design {
  const books = [{ book: book.key, revision: book.revision }];
  const empty: Design = {
    title: starter.title,
    description: starter.description,
    currency,
    assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange },
    books,
    sections: [],
  };
  const context = { design: empty, books: bookSet([book]), bookOf: () => book };
  return {
    ...empty,
    sections: starter.sections.map(([name, parts], at) => ({
      id: `section-${at + 1}`,
      name,
      components: parts.map((part, index) => {
        const component = componentOf(part, `part-${at + 1}-${index + 1}`, book.key, region.code);
        return component.choice.by === 'cheapest'
          ? component
          : (withCheapestOffer(component, context) ?? component);
      }),
    })),
  };
}

function componentOf(part: StarterPart, id: string, book: string, region: string): Component {
  const { kind, name, count = '1', need, size, usage = {}, running, load, mayBeStopped } = part;
  const fixed = kindOf(kind).size === 'fixed' && need;
  const guesses = Object.keys(usage).map((meter) => `usage/${meter}`);
  return {
    id,
    name,
    kind,
    count: { likely: count },
    place: { book, region },
    choice: fixed ? { by: 'cheapest', need: { vcpu: need[0], memory: need[1] } } : { by: 'none' },
    running: running ?? { pattern: 'always' },
    usage,
    term: 'on-demand',
    ...(size ? { size: { vcpu: { likely: size[0] }, memory: { likely: size[1] } } } : {}),
    ...(load ? { load } : {}),
    ...(mayBeStopped ? { mayBeStopped } : {}),
    // Every quantity of a starter is a guess until somebody has looked at it.
    ...(guesses.length > 0 ? { guesses } : {}),
  };
}
