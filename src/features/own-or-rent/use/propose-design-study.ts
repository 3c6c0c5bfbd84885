/** A first study of a stored design: each section moves by itself, by what it costs a month. Needs L9, N1. */
import { addAll, decimal } from '@/engine/base';
import { kindOf } from '@/engine/books';
import type { Component } from '@/engine/design';
import { minorDigits, roundRows } from '@/engine/money';
import { estateStudy, type EstatePart, type Study } from '@/features/own-or-rent/calc';
import { openDesign } from '@/features/design/use/designs';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';
import { priceDesignOnServer, totalsOf } from '@/features/design/use/price-design';

const KINDS = ['compute', 'storage', 'transfer', 'licences'] as const;
type Kind = (typeof KINDS)[number];

function costKind({ kind }: Component): Kind {
  const { serviceCategory } = kindOf(kind);
  if (serviceCategory === 'Storage') return 'storage';
  return serviceCategory === 'Networking' ? 'transfer' : 'compute';
}

/** What stands on a host at home: things that are counted and have vCPUs. */
const isMachine = ({ kind }: Component): boolean => kindOf(kind).serviceCategory === 'Compute';

/** Not stored: `storeStudy` does that. */
export async function proposeDesignStudy(context: Context, id: string, start: string): Promise<Study> {
  allow(context.actor, 'proposeDesignStudy');
  const { design } = await openDesign(context, id);
  const { lines, unpriced } = totalsOf(await priceDesignOnServer(context, design, 'soon'));
  const sections = design.sections.filter(({ components }) => components.length > 0);
  const parts = sections.map(({ id: part, name, components }): EstatePart => ({
    id: part,
    name: name.trim() || 'Section',
    machines: components
      .filter(isMachine)
      .reduce((sum, { count }) => sum + Math.ceil(Number(count.likely)), 0),
    stored: 0,
  }));
  const digits = minorDigits(design.currency);
  const amounts = sections.map(({ components }) => {
    const of = (kind: Kind) =>
      addAll(
        components.filter((each) => costKind(each) === kind).map((each) => decimal(lines[each.id] ?? '0')),
      );
    const rounded = roundRows(KINDS.map(of), digits);
    return Object.fromEntries(KINDS.map((kind, at) => [kind, rounded[at]!.toString()])) as Record<
      Kind,
      string
    >;
  });
  return estateStudy({
    title: design.title,
    currency: design.currency,
    origin: `The design “${design.title}”, its usual month${unpriced > 0 ? `; ${unpriced} of its lines have no amount` : ''}`,
    start,
    parts,
    hosts: null,
    targets: [
      {
        id: 'design',
        name: design.title,
        source: 'The design as it is',
        parts: Object.fromEntries(parts.map((part, at) => [part.id, amounts[at]!])),
        term: 0,
        ahead: '0',
        uncommitted: '0',
      },
    ],
  });
}
