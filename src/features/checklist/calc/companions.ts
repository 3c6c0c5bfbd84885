/**
 * Parts that usually go with others: "if the design has one of these and none of those, something is missing". Each
 * comes with the usage that a design of this size would sensibly have, marked as a guess.
 */
import { addAll, type Decimal, decimal } from '@/engine/base';
import { type Kind, kindOf, meterOfKind } from '@/engine/books';
import type { Component, UsageEntry } from '@/engine/design';
import { writeNumber } from '@/platform/words';
import { inAllCases } from '@/engine/usage';
import type { Check, CheckContext, Found } from './model';
import { withCheapestOffer } from './placed-offer';

export const MACHINES: readonly Kind[] = [
  'server',
  'dedicated-host',
  'container-run-time',
  'container-cluster',
];
/** What loses something when it is gone. */
export const STATEFUL: readonly Kind[] = [
  'block-volume',
  'file-share',
  'relational-database',
  'key-value-store',
  'search-index',
];
/** What people outside reach. */
const FRONT: readonly Kind[] = [
  'balancer-requests',
  'balancer-connections',
  'api-front-door',
  'content-delivery',
];

interface Sizes {
  /** Instances of machines, at least one. */
  readonly machines: Decimal;
  /** GB held by stateful parts, at least ten. */
  readonly held: Decimal;
  /** Requests a month at the front, at least a million. */
  readonly requests: Decimal;
}

interface Companion {
  readonly check: string;
  readonly title: string;
  readonly reason: string;
  /** One of these is there … */
  readonly with: readonly Kind[];
  /** … or the design is such that it is needed all the same … */
  readonly when?: (components: readonly Component[]) => boolean;
  /** … and none of these; with a meter: none that pays by it. */
  readonly without: readonly Kind[];
  readonly meter?: string;
  readonly adds: Kind;
  readonly says: string;
  readonly usage: (
    sizes: Sizes,
  ) => Readonly<Record<string, readonly [amount: Decimal | number, unit: string]>>;
  readonly count?: (sizes: Sizes) => Decimal;
}

const COMPANIONS: readonly Companion[] = [
  {
    check: 'no-backup',
    title: 'No backup',
    reason: 'What holds data and has no backup is lost with one mistake; a backup is rarely free.',
    with: STATEFUL,
    without: ['backup'],
    adds: 'backup',
    says: 'Parts of this design hold data, and none of them is backed up.',
    usage: ({ held }) => ({ protected: [held, 'GB'], stored: [held.times(2), 'GB'] }),
  },
  {
    check: 'no-snapshots',
    title: 'No snapshots',
    reason: 'Volumes are usually kept in snapshots before every change, and those are billed by size.',
    with: ['block-volume'],
    without: ['snapshot', 'backup'],
    adds: 'snapshot',
    says: 'There are volumes, and no snapshots of them.',
    usage: ({ held }) => ({ stored: [held.dividedBy(2), 'GiB'] }),
  },
  {
    check: 'no-transfer-out',
    title: 'No outbound transfer',
    reason: 'Data that leaves to the internet is billed by volume and is the most often forgotten line.',
    with: [...MACHINES, ...FRONT, 'object-store', 'function'],
    without: ['transfer-out', 'content-delivery'],
    adds: 'transfer-out',
    says: 'Nothing here pays for data that leaves to the internet.',
    usage: ({ machines }) => ({ transferred: [machines.times(100), 'GB'] }),
  },
  {
    check: 'no-monitoring',
    title: 'No monitoring',
    reason: 'Logs and metrics grow with every machine; they come to a few per cent of most bills.',
    with: [...MACHINES, 'relational-database', 'function'],
    without: ['monitoring'],
    adds: 'monitoring',
    says: 'Nothing here keeps logs and metrics.',
    usage: ({ machines }) => ({
      metrics: [machines.times(10), 'item'],
      alarms: [machines.times(2), 'item'],
      logs: [machines.times(5), 'GB'],
    }),
  },
  {
    check: 'no-secrets',
    title: 'No place for secrets',
    reason: 'Passwords and keys need a vault of their own; it is cheap, and often billed by request.',
    with: [...MACHINES, 'function', 'relational-database', 'container-run-time'],
    without: ['key-vault'],
    adds: 'key-vault',
    says: 'Nothing here keeps keys and passwords.',
    usage: () => ({ keys: [10, 'item'], requests: [100_000, 'request'] }),
  },
  {
    check: 'no-address',
    title: 'No public address',
    reason: 'An address that people outside reach is billed by the hour, used or not.',
    with: ['server', 'balancer-connections', 'outbound-gateway', 'vpn'],
    without: ['address'],
    adds: 'address',
    says: 'Nothing here has a public address of its own.',
    usage: () => ({}),
  },
  {
    check: 'no-name-service',
    title: 'No name service',
    reason: 'A name is billed by zone and by question; without one nobody finds the site.',
    with: [...FRONT, 'server', 'container-run-time'],
    without: ['name-service'],
    adds: 'name-service',
    says: 'No name leads here.',
    usage: ({ requests }) => ({ requests: [requests, 'request'] }),
  },
  {
    check: 'no-front-door-protection',
    title: 'No front-door protection',
    reason: 'What people outside reach is attacked from the first day; protection is billed by request.',
    with: FRONT,
    without: ['front-door-protection', 'firewall'],
    adds: 'front-door-protection',
    says: 'People outside reach this design, and nothing stands in front of it.',
    usage: ({ requests }) => ({ requests: [requests, 'request'] }),
  },
  {
    check: 'no-traffic-between-zones',
    title: 'No traffic between zones',
    reason: 'Parts that stand twice talk across zones, and that is billed in both directions.',
    with: ['relational-database', 'stream', 'search-index'],
    when: (components) => components.some(({ zones }) => (zones ?? 1) > 1),
    without: ['transfer-between'],
    meter: 'between-zones',
    adds: 'transfer-between',
    says: 'Parts that are kept twice copy data between zones; nothing here pays for it.',
    usage: ({ held }) => ({ 'between-zones': [held, 'GB'] }),
  },
  {
    check: 'no-traffic-between-regions',
    title: 'No traffic between regions',
    reason: 'What one part sends to another in a different region is billed like traffic that leaves.',
    with: [],
    when: spansRegions,
    without: ['transfer-between'],
    meter: 'between-regions',
    adds: 'transfer-between',
    says: 'Parts stand in different regions of one provider; nothing here pays for what they send each other.',
    usage: ({ machines }) => ({ 'between-regions': [machines.times(50), 'GB'] }),
  },
  {
    check: 'no-support-plan',
    title: 'No support plan',
    reason: 'A support plan is a share of everything else, so it is best seen from the start.',
    with: [...MACHINES, ...STATEFUL],
    without: ['support-plan'],
    adds: 'support-plan',
    says: 'No support plan is counted.',
    usage: () => ({}),
  },
];

