/** A map for a price list, drafted from its headings: what they look like is filled in, everything else says what it needs. */
import { stringify } from 'yaml';
import { LIST_COLUMNS, type ListColumn } from './map-schema';

/** Words that headings of each column have; the first that fits takes it. */
const WORDS: Readonly<Record<ListColumn, RegExp>> = {
  offer: /\b(sku|skuid|part|article|item|offer|product (id|code|number))\b/i,
  name: /\b(name|description|title|product)\b/i,
  region: /\b(region|regionid|location|site|zone)\b/i,
  meter: /\b(meter|skumeter|metric|measure|charge)\b/i,
  unit: /\b(unit|pricingunit|uom|per|sold by)\b(?!.*price)/i,
  price: /\b(listunitprice|price|rate|cost)\b/i,
  term: /\b(term|commitment|contract)\b/i,
  upfront: /\b(upfront|advance)\b/i,
  allowance: /\b(included|allowance|free)\b/i,
  tierFrom: /\b(from|starting|lower|begin)\b/i,
  tierUpTo: /\b(up ?to|until|upper|end)\b/i,
  currency: /\bcurrency\b/i,
  service: /\b(service|servicename|family|category)\b/i,
};

export interface HeadingsOfSheet {
  /** Empty for a text file. */
  readonly sheet: string;
  readonly headings: readonly string[];
}

/** Which heading looks like which column; each is taken once. */
export function guessColumns(headings: readonly string[]): Partial<Record<ListColumn, string>> {
  const found: Partial<Record<ListColumn, string>> = {};
  const open = new Set(headings);
  // What is named by more words is looked for first.
  const order: readonly ListColumn[] = [
    'upfront',
    'tierFrom',
    'tierUpTo',
    'currency',
    'allowance',
    'term',
    'offer',
  ];
  for (const column of [...order, ...LIST_COLUMNS.filter((each) => !order.includes(each))]) {
    const heading = [...open].find((each) => WORDS[column].test(each));
    if (heading === undefined) continue;
    found[column] = heading;
    open.delete(heading);
  }
  return found;
}

export function draftListMap(sheets: readonly HeadingsOfSheet[], today: string): string {
  const table = [...sheets].sort((a, b) => b.headings.length - a.headings.length)[0];
  const headings = table?.headings ?? [];
  const guessed = guessColumns(headings);
  const columns = Object.fromEntries(
    LIST_COLUMNS.flatMap((each) => (guessed[each] ? [[each, guessed[each]]] : [])),
  );
  const head = stringify({
    wick: 'price-list',
    version: 1,
    book: {
      key: 'my-list',
      title: 'My list',
      provider: 'My provider',
      currency: 'USD',
      revision: 1,
      effective: today,
    },
    ...(table?.sheet ? { sheet: table.sheet } : {}),
  });
  const left = headings.filter((each) => !Object.values(guessed).includes(each));
  return `${head}
# Which heading is what. ${left.length > 0 ? `Not used yet: ${left.map((each) => JSON.stringify(each)).join(', ')}.` : 'Every heading is used.'}
${stringify({ columns: Object.keys(columns).length > 0 ? columns : { offer: 'Offer', price: 'Price' } })}
# How numbers are written where they have commas: point for 1,234.50, comma for 1.234,50.
# decimals: point

# Where the list's regions are. Without a column for it: always: { region: home }
regions:
  home: { code: home, country: Somewhere, latitude: 0, longitude: 0 }

# Words of the list for units and terms, where they are none of ours.
units: {}
terms: {}

# What a row is. The first that fits counts; * stands for anything.
lines:
  - when: { offer: "*" }
    kind: server
    meter: running
`;
}
