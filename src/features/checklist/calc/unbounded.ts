/** Traffic that nothing stops and nobody watches. Needs H19, A of the checklist: a figure to cap or to be told of. */
import { meterOfKind } from '@/engine/books';
import { decimal } from '@/engine/base';
import { plainMoney } from '@/platform/words';
import { runaway } from '@/engine/analysis';
import { inAllCases } from '@/engine/usage';
import type { Check, CheckContext } from './model';
import { ratesHere } from './per-line';

const TIMES = '100';
/** Below this a runaway month is no worse than a dear one. */
const WORTH_SAYING = 2;

export const unbounded: Check = {
  check: 'traffic-without-ceiling',
  title: 'Traffic that nothing stops',
  reason:
    'An attack, an error in a loop or sudden fame is billed like any use; an alarm tells of it in hours.',
  find: (context) => {
    const { plan, design, lines } = context;
    const watched = lines.some(({ component }) =>
      decimal(component.usage.alarms?.amount.likely ?? '0').greaterThan(0),
    );
    if (watched) return [];
    const { now, then, rows } = runaway(plan, decimal(TIMES));
    if (rows.length === 0 || then.lessThan(now.times(WORTH_SAYING))) return [];
    const { currency } = design;
    const [worst] = rows;
    const name = lines.find(({ component }) => component.id === worst!.id)!.component.name;
    return [
      {
        subject: '',
        says: `At ${TIMES} times its traffic a month would cost ${plainMoney(then, currency)} ${currency}, most of it “${name}”; no alarm would tell.`,
        remedy: alarms(context),
      },
    ];
  },
};

/** Alarms on the monitoring that is there; without monitoring, its own rule adds both. */
function alarms(context: CheckContext) {
  const found = context.lines.find(
    (each) =>
      meterOfKind(each.component.kind, 'alarms') !== undefined &&
      ratesHere(each, context).some((rate) => rate.meter === 'alarms'),
  );
  if (!found) return null;
  const value = { amount: inAllCases('2'), unit: 'item' };
  return {
    label: `Add two alarms to ${found.component.name}`,
    edits: [{ edit: 'set-usage', id: found.component.id, meter: 'alarms', value } as const],
  };
}
