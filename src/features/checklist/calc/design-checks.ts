/** Rules over the design as a whole: its places, its month, its allowances, its environments. */
import { type Decimal, decimal, ZERO } from '@/engine/base';
import {
  chosenPlace,
  type Component,
  type Design,
  type Edit,
  meantPlace,
  placeIsTakenOver,
} from '@/engine/design';
import { plainMoney } from '@/platform/words';
import { agreementsThatCannotHold, severalExchangeRates } from './agreement-checks';
import { environmentOf, NON_PRODUCTION, OFFICE_HOURS } from './environments';
import { type Check, type CheckContext, type Found, MOST_AT_ONCE } from './model';

/** How a copy of production is made smaller. */
const STAGING_SHARE = '0.3';

function placeKey({ place }: Component): string | null {
  return place && `${place.book}/${place.region}`;
}

/** The place where most of the money stands. */
function mainPlace({ lines }: CheckContext): string | null {
  const sums = new Map<string, Decimal>();
  for (const { component, line } of lines) {
    const key = placeKey(component);
    if (key && line.status === 'priced') sums.set(key, (sums.get(key) ?? ZERO).plus(line.monthly.value));
  }
  return [...sums].sort(([a, one], [b, other]) => other.comparedTo(one) || (a < b ? -1 : 1))[0]?.[0] ?? null;
}

const mixedRegions: Check = {
  check: 'mixed-regions',
  title: 'Lines in different regions',
  reason: 'What stands apart pays for traffic between regions and answers more slowly.',
  find: (context) => {
    const main = mainPlace(context);
    const [book, region] = main?.split('/') ?? [];
    return context.lines.flatMap(({ component }): Found[] => {
      const key = placeKey(component);
      if (!main || !key || key === main || !key.startsWith(`${book}/`)) return [];
      const sells = context.bookOf(component);
      const sku = component.choice.by === 'sku' ? component.choice.sku : null;
      const movable = sells && region && (sku === null || sells.sells(sku, region));
      const name = sells?.region(region!)?.name ?? region!;
      return [
        {
          subject: component.id,
          says: `It stands in ${sells?.region(component.place!.region)?.name ?? component.place!.region}; most of the design stands in ${name}.`,
          remedy: movable
            ? {
                label: `Move it to ${name}`,
                edits: chosenPlace(component, { book: book!, region: region! }),
              }
            : null,
        },
      ];
    });
  },
};

function regionName(component: Component, context: CheckContext): string {
  const { region } = component.place!;
  return context.bookOf(component)?.region(region)?.name ?? region;
}

const takenOver: Check = {
  check: 'region-taken-over',
  title: 'Nobody chose the region',
  reason:
    'A new line stands where the line before it stood; a wrong region is a wrong price on every one of them.',
  find: (context) => {
    const taken = context.lines.map((each) => each.component).filter(placeIsTakenOver);
    if (taken.length === 0) return [];
    const names = [...new Set(taken.map((each) => regionName(each, context)))];
    const many = taken.length === 1 ? 'One line stands' : `${taken.length} lines stand`;
    // Who says so of the only region there is has answered the other question too.
    const answer: Edit = {
      edit: 'answer-check',
      check: 'inherited-region',
      subject: '',
      reason: `${names[0]} is meant.`,
    };
    return [
      {
        subject: '',
        says: `${many} where the line before stood: ${names.join(', ')}.`,
        remedy: {
          label: 'Yes, that is meant',
          edits: [
            ...taken.slice(0, MOST_AT_ONCE).flatMap(meantPlace),
            ...(placesOf(context).size === 1 ? [answer] : []),
          ],
        },
      },
    ];
  },
};

function placesOf({ lines }: CheckContext): Set<string> {
  return new Set(lines.flatMap(({ component }) => placeKey(component) ?? []));
}

