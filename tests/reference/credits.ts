/** Prepaid credit. Rules 1, 2 and 6. */
import { ONE, ZERO, f, least, most, sum } from './fraction';
import { type Demand, type Owner, type Part, type Scene, earlier, scaledMonth } from './shapes';
import { Refused, read } from './week';

/** Rule 2 for credits: each takes what the ones before did not pay, at list. Changes `parts`. */
export function credits(
  scene: Scene,
  owners: readonly Owner[],
  demands: ReadonlyMap<string, readonly Demand[]>,
  parts: Map<string, Part[] | Refused>,
): void {
  for (const book of new Set(owners.map((owner) => owner.book))) {
    const here = owners.filter((owner) => owner.book === book);
    const credits = here.flatMap((owner) => {
      const own = parts.get(owner.component.id)!;
      const part = own instanceof Refused ? undefined : own.find(({ meter }) => meter === 'credit');
      const entry = owner.component.usage.credit;
      if (owner.component.kind !== 'prepaid-credit' || !part || !entry) return [];
      const amount = read(entry.amount, scene.which).times(owner.count);
      const price = amount.isZero ? ONE : part.monthly.over(amount);
      const [demand] = demands.get(owner.component.id)!;
      const overage = (demand!.committed?.rate ?? demand!.rate).overage;
      return [{ owner, part, amount, price, overage }];
    });
    if (credits.length === 0) continue;
    credits.sort((a, b) => a.price.compare(b.price) || earlier(a.owner, b.owner));
    const no = ['prepaid-credit', 'spend-commitment', 'support-plan', 'custom'];
    const payers = here.filter(({ component }) => !no.includes(component.kind));
    const payable = (part: Part): boolean =>
      (part.term === 'on-demand' || part.term === 'interruptible') && part.once.isZero && !part.bought;
    const spend = sum(
      payers.flatMap(({ component }) => {
        const own = parts.get(component.id)!;
        return own instanceof Refused ? [] : own.filter(payable).map((part) => part.monthly);
      }),
    );
    let open = spend;
    const shares = credits.map(({ owner, part, amount, price }) => {
      const pays = least(open, amount);
      const share = spend.isZero ? ZERO : pays.over(spend);
      const lost = amount.isZero ? ZERO : most(ZERO, amount.minus(open)).over(amount);
      open = most(ZERO, open.minus(amount));
      const own = parts.get(owner.component.id) as Part[];
      parts.set(
        owner.component.id,
        own.map((each) => (each.meter === 'credit' ? scaledMonth(each, lost) : each)),
      );
      const ahead = part.monthly.isZero ? ZERO : ONE.minus(part.recurring.over(part.monthly));
      return { owner, share, price, ahead };
    });
    const beyond = ONE.minus(sum(shares.map(({ share }) => share)));
    const { overage } = credits[credits.length - 1]!;
    const dearer = overage == null ? ONE : f(overage);
    for (const { component } of payers) {
      const own = parts.get(component.id)!;
      if (own instanceof Refused) continue;
      parts.set(
        component.id,
        own.flatMap((part) => {
          if (!payable(part)) return [part];
          const paid = shares.map(({ owner, share, price, ahead }): Part => {
            const monthly = part.monthly.times(share).times(price);
            const early = monthly.times(ahead);
            return {
              ...part,
              term: owner.component.term,
              monthly,
              recurring: monthly.minus(early),
              bought: { by: owner, ahead: early },
              at: null,
            };
          });
          const { at } = part;
          const rest = part.monthly.times(beyond).times(dearer);
          const listed: Part = {
            ...part,
            monthly: rest,
            recurring: rest,
            at: at && ((charge) => at(charge).times(beyond)),
          };
          return [...paid.filter(({ monthly }) => !monthly.isZero), listed];
        }),
      );
    }
  }
}
