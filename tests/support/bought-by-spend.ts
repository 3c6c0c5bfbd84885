/** What a spend commitment buys of two servers, worked out by whole hours. */
import { decimal, type Decimal } from '@/engine/base';

/** On-demand money that the commitment saves: both run in the first hours, then only the longer one, then none. */
export function boughtBySpend(
  perHour: Decimal,
  rows: readonly { hours: Decimal; units: Decimal; committed: string; onDemand: string }[],
): Decimal {
  const ends = rows.map((row) => row.hours).sort((a, b) => a.comparedTo(b));
  let from = decimal(0);
  let saved = decimal(0);
  for (const end of ends) {
    let money = perHour;
    for (const row of rows) {
      if (row.hours.lessThan(end)) continue;
      const wanted = row.units.times(row.committed);
      const spent = wanted.lessThan(money) ? wanted : money;
      money = money.minus(spent);
      saved = saved.plus(spent.dividedBy(row.committed).times(row.onDemand).times(end.minus(from)));
    }
    from = end;
  }
  return saved;
}