/** Some provider's parts stand in more than one of its regions. */
function spansRegions(components: readonly Component[]): boolean {
  const first = new Map<string, string>();
  return components.some(({ place }) => {
    if (!place) return false;
    if (!first.has(place.book)) first.set(place.book, place.region);
    return first.get(place.book) !== place.region;
  });
}

/** Kinds whose offers must be at hand to make the remedies. */
export const COMPANION_KINDS: readonly Kind[] = COMPANIONS.map((each) => each.adds);

export const COMPANION_CHECKS: readonly Check[] = COMPANIONS.map((companion) => ({
  check: companion.check,
  title: companion.title,
  reason: companion.reason,
  find: (context) => missing(companion, context),
}));

function missing(companion: Companion, context: CheckContext): Found[] {
  const components = context.lines.map((line) => line.component);
  const needed =
    components.some(({ kind }) => companion.with.includes(kind)) || companion.when?.(components) === true;
  const { meter } = companion;
  const there = components.some(
    ({ kind, usage }) => companion.without.includes(kind) && (meter === undefined || usage[meter]),
  );
  if (!needed || there) return [];
  return [{ subject: '', says: companion.says, remedy: remedyFor(companion, context) }];
}

/** Beside the first part that needs it; null: nothing of the kind is sold there. */
function remedyFor(companion: Companion, context: CheckContext): Found['remedy'] {
  const placed = context.lines.filter(({ component }) => component.place);
  const beside = placed.find(({ component }) => companion.with.includes(component.kind)) ?? placed[0];
  if (!beside) return null;
  const sizes = sizesOf(context);
  const usage: Record<string, UsageEntry> = {};
  for (const [meter, [amount, unit]] of Object.entries(companion.usage(sizes))) {
    usage[meter] = { amount: inAllCases(decimal(String(amount)).ceil().toString()), unit };
  }
  const { label } = kindOf(companion.adds);
  const component: Component = {
    id: context.newId(),
    name: label,
    kind: companion.adds,
    count: inAllCases('1'),
    place: beside.component.place,
    choice: { by: 'none' },
    running: { pattern: 'always' },
    usage,
    term: 'on-demand',
  };
  const chosen = withCheapestOffer(component, context);
  if (!chosen) return null;
  const guesses = Object.keys(chosen.usage).map((meter) => `usage/${meter}`);
  const section = context.design.sections.find((each) => each.id === beside.section)!;
  return {
    label: `Add: ${label.toLowerCase()}${amountWords(chosen.usage)}`,
    edits: [
      {
        edit: 'add-component',
        section: section.id,
        index: section.components.length,
        component: { ...chosen, ...(guesses.length > 0 ? { guesses } : {}) },
      },
    ],
  };
}

function amountWords(usage: Readonly<Record<string, UsageEntry>>): string {
  const [first] = Object.values(usage);
  return first ? `, ${writeNumber(first.amount.likely)} ${first.unit}` : '';
}

function sizesOf({ lines }: CheckContext): Sizes {
  const read = (component: Component, meter: string): Decimal =>
    decimal(component.usage[meter]?.amount.likely ?? '0').times(decimal(component.count.likely));
  const total = (values: readonly Decimal[], least: number): Decimal => {
    const sum = addAll(values);
    return sum.lessThan(least) ? decimal(String(least)) : sum;
  };
  const components = lines.map(({ component }) => component);
  return {
    machines: total(
      components.filter(({ kind }) => MACHINES.includes(kind)).map(({ count }) => decimal(count.likely)),
      1,
    ),
    held: total(
      components
        .filter(({ kind }) => STATEFUL.includes(kind))
        .map((component) => read(component, meterOfKind(component.kind, 'capacity') ? 'capacity' : 'stored')),
      10,
    ),
    requests: total(
      components.filter(({ kind }) => FRONT.includes(kind)).map((component) => read(component, 'requests')),
      1_000_000,
    ),
  };
}