const inheritedRegion: Check = {
  check: 'inherited-region',
  title: 'One region for everything',
  reason: 'A region that goes from line to line is right everywhere or wrong everywhere.',
  find: (context) => {
    if (context.lines.some(({ component }) => placeIsTakenOver(component))) return [];
    if (placesOf(context).size !== 1 || context.lines.length < 4) return [];
    const { component } = context.lines.find((line) => line.component.place)!;
    const name = regionName(component, context);
    const reason = `${name} is meant.`;
    return [
      {
        subject: '',
        says: `All ${context.lines.length} lines stand in ${name}. Is that where they are meant to stand?`,
        remedy: {
          label: 'Yes, that is meant',
          edits: [{ edit: 'answer-check', check: 'inherited-region', subject: '', reason }],
        },
      },
    ];
  },
};

const monthConvention: Check = {
  check: 'month-convention',
  title: 'Another month than the price book’s',
  reason: 'The provider bills by its own length of the month; 720 and 744 hours differ by three per cent.',
  find: (context) => {
    const { month } = context.design.assumptions;
    if (month.hours === 'book' || month.hours === 'calendar') return [];
    const used = context.lines.flatMap(({ component }) => context.bookOf(component) ?? []);
    const other = used.find((book) => !book.monthHours.equals(decimal(String(month.hours))));
    if (!other) return [];
    return [
      {
        subject: '',
        says: `The design counts ${month.hours} hours a month, ${other.title} counts ${other.monthHours.toString()}.`,
        remedy: {
          label: 'Take each book’s own month',
          edits: [{ edit: 'set-assumption', field: 'month', value: { hours: 'book' } }],
        },
      },
    ];
  },
};

const allowances: Check = {
  check: 'allowance-counted-twice',
  title: 'Allowances may be counted twice',
  reason:
    'What is included free of charge belongs to the account; two designs that both count it count it twice.',
  find: ({ plan, design, cases }) => {
    const { countAllowances, allowanceShare } = design.assumptions;
    if (!countAllowances || allowanceShare !== undefined) return [];
    const without: Design = { ...design, assumptions: { ...design.assumptions, countAllowances: false } };
    const { pricer } = plan;
    const then = pricer.price(pricer.plan(without), { case: 'likely' }).monthly.value;
    const worth = then.minus(cases.likely.monthly.value);
    if (worth.lessThan('0.01')) return [];
    return [
      {
        subject: '',
        says: `This design takes the account’s whole allowance: ${plainMoney(worth, design.currency)} ${design.currency} a month.`,
        remedy: {
          label: 'Do not count allowances',
          edits: [{ edit: 'set-assumption', field: 'countAllowances', value: false }],
        },
      },
    ];
  },
};

const environments: Check = {
  check: 'no-non-production',
  title: 'No non-production environment',
  reason: 'Nobody changes production first; a second environment is rarely in the first estimate.',
  find: (context) => {
    const { sections } = context.design;
    if (sections.some((section) => NON_PRODUCTION.test(section.name))) return [];
    const machines = context.lines.filter(
      ({ component, line }) => line.status === 'priced' && COPIED.includes(component.kind),
    );
    if (machines.length === 0) return [];
    const from = sections.find((section) =>
      section.components.some((each) => each === machines[0]!.component),
    )!;
    return [
      {
        subject: '',
        says: 'There is one environment; no section is for staging, testing or development.',
        remedy: {
          label: `Copy “${from.name}” as staging: ${STAGING_SHARE} of it in office hours`,
          edits: [
            {
              edit: 'add-section',
              index: sections.length,
              section: environmentOf(from, {
                name: 'Staging',
                share: STAGING_SHARE,
                running: OFFICE_HOURS,
                newId: context.newId,
              }),
            },
          ],
        },
      },
    ];
  },
};

const COPIED: readonly string[] = [
  'server',
  'container-run-time',
  'relational-database',
  'cache',
  'function',
];

export const DESIGN_CHECKS: readonly Check[] = [
  agreementsThatCannotHold,
  severalExchangeRates,
  environments,
  mixedRegions,
  takenOver,
  inheritedRegion,
  allowances,
  monthConvention,
];
