/** What can be watched: of each account, the lines of its design, what is included, and tags that its newest bill bears. */
import { allComponents } from '@/engine/design';
import { workBill } from '@/features/bills/use/bill-work';
import { allow } from '@/platform/use/may';
import type { Context } from '@/stores/ports';

export interface WatchChoices {
  readonly provider: string;
  readonly account: string;
  readonly currency: string;
  /** Null: it is held against none. */
  readonly design: { readonly id: string; readonly title: string } | null;
  readonly sections: readonly { readonly id: string; readonly name: string }[];
  readonly components: readonly {
    readonly id: string;
    readonly name: string;
    readonly meters: readonly { readonly meter: string; readonly label: string }[];
  }[];
  readonly allowances: readonly {
    readonly component: string;
    readonly meter: string;
    readonly label: string;
    readonly unit: string;
  }[];
  readonly tags: readonly { readonly key: string; readonly values: readonly string[] }[];
}

const MOST_ACCOUNTS = 50;
const MOST_VALUES = 100;

export async function watchChoices(context: Context): Promise<WatchChoices[]> {
  allow(context.actor, 'watchChoices');
  const bills = await context.bills.list(context.actor.workspace);
  const newest = new Map(
    [...bills].reverse().map((bill) => [JSON.stringify([bill.provider, bill.account]), bill]),
  );
  const found: WatchChoices[] = [];
  for (const { id } of [...newest.values()].slice(0, MOST_ACCOUNTS)) found.push(await choicesOf(context, id));
  return found;
}

async function choicesOf(context: Context, id: string): Promise<WatchChoices> {
  const { bill, found, design, laid, allowances, taken } = await workBill(context, id, 'effective');
  const own = laid.sections.filter(({ part }) => part === 'design');
  const tags = new Map<string, Set<string>>();
  for (const { thing } of taken)
    for (const [key, value] of Object.entries(thing.tags)) {
      const values = tags.get(key) ?? new Set<string>();
      tags.set(key, values);
      if (values.size < MOST_VALUES) values.add(value);
    }
  const names = new Map(allComponents(design).map((each) => [each.id, each.name]));
  return {
    ...{ provider: bill.provider, account: bill.account, currency: bill.currency },
    design: found && { id: found.id, title: found.design.title },
    sections: own.map(({ id: section, name }) => ({ id: section, name })),
    components: own.flatMap(({ components }) =>
      components.map(({ id: component, name, meters }) => ({
        ...{ id: component, name },
        meters: meters.map(({ meter, label }) => ({ meter, label })),
      })),
    ),
    allowances: allowances.map(({ components: [component], meter, label, unit }) => ({
      ...{ component: component!, meter, unit },
      label: `${label} of “${names.get(component!) ?? component}”`,
    })),
    tags: [...tags].sort().map(([key, values]) => ({ key, values: [...values].sort() })),
  };
}
