/** Rows of a review's ledger: modules as a tree that folds, their resources below them, what rounding leaves, the month. */
import { addAll, decimal } from '@/engine/base';
import { heldSum, isFelt } from '@/features/review/words';
import type { GroupSum, Review, ReviewRow, Sums } from '@/features/review/calc';
import type { LedgerRow } from '@/platform/ui/ledger';

export type ReviewItem =
  | {
      readonly is: 'module';
      readonly key: string;
      readonly name: string;
      readonly depth: number;
      readonly sums: Sums;
      readonly shown: number;
      readonly all: number;
      readonly folded: boolean;
      /** Of everything in it and below it. */
      readonly addresses: readonly string[];
    }
  | { readonly is: 'resource'; readonly row: ReviewRow; readonly name: string; readonly depth: number }
  /** Of modules without anything listed. */
  | { readonly is: 'rest'; readonly sums: Sums; readonly addresses: readonly string[] }
  /** What is paid for commitments that are held, beside the resources. */
  | { readonly is: 'held'; readonly sums: Sums }
  | { readonly is: 'rounding'; readonly sums: Sums }
  | { readonly is: 'month'; readonly sums: Sums };

export const LISTED = [
  ['changes', 'what changes'],
  ['unknown', 'what is not known'],
  ['all', 'everything'],
] as const;
export type Listed = (typeof LISTED)[number][0];

const IS_LISTED: Readonly<Record<Listed, (row: ReviewRow) => boolean>> = {
  changes: (row) => isFelt(row) || row.action !== 'unchanged',
  unknown: ({ doubts }) => doubts.length > 0,
  all: () => true,
};

export function reviewItems(
  { rows, totals }: Pick<Review, 'rows' | 'totals'>,
  listed: Listed,
  folded: ReadonlySet<string>,
): LedgerRow<ReviewItem>[] {
  const shown = rows.filter(IS_LISTED[listed]);
  const modules = treeOf(
    shown.map(({ module }) => module),
    totals.byModule,
  );
  const byModule = grouped(shown);
  const counts = grouped(rows);
  const items = modules.flatMap((module): LedgerRow<ReviewItem>[] => {
    if (module.above.some((key) => folded.has(key))) return [];
    const own = byModule.get(module.key) ?? [];
    const isFolded = folded.has(module.key);
    const head: LedgerRow<ReviewItem> = {
      key: `module ${module.key}`,
      level: 'head',
      data: {
        is: 'module',
        ...{ key: module.key, name: module.name, depth: module.depth, sums: module.sums },
        shown: own.length,
        all: counts.get(module.key)?.length ?? 0,
        folded: isFolded,
        addresses: addressesOf(rows, (row) => isBelow(row, module.key)),
      },
    };
    const lines = isFolded ? [] : own.map((row) => resourceItem(row, module.depth));
    return [head, ...lines];
  });
  const held = heldSum(totals);
  const isRounded = Number(totals.rounding.before) !== 0 || Number(totals.rounding.after) !== 0;
  const tops = modules.filter(({ depth }) => depth === 0);
  const elsewhere = addressesOf(rows, (row) => !tops.some(({ key }) => isBelow(row, key)));
  return [
    ...items,
    ...(elsewhere.length === 0
      ? []
      : [
          {
            key: 'rest',
            level: 'flat' as const,
            data: { is: 'rest' as const, addresses: elsewhere, sums: restOf(totals, tops) },
          },
        ]),
    ...(held ? [{ key: 'held', level: 'flat' as const, data: { is: 'held' as const, sums: held } }] : []),
    ...(isRounded
      ? [
          {
            key: 'rounding',
            level: 'flat' as const,
            data: { is: 'rounding' as const, sums: totals.rounding },
          },
        ]
      : []),
    { key: 'month', level: 'head', data: { is: 'month', sums: totals } },
  ];
}

const isBelow = ({ module: own }: ReviewRow, key: string): boolean =>
  own === key || own.startsWith(`${key}.module.`);

const addressesOf = (rows: readonly ReviewRow[], wanted: (row: ReviewRow) => boolean): string[] =>
  rows.filter(wanted).map(({ address }) => address);

/** Of the month, what is in none of these modules. */
function restOf(totals: Review['totals'], tops: readonly ModuleNode[]): Sums {
  const left = (of: keyof Sums): string =>
    decimal(totals[of])
      .minus(totals.rounding[of])
      .minus(heldSum(totals)?.[of] ?? '0')
      .minus(addAll(tops.map(({ sums }) => decimal(sums[of]))))
      .toString();
  return { before: left('before'), after: left('after'), difference: left('difference') };
}

function grouped(rows: readonly ReviewRow[]): Map<string, ReviewRow[]> {
  const found = new Map<string, ReviewRow[]>();
  for (const row of rows) {
    const known = found.get(row.module) ?? [];
    found.set(row.module, known);
    known.push(row);
  }
  return found;
}

function resourceItem(row: ReviewRow, depth: number): LedgerRow<ReviewItem> {
  const { address, module } = row;
  const name = address.startsWith(`${module}.`) ? address.slice(module.length + 1) : address;
  return { key: address, level: 'line', data: { is: 'resource', row, name, depth } };
}

interface ModuleNode {
  readonly key: string;
  readonly name: string;
  readonly depth: number;
  readonly above: readonly string[];
  /** With what is below it. */
  readonly sums: Sums;
}

/** Every module that has something shown, and those above it, in the order of a tree. */
function treeOf(named: readonly string[], sums: readonly GroupSum[]): ModuleNode[] {
  const wanted = new Set<string>();
  for (const name of new Set(named)) for (const each of [...aboveOf(name), name]) wanted.add(each);
  return [...wanted].sort(compared).map((key) => {
    const above = aboveOf(key).filter((each) => wanted.has(each));
    const parent = above.at(-1);
    const name = parent === undefined ? key : key.slice(parent.length + 1);
    const below = sums.filter((each) => each.key === key || each.key.startsWith(`${key}.module.`));
    const sum = (of: keyof Sums): string => addAll(below.map((each) => decimal(each[of]))).toString();
    return {
      key,
      name: key === 'root' ? 'Root module' : name,
      depth: above.length,
      above,
      sums: { before: sum('before'), after: sum('after'), difference: sum('difference') },
    };
  });
}

/** "module.a.module.b" stands below "module.a"; a key in brackets may hold dots. */
function aboveOf(module: string): string[] {
  const cuts: string[] = [];
  for (let at = module.indexOf('.module.'); at >= 0; at = module.indexOf('.module.', at + 1))
    if (!isInside(module, at)) cuts.push(module.slice(0, at));
  return cuts;
}

const isInside = (text: string, at: number): boolean =>
  (text.slice(0, at).match(/(?<!\\)"/g)?.length ?? 0) % 2 === 1;

const compared = (a: string, b: string): number => {
  if (a === 'root' || b === 'root') return a === b ? 0 : a === 'root' ? -1 : 1;
  return a < b ? -1 : a > b ? 1 : 0;
};
