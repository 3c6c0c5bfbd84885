/** Tries the examples that a resource map carries: what a rule makes of given attributes, against what it should. */
import {
  extractOf,
  joinMaps,
  type MappedSide,
  type Plain,
  plainSide,
  type Plan,
  type ResourceMap,
  type ResourceRule,
} from '@/features/review/calc';

export interface Example {
  readonly values: Readonly<Record<string, Plain>>;
  readonly settings?: Readonly<Record<string, Plain>>;
  readonly gives: {
    readonly free?: boolean;
    readonly sku?: string;
    readonly region?: string;
    readonly count?: string;
    readonly term?: string;
    readonly usage?: Readonly<Record<string, string>>;
    readonly parts?: number;
  };
}

/** In words; null: it gives what it should. */
export function exampleFault(
  map: ResourceMap,
  rule: ResourceRule,
  { values, settings, gives }: Example,
): string | null {
  const [provider] = Object.keys(map.providers);
  const side = plainSide(values);
  const own = rule.type.split('_')[0]!;
  const name = Object.hasOwn(map.providers, own) ? own : (provider ?? own);
  const plan: Plan = {
    form: 'example',
    resources: [
      {
        address: `${rule.type}.example`,
        movedFrom: null,
        module: '',
        type: rule.type,
        name: 'example',
        key: null,
        provider: name,
        settings: name,
        action: 'create',
        before: null,
        after: side,
        names: {},
      },
    ],
    settings: { [name]: { provider: name, side: plainSide(settings ?? {}) } },
    remarks: [],
  };
  const made = extractOf(plan, joinMaps([map])).resources[0]!.after;
  return made === null ? 'gives nothing' : differenceOf(made, gives);
}

function differenceOf(made: MappedSide, gives: Example['gives']): string | null {
  if (gives.free !== undefined && gives.free !== (made.is === 'free'))
    return gives.free ? 'should cost nothing, and does' : 'should cost something, and does not';
  if (made.is !== 'lines') return null;
  for (const line of made.lines) if (line.is === 'fault') return line.message;
  const lines = made.lines.flatMap((line) => (line.is === 'line' ? [line] : []));
  const main = lines.find(({ part }) => part === null)?.component ?? lines[0]?.component;
  const parts = lines.filter(({ part }) => part !== null).length;
  const pairs: (readonly [string, string | number | undefined, string | number | undefined])[] = [
    ['sku', gives.sku, main?.choice.by === 'sku' ? main.choice.sku : undefined],
    ['region', gives.region, main?.place?.region],
    ['count', gives.count, main?.count.likely],
    ['term', gives.term, main?.term],
    ['parts', gives.parts, parts],
    ...Object.entries(gives.usage ?? {}).map(
      ([meter, amount]) => [`usage of ${meter}`, amount, main?.usage[meter]?.amount.likely] as const,
    ),
  ];
  for (const [what, wanted, found] of pairs)
    if (wanted !== undefined && wanted !== found)
      return `should have the ${what} “${wanted}”, and has ${found === undefined ? 'none' : `“${found}”`}`;
  return null;
}
