/** Rules over single lines: what is retired, not sold, dearer than it need be, or paid in a way that does not pay. */
import { nearestRegion, type Offer } from '@/engine/books';
import { plainMoney, sentenceFor } from '@/platform/words';
import { commitmentOf } from '@/engine/terms';
import { type Check, type CheckContext, type CheckLine, setField } from './model';
import { noticeOf, perLine } from './per-line';
import { offersHere } from './placed-offer';
import { STATEFUL } from './companions';

/** A saving below this share is not worth a line of the checklist. */
const WORTH_SAYING = '0.05';

/** The cheapest of at least the same size that is not this one; what it would cost. */
function cheaper({ component, line }: CheckLine, context: CheckContext) {
  if (line.status !== 'priced' || !line.offer || component.choice.by !== 'sku') return null;
  const { vcpu, memory, gpu, sku } = line.offer;
  if (vcpu === null || memory === null) return null;
  const [best] = offersHere(component, context).filter(
    ({ offer }) =>
      offer.sku !== sku &&
      offer.vcpu?.greaterThanOrEqualTo(vcpu) &&
      offer.memory?.greaterThanOrEqualTo(memory) &&
      (!gpu || offer.gpu?.greaterThanOrEqualTo(gpu)) &&
      (line.offer!.burstable || !offer.burstable) &&
      sameGrade(line.offer!, offer),
  );
  return best ?? null;
}

/** Nothing that was chosen on purpose is given up: the same attributes, every capability. */
function sameGrade(now: Offer, other: Offer): boolean {
  const attributes = Object.entries(now.attributes ?? {});
  return (
    attributes.every(([name, value]) => other.attributes?.[name] === value) &&
    (now.capabilities ?? []).every((each) => other.capabilities?.includes(each))
  );
}

const retiring = perLine(
  {
    check: 'retiring-offer',
    title: 'Offer is being retired',
    reason: 'What is withdrawn during the time looked at must be moved, and its successor may cost more.',
  },
  (line, context) => {
    const notice = noticeOf(line, 'offer.retiring');
    if (!notice) return null;
    const { component } = line;
    const instead = notice.values.instead;
    const book = context.bookOf(component);
    const offer = instead ? book?.offer(instead) : undefined;
    const sold = offer && component.place && book?.sells(offer.sku, component.place.region);
    return {
      says: sentenceFor(notice),
      remedy: sold
        ? {
            label: `Take ${offer.name} instead`,
            edits: [setField(component, 'choice', { by: 'sku', sku: offer.sku })],
          }
        : null,
    };
  },
);

const notSold = perLine(
  {
    check: 'not-sold-here',
    title: 'Not sold in the region',
    reason: 'A line that cannot be bought where it stands has no amount, and the total is incomplete.',
  },
  (line, context) => {
    const notice = noticeOf(line, 'offer.not-in-region');
    const { component } = line;
    const book = context.bookOf(component);
    const { choice, place } = component;
    if (!notice || !book || choice.by !== 'sku' || !place) return null;
    const here = book.region(place.region);
    const selling = book.regionsSelling(choice.sku).flatMap((code) => book.region(code) ?? []);
    const nearest = here && nearestRegion(here, selling);
    return {
      says: sentenceFor(notice),
      remedy: nearest
        ? {
            label: `Move it to ${nearest.name}, the nearest that sells it`,
            edits: [setField(component, 'place', { book: book.key, region: nearest.code })],
          }
        : null,
    };
  },
);

const dearer = perLine(
  {
    check: 'dearer-than-needed',
    title: 'Dearer than it need be',
    reason: 'Another offer of at least the same size costs less where this one stands.',
  },
  (line, context) => {
    const best = cheaper(line, context);
    if (!best || line.line.status !== 'priced') return null;
    const saved = line.line.monthly.value.minus(best.monthly!);
    if (saved.lessThan(line.line.monthly.value.times(WORTH_SAYING))) return null;
    const { currency } = context.design;
    const { offer } = line.line;
    const make =
      best.offer.processor !== offer!.processor
        ? `, on ${best.offer.processor} instead of ${offer!.processor},`
        : '';
    return {
      says: `${best.offer.name} has at least the size of ${offer!.name}${make} and costs ${plainMoney(saved, currency)} ${currency} less a month.`,
      remedy: {
        label: `Take ${best.offer.name}`,
        edits: [setField(line.component, 'choice', { by: 'sku', sku: best.offer.sku })],
      },
    };
  },
);

const interruptible = perLine(
  {
    check: 'interruptible-stateful',
    title: 'May be taken away at any time',
    reason: 'Interruptible capacity suits work that can begin again, not what keeps state.',
  },
  (line) => {
    const notice = noticeOf(line, 'interruptible.not-allowed');
    const stateful = line.component.term === 'interruptible' && STATEFUL.includes(line.component.kind);
    if (!notice && !stateful) return null;
    return {
      says: notice ? sentenceFor(notice) : 'It keeps state and is paid as interruptible.',
      remedy: { label: 'Pay it on demand', edits: [setField(line.component, 'term', 'on-demand')] },
    };
  },
);

const idleCommitment = perLine(
  {
    check: 'commitment-does-not-pay',
    title: 'A commitment that does not pay',
    reason: 'A commitment is paid for every hour; below its break-even share on demand is cheaper.',
  },
  ({ component, line }, context) => {
    if (line.status !== 'priced' || !commitmentOf(component.term) || !line.onDemand) return null;
    const lost = line.monthly.value.minus(line.onDemand);
    if (lost.lessThanOrEqualTo(0)) return null;
    const { currency } = context.design;
    return {
      says: `On demand it would cost ${plainMoney(lost, currency)} ${currency} less a month: it does not run long enough.`,
      remedy: { label: 'Pay it on demand', edits: [setField(component, 'term', 'on-demand')] },
    };
  },
);

const minimum = perLine(
  {
    check: 'minimum-bites',
    title: 'A minimum purchase bites',
    reason:
      'What is paid for is more than what is used; a smaller offer or another provider may have no minimum.',
  },
  (line, context) => {
    const notice = noticeOf(line, 'minimum.applied');
    if (!notice || line.line.status !== 'priced') return null;
    const now = line.line.monthly.value;
    const [best] = offersHere(line.component, context).filter(({ monthly }) =>
      monthly!.lessThan(now.times('0.95')),
    );
    return {
      says: sentenceFor(notice),
      remedy:
        best && line.line.offer?.sku !== best.offer.sku
          ? {
              label: `Take ${best.offer.name}, which costs less for this use`,
              edits: [setField(line.component, 'choice', { by: 'sku', sku: best.offer.sku })],
            }
          : null,
    };
  },
);

export const LINE_CHECKS: readonly Check[] = [
  notSold,
  retiring,
  interruptible,
  idleCommitment,
  dearer,
  minimum,
];
