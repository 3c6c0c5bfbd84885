/** Where a kept question is looked at. */
import type { KeptAsk, Scope } from '@/engine/design';
import { writeAlong } from '@/features/load/format/along-text';

export function addressOfKept(design: string, ask: KeptAsk): string {
  const at = (view: string, query: Readonly<Record<string, string | null>>): string => {
    const given = Object.entries(query).flatMap(([key, value]) => (value === null ? [] : [[key, value]]));
    return `/designs/${design}/${view}?${new URLSearchParams(given)}`;
  };
  switch (ask.shows) {
    case 'curve': {
      const { along, range, beside, of } = ask;
      return at('load', {
        along: writeAlong(along),
        range: range && `${range.from}..${range.to} ${range.scale}`,
        of: scopeText(of),
        beside: beside.join(' '),
      });
    }
    case 'ready': {
      const { ready, line, other, entry } = ask;
      return at('load', { view: 'ready', asks: ready, line, other, entry });
    }
    case 'draws':
      return at('range', { seed: ask.seed, draws: String(ask.draws) });
    case 'units':
      return at('paying', { view: 'lines', term: ask.term });
    case 'every-hour': {
      const { sku, term, level } = ask;
      return at('paying', { view: 'hours', sku, term, level });
    }
    case 'prepaid':
      return at('paying', { view: 'credit', sku: ask.sku });
  }
}

function scopeText(of: Scope): string {
  if (of.of === 'section') return `section ${of.id}`;
  return of.of === 'lines' ? `line ${of.ids[0] ?? ''}` : 'all';
}
