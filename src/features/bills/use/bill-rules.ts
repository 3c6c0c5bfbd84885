/** Rules that put a bill to a design: read, saved with their revisions, tried against a bill before they are. */
import {
  type BillRule,
  type DraftRule,
  draftRules,
  expectedBill,
  type RuleTaking,
  takeThings,
  takingOf,
  unknownIn,
  withIds,
} from '@/features/bills/calc';
import { allComponents, type Design } from '@/engine/design';
import { readBillRules } from '@/features/bills/format/bill-rules';
import { invalid } from '@/platform/use/app-error';
import { openBill } from './bills';
import { loadBooks } from '@/features/price-books/use/load-books';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

export interface RulesOfDesign {
  readonly text: string;
  /** 0: there are none yet. */
  readonly revision: number;
  readonly rules: readonly BillRule[];
}

/** What is kept for a design; what cannot be read any more is told by the screen that edits it, and takes nothing. */
export async function rulesOf(context: Context, design: string): Promise<RulesOfDesign> {
  const [newest] = await context.teamFiles.history(context.actor.workspace, 'bill-rules', design);
  const text = newest?.text ?? '';
  const read = text.trim() === '' ? null : readBillRules(text);
  return { text, revision: newest?.revision ?? 0, rules: read?.ok ? read.value : [] };
}

export interface RulesTried {
  readonly taking: readonly RuleTaking[];
  readonly unknown: readonly { readonly rule: string; readonly component: string }[];
}

/** What rules would take of a bill: "this rule would take 412 rows, 1 310 USD". Nothing is kept. */
export async function tryBillRules(context: Context, id: string, text: string): Promise<RulesTried> {
  allow(context.actor, 'tryBillRules');
  const read = readBillRules(text);
  if (!read.ok) throw invalid('The rules cannot be read.', read.faults, read.more);
  const design = await designOfBill(context, id);
  const things = await context.bills.things(context.actor.workspace, id);
  const rules = withIds(read.value, design.design);
  const taken = takeThings(things, rules, componentsOf(design.design));
  return {
    taking: takingOf(
      taken,
      rules.map((rule) => rule.id),
    ),
    unknown: unknownIn(rules, design.design),
  };
}

/** For what the present rules leave. */
export async function draftBillRules(context: Context, id: string): Promise<DraftRule[]> {
  allow(context.actor, 'draftBillRules');
  const bill = await openBill(context, id);
  const { workspace } = context.actor;
  const { id: name, design } = await designOfBill(context, id);
  const { rules } = await rulesOf(context, name);
  const things = await context.bills.things(workspace, id);
  const taken = takeThings(things, withIds(rules, design), componentsOf(design));
  const left = taken.flatMap(({ thing, component }) => (component === null ? [thing] : []));
  const expected = expectedBill(
    design,
    await loadBooks(context.books, workspace, design),
    bill,
    bill.currency,
  );
  return draftRules(left, design, expected.meters);
}

async function designOfBill(
  context: Context,
  id: string,
): Promise<{ readonly id: string; readonly design: Design }> {
  const bill = await openBill(context, id);
  const linked = await context.bills.designOf(context.actor.workspace, bill);
  const found = linked && (await context.designs.find(context.actor.workspace, linked));
  if (!found) throw invalid('Choose the design that this bill is held against first.');
  return found;
}

export const componentsOf = (design: Design): ReadonlySet<string> =>
  new Set(allComponents(design).map(({ id }) => id));
