/** Licences that are owned: bought when there are more of what they count by, kept up by the year. Needs N2. */
import type { Run } from './algebra';
import type { FlowLine } from './flow-book';
import { byChange, type Standing } from './hardware-flow';
import type { OwnedLicence } from './model';
import { HAIR, type Setting } from './setting';

/** A bought licence is written off within five years. */
const LIFE = 60;

export function licenceFlow<T>(
  setting: Setting<T>,
  standing: ReadonlyMap<string, Standing<T>>,
  machines: Run<T>,
): void {
  const { a, study, values, book, unit, months, trends } = setting;
  study.licences.forEach(({ id, name, per }, at) => {
    const { price, yearly } = values.licences[at]!;
    const upkeep: FlowLine = { id: `licences/${id}`, side: 'owned', kind: 'licences', name };
    const counts = countsOf(setting, per, standing, machines);
    const one = a.over('A month of one', unit, yearly, a.fixed('Months of a year', 12, 'months'));
    const then = a.runTimes('A month of one, then', unit, trends.licences, one);
    book.putRun(upkeep, 0, months, a.runsTimes(name, unit, counts, then));
    if (a.number(price) <= 0) return;
    let most = counts[0]!;
    for (let month = 1; month < months; month += 1) {
      const count = counts[month]!;
      if (a.number(count) <= a.number(most) + HAIR) continue;
      const each = a.times('One, then', unit, price, trends.licences[month]!);
      const more = a.less('More of them', '', count, most);
      buy(
        setting,
        `${upkeep.id}/bought`,
        `${name}, more of them`,
        month,
        a.times('Bought', unit, more, each),
      );
      most = count;
    }
  });
}

/** Paid at once, spread over its life; what is not written off at the end is left. */
function buy<T>(
  { a, book, unit, months }: Setting<T>,
  id: string,
  name: string,
  month: number,
  amount: T,
): void {
  const line: FlowLine = { id, side: 'owned', kind: 'licences', name };
  const part = a.over('A month of it', unit, amount, a.fixed('Months', LIFE, 'months'));
  book.put(line, month, amount, a.zero);
  book.fill(line, month, month + LIFE, a.zero, part);
  const rest = month + LIFE - Math.min(months, month + LIFE);
  if (rest > 0)
    book.left(line, a.times('Not written off', unit, part, a.fixed('Months left', rest, 'months')));
}

/** What a licence counts by, month by month. */
function countsOf<T>(
  setting: Setting<T>,
  per: OwnedLicence['per'],
  standing: ReadonlyMap<string, Standing<T>>,
  machines: Run<T>,
): Run<T> {
  const { a, study, values, months, calendar } = setting;
  if (per === 'machine') return a.runWhole('Machines', '', machines);
  if (per === 'whole') {
    const run = a.run(months, a.one);
    for (let month = calendar.empty; month < months; month += 1) run[month] = a.zero;
    return run;
  }
  return byChange(setting, standing, (month) => {
    const servers = study.hardware.flatMap(({ id, sort }, at) => {
      const count = sort === 'hardware' ? standing.get(id)?.[month] : undefined;
      if (count === undefined || a.number(count) <= HAIR) return [];
      return [per === 'host' ? count : a.times('Cores', '', count, values.hardware[at]!.cores)];
    });
    return servers.length === 0 ? a.zero : a.sum(per === 'host' ? 'Hosts' : 'Cores', '', servers);
  });
}
