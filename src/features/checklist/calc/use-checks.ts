/** Rules over what is entered: averages in steps, twins of units, what stands only once. */
import { decimal } from '@/engine/base';
import { meterOfKind } from '@/engine/books';
import { allComponents, type Component, kindFaults, unitsAsList, withoutKindFaults } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import { type Check, type CheckContext, type CheckLine, type Remedy, setField } from './model';
import { noticeOf, perLine, ratesHere } from './per-line';

const average = perLine(
  {
    check: 'average-in-steps',
    title: 'An average in a stepped price',
    reason: 'Steps are paid by each instance’s own size; an average can fall far from the bill.',
  },
  (line, context) => {
    const notice = noticeOf(line, 'average.stepped');
    if (!notice) return null;
    const { component } = line;
    const meter = String(notice.path[notice.path.length - 1] ?? '');
    return {
      says: sentenceFor(notice),
      // A fee for each unit would be lost with the units.
      remedy: hasFees(line, context) ? null : listRemedy(component, meter),
    };
  },
);

function listRemedy(component: Component, meter: string): Remedy | null {
  const edits = unitsAsList(component, meter);
  return edits && { label: 'Enter the sizes as a list', edits };
}

function hasFees(line: CheckLine, context: CheckContext): boolean {
  return ratesHere(line, context).some(
    ({ meter }) => meterOfKind(line.component.kind, meter)?.from === 'count',
  );
}

/** Units that differ by a few per cent and by nothing in how they look. */
const TWINS: Readonly<Record<string, string>> = {
  GB: 'GiB',
  GiB: 'GB',
  TB: 'TiB',
  TiB: 'TB',
  MB: 'MiB',
  MiB: 'MB',
};

const binary = perLine(
  {
    check: 'decimal-or-binary',
    title: 'GB where the book says GiB',
    reason: 'A GiB is 7 % more than a GB, a TiB 10 % more than a TB; few mean the difference.',
  },
  (line, context) => {
    const { component } = line;
    const rates = ratesHere(line, context);
    for (const [meter, entry] of Object.entries(component.usage)) {
      const twin = TWINS[entry.unit];
      const billed = rates.find((rate) => rate.meter === meter)?.unit.split('-')[0];
      if (!twin || !billed || !isTwin(entry.unit, billed)) continue;
      const label = meterOfKind(component.kind, meter)?.label ?? meter;
      return {
        says: `“${label}” is entered in ${entry.unit} and billed in ${billed}.`,
        remedy: {
          label: `Read it as ${entry.amount.likely} ${twin}`,
          edits: [{ edit: 'set-usage', id: component.id, meter, value: { ...entry, unit: twin } }],
        },
      };
    }
    return null;
  },
);

/** One decimal, the other binary. */
function isTwin(entered: string, billed: string): boolean {
  return /^[KMGTP]iB$/.test(entered)
    ? /^[kMGTP]B$/.test(billed)
    : /^[kMGTP]B$/.test(entered) && /^[KMGTP]iB$/.test(billed);
}

const zones = perLine(
  {
    check: 'more-zones-than-units',
    title: 'More zones than units',
    reason: 'A unit stands in one zone; what is in no zone protects nothing.',
  },
  ({ component }) => {
    const count = decimal(component.count.likely);
    const { zones: spread } = component;
    // What the provider keeps in several zones by itself is one unit, and says so in its offer.
    if (!spread || !count.greaterThan(1) || count.greaterThanOrEqualTo(spread)) return null;
    return {
      says: `It is spread over ${spread} zones, and there are ${count.toString()} of it.`,
      remedy: {
        label: `Make it ${spread}, one in each zone`,
        edits: [setField(component, 'count', { likely: String(spread) })],
      },
    };
  },
);

const single = perLine(
  {
    check: 'no-second-zone',
    title: 'Stands only once',
    reason: 'One of a kind in one zone is gone when the zone is; a second one doubles the line.',
  },
  ({ component, line }) => {
    const keepsRunning = component.running.pattern === 'always' && !component.mayBeStopped;
    const kinds = ['server', 'relational-database', 'cache', 'search-index', 'container-run-time'];
    if (line.status !== 'priced' || !kinds.includes(component.kind) || !keepsRunning) return null;
    const count = decimal(component.count.likely);
    // Several without a word about zones are taken to be spread; several that are said to stand in one are not.
    if (count.greaterThan(1) && component.zones === 1) {
      return {
        says: `All ${count.toString()} units stand in one zone.`,
        remedy: { label: 'Spread them over two zones', edits: [setField(component, 'zones', 2)] },
      };
    }
    if (!count.equals(1) || (component.zones ?? 1) > 1) return null;
    return {
      says: 'There is one of it, always on, in one zone.',
      remedy: {
        label: 'Make it two, in two zones',
        edits: [setField(component, 'count', { likely: '2' }), setField(component, 'zones', 2)],
      },
    };
  },
);

const outOfPlace: Check = {
  check: 'entry-out-of-place',
  title: 'An entry that this kind does not have',
  reason: 'It counts nowhere, and no file takes it: the design could not be copied or brought in elsewhere.',
  find: ({ design }) =>
    allComponents(design).flatMap((component) => {
      const [fault] = kindFaults(component);
      if (!fault) return [];
      const edits = withoutKindFaults(component);
      return [
        {
          subject: component.id,
          says: `${fault.message}.`,
          remedy: { label: edits.length > 1 ? 'Take these entries away' : 'Take the entry away', edits },
        },
      ];
    }),
};

export const USE_CHECKS: readonly Check[] = [average, binary, single, zones, outOfPlace];
