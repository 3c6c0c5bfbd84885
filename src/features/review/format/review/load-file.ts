/** Writes into a load profile that a person wrote: what is there stays, with its comments and its order. Opening 40. */
import type { Document } from 'yaml';
import { isMap, isSeq, parseDocument, type YAMLMap, type YAMLSeq } from 'yaml';
import type { Review } from '@/features/review/calc';

export interface SaidUse {
  readonly address: string;
  /** Null: of the resource itself. */
  readonly part: string | null;
  readonly meter: string;
  readonly amount: { readonly likely: string; readonly lean?: string; readonly heavy?: string };
  readonly unit: string;
}

/** A profile without a load. */
const EMPTY = 'wick: load-profile\nversion: 1\nloads: []\n';

/** `text` is a profile that can be read; empty: a new one. */
export function withUse(text: string, said: SaidUse): string {
  const document = parseDocument(text.trim() === '' ? EMPTY : text);
  const rule = ruleOf(document, said.address, said.part);
  const usage = rule.get('usage', true);
  const amounts = isMap(usage) ? usage : document.createNode({});
  if (!isMap(usage)) rule.set('usage', amounts);
  const entry = document.createNode({ amount: amountOf(said.amount), unit: said.unit }) as YAMLMap;
  entry.flow = true;
  (amounts as YAMLMap).set(said.meter, entry);
  return written(document);
}

function written(document: Document): string {
  return document.toString({ lineWidth: 110, flowCollectionPadding: true });
}

function ruleOf(document: Document, address: string, part: string | null): YAMLMap {
  const loads = loadsOf(document);
  const known = loads.items.find(
    (each): each is YAMLMap =>
      isMap(each) && each.get('address') === address && (each.get('part') ?? null) === part,
  );
  if (known) return known;
  const made = document.createNode(part === null ? { address } : { address, part }) as YAMLMap;
  loads.items.push(made);
  return made;
}

function loadsOf(document: Document): YAMLSeq {
  const loads: unknown = document.get('loads', true);
  if (isSeq(loads)) {
    // What was written as an empty list in brackets goes on below it.
    if (loads.items.length === 0) loads.flow = false;
    return loads;
  }
  const made = document.createNode([]) as YAMLSeq;
  document.set('loads', made);
  return made;
}

/** Numbers as numbers, where none of their digits is lost. */
function amountOf({ likely, lean, heavy }: SaidUse['amount']): unknown {
  const plain = (text: string): number | string => (String(Number(text)) === text ? Number(text) : text);
  if (lean === undefined && heavy === undefined) return plain(likely);
  return [lean ?? likely, likely, heavy ?? likely].map(plain);
}

/**
 * Every missing use as a comment beside its address, with what a unit costs: for a person to fill in. Nothing is said for
 * them, so nothing is taken for nothing.
 */
export function withMissingUse(text: string, { rows, currency }: Review): string {
  const document = parseDocument(text.trim() === '' ? EMPTY : text);
  for (const { address, lines } of rows)
    for (const { part, missing } of lines) {
      if (missing.length === 0) continue;
      const rule = ruleOf(document, address, part);
      const asked = missing.map(
        ({ meter, label, unit, price, needed }) =>
          ` ${meter}: { amount: …, unit: … }   ${label}${needed ? '' : ', none unless said'}${
            price === null ? '' : `; ${price} ${currency} a ${unit}`
          }`,
      );
      rule.comment = [' usage:', ...asked.map((each) => `  ${each}`)].join('\n');
    }
  return written(document);
}
