/**
 * What could cost less without giving up what was asked for: sleep where nobody works at night, commit to what always
 * runs, ask less often, keep what is seldom read where that is cheap. Each with what it saves. Needs U14, U15, H18, E15.
 */
import { type Decimal, decimal } from '@/engine/base';
import { type Kind, kindOf, type Role, roleOf } from '@/engine/books';
import type { Component, Edit } from '@/engine/design';
import { plainMoney } from '@/platform/words';
import { usesRunning } from '@/features/design/words';
import { monthlyOf } from '@/engine/pricing';
import { type Load, mapCased } from '@/engine/usage';
import { NON_PRODUCTION, OFFICE_HOURS } from './environments';
import { type Check, type CheckContext, type CheckLine, type Found, MOST_AT_ONCE, setField } from './model';
import { perLine } from './per-line';
import { offersHere } from './placed-offer';

/** Those of `lines` that cost less when all of them are changed, and what they save together. */
function savers(
  { plan, cases }: CheckContext,
  lines: readonly Component[],
  change: (component: Component) => Component,
): { readonly lines: readonly Component[]; readonly saved: Decimal } {
  const instead = new Map(lines.map((each) => [each.id, change(each)]));
  const [before, after] = [
    monthlyOf(cases.likely),
    monthlyOf(plan.pricer.price(plan, { case: 'likely', instead })),
  ];
  const saving = (id: string): Decimal =>
    (before.get(id) ?? decimal('0')).minus(after.get(id) ?? decimal('0'));
  const fewer = lines.filter(({ id }) => after.has(id) && saving(id).greaterThan(0)).slice(0, MOST_AT_ONCE);
  return { lines: fewer, saved: fewer.reduce((sum, { id }) => sum.plus(saving(id)), decimal('0')) };
}

const standing = ({ component, line }: CheckLine): boolean =>
  line.status === 'priced' &&
  usesRunning(component) &&
  component.running.pattern === 'always' &&
  component.term === 'on-demand';

const lineWords = (count: number): string => (count === 1 ? 'One line' : `${count} lines`);

const asleep: Check = {
  check: 'could-sleep-at-night',
  title: 'Non-production runs at night',
  reason:
    'Nobody tests at night or on Sundays; ten hours on working days are less than a third of the month.',
  find: (context) => {
    const { design } = context;
    const idle = new Set(design.sections.filter(({ name }) => NON_PRODUCTION.test(name)).map(({ id }) => id));
    const candidates = context.lines.filter((each) => idle.has(each.section) && standing(each));
    const { lines, saved } = savers(
      context,
      candidates.map(({ component }) => component),
      (component) => ({ ...component, running: OFFICE_HOURS }),
    );
    if (lines.length === 0) return [];
    const edits = lines.map(({ id }): Edit => ({
      edit: 'set-component',
      id,
      field: 'running',
      value: OFFICE_HOURS,
    }));
    const money = `${plainMoney(saved, design.currency)} ${design.currency}`;
    return [
      {
        subject: '',
        says: `${lineWords(lines.length)} of non-production always on; in office hours it would be ${money} less a month.`,
        remedy: { label: 'Run them in office hours', edits },
      },
    ];
  },
};

/** The shortest and least binding: nothing is paid ahead. */
const COMMITTED = '12-none';
/** With these in the design, what one line saves another may lose. */
const ALREADY: readonly Role[] = ['spend-commitment', 'prepaid-credit'];

const commit: Check = {
  check: 'commitment-would-pay',
  title: 'Always on, and paid on demand',
  reason: 'What surely runs all the time for a year is cheaper with a commitment; what may go is not.',
  find: (context) => {
    const { design, lines: all } = context;
    if (all.some(({ component }) => ALREADY.includes(roleOf(component.kind)))) return [];
    const candidates = all
      .filter((each) => standing(each) && kindOf(each.component.kind).committable)
      .map(({ component }) => component)
      .filter(({ mayBeStopped, months }) => !mayBeStopped && !months?.to);
    const { lines, saved } = savers(context, candidates, (component) => ({ ...component, term: COMMITTED }));
    if (lines.length === 0) return [];
    const money = `${plainMoney(saved, design.currency)} ${design.currency}`;
    return [
      {
        subject: '',
        says: `${lineWords(lines.length)} always on; committed for a year with nothing upfront it would be ${money} less a month.`,
        remedy: {
          label: 'Commit them for 12 months',
          edits: lines.map((component) => setField(component, 'term', COMMITTED)),
        },
      },
    ];
  },
};

/** Seconds; what asks more often asks more often than anybody looks. */
const OFTEN = '30';

/** The load with its viewers asking no more than every half minute; null: they already do, or are not known. */
function calmer({ load }: Component): Load | null {
  if (load?.rate.by !== 'viewers') return null;
  const { refreshSeconds: now } = load.rate;
  if (decimal(now.likely).greaterThanOrEqualTo(OFTEN)) return null;
  const refreshSeconds = mapCased(now, (text) => (decimal(text).lessThan(OFTEN) ? OFTEN : text));
  return { ...load, rate: { ...load.rate, refreshSeconds } };
}

const polling: Check = {
  check: 'asks-often',
  title: 'Screens that ask often',
  reason: 'What refreshes by itself is paid each time, looked at or not.',
  find: (context) =>
    context.lines.flatMap(({ component, line }): Found[] => {
      const load = calmer(component);
      if (!load || line.status !== 'priced' || component.load?.rate.by !== 'viewers') return [];
      const { lines, saved } = savers(context, [component], (each) => ({ ...each, load }));
      if (lines.length === 0) return [];
      const { currency } = context.design;
      const seconds = component.load.rate.refreshSeconds.likely;
      return [
        {
          subject: component.id,
          says: `Every viewer asks again after ${seconds} seconds; after ${OFTEN} it would be ${plainMoney(saved, currency)} ${currency} less a month.`,
          remedy: {
            label: `Refresh every ${OFTEN} seconds`,
            edits: [{ edit: 'set-component', id: component.id, field: 'load', value: load }],
          },
        },
      ];
    }),
};

/** Grades of access; the medium of a disk is chosen for its speed, not for its price. */
const STORES: readonly Kind[] = ['object-store', 'file-share'];
/** A grade gives something up; less than a fifth is not worth it. */
const WORTH_SAYING = '0.2';

const grade = perLine(
  {
    check: 'cheaper-grade',
    title: 'A cheaper grade for this use',
    reason:
      'Grades trade the price of keeping for the price of reading; which is cheaper depends on the use.',
  },
  ({ component, line }, context) => {
    if (line.status !== 'priced' || !line.offer || !STORES.includes(component.kind)) return null;
    if (component.choice.by !== 'sku') return null;
    const now = line.monthly.value;
    const [best] = offersHere(component, context).filter(({ offer }) => offer.sku !== line.offer!.sku);
    if (!best || best.monthly!.greaterThan(now.times(decimal('1').minus(WORTH_SAYING)))) return null;
    const { currency } = context.design;
    const traits = Object.entries(best.offer.attributes ?? {}).map(([name, value]) => `${name} ${value}`);
    const what = traits.length > 0 ? `${best.offer.name} (${traits.join(', ')})` : best.offer.name;
    return {
      says: `${what} would cost ${plainMoney(now.minus(best.monthly!), currency)} ${currency} less for this use; see what it gives up.`,
      remedy: {
        label: `Take ${best.offer.name}`,
        edits: [setField(component, 'choice', { by: 'sku', sku: best.offer.sku })],
      },
    };
  },
);

export const SAVINGS: readonly Check[] = [asleep, commit, polling, grade];
