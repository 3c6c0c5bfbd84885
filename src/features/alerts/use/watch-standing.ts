/** How watches stand now: each against the newest bill of its account. */
import type { CostBasis } from '@/features/bills/calc';
import {
  factsOf,
  newMoney,
  type Watch,
  type Watched,
  watched,
  type WatchedBill,
} from '@/features/alerts/calc';
import { tagClose } from '@/features/bills/use/bill-closes';
import { workBill, type WorkedBill } from '@/features/bills/use/bill-work';
import type { BillListing, Context } from '@/stores/ports';

export interface Standing {
  /** Null: none has come yet. */
  readonly bill: BillListing | null;
  readonly watched: Watched;
}

/** A bill is worked out once, however many watches look at it. */
export async function standingsOf(context: Context, watches: readonly Watch[]): Promise<Standing[]> {
  const bills = watches.length === 0 ? [] : await context.bills.list(context.actor.workspace);
  const worked = new Map<string, Promise<WorkedBill>>();
  const workOut = (bill: BillListing, basis: CostBasis): Promise<WorkedBill> => {
    const key = `${bill.id} ${basis}`;
    const known = worked.get(key);
    if (known) return known;
    const made = workBill(context, bill.id, basis);
    worked.set(key, made);
    return made;
  };
  const found: Standing[] = [];
  for (const watch of watches) {
    const bill = newestOf(bills, watch);
    if (!bill) found.push({ bill, watched: { state: 'cannot', why: 'no-bill' } });
    else found.push({ bill, watched: await standing(context, watch, await workOut(bill, watch.basis)) });
  }
  return found;
}

/** Bills are listed with the newest period first. In the watch's currency where there is one. */
function newestOf(bills: readonly BillListing[], watch: Watch): BillListing | null {
  const own = bills.filter(
    ({ provider, account }) => provider === watch.provider && account === watch.account,
  );
  return own.find(({ currency }) => currency === watch.currency) ?? own[0] ?? null;
}

async function standing(context: Context, watch: Watch, worked: WorkedBill): Promise<Watched> {
  const { laid, close, closes, meterCloses, allowances, found, bill } = worked;
  const { of } = watch;
  const tags: Record<string, WatchedBill['tags'][string]> = {};
  if (of.what === 'tag') {
    const tag = await tagClose(context, worked, of);
    const isNew = tag && newMoney(tag.taken, watch.basis);
    if (tag) tags[`${of.key}=${of.value}`] = { close: tag.close, isNew: isNew! };
  }
  const facts = factsOf(watch, {
    ...{ laid, close, closes, meterCloses, allowances, tags },
    ...{ hasDesign: found !== null, newest: bill.newest },
  });
  return facts.ok ? watched(watch, facts.facts) : { state: 'cannot', why: facts.why };
}
