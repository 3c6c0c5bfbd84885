/** Filters, placements and what comes of them, in words. */
import { decimal, type Decimal } from '@/engine/base';
import {
  type Between,
  COST_KINDS,
  type CostKind,
  type FleetPlacement,
  type HostingForm,
  type MachineFilter,
  type Mix,
  READINESS_RULES,
  type SizingRule,
  type UnfitWhy,
} from '@/features/fleet/calc';
import { type Agreement, describeTerm } from '@/engine/terms';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';

const SET_WORDS = { host: 'host', cluster: 'cluster', environment: 'environment', system: 'system' } as const;
const RANGE_WORDS = {
  vcpu: 'vCPU',
  memory: 'GiB of memory',
  storage: 'GiB of disk',
  peakCpu: '% CPU at the peak',
  peakMemory: '% memory at the peak',
} as const;

const number = (value: number): string => writeNumber(String(Number(value.toPrecision(6))));

function betweenText({ from, to }: Between, isShare: boolean): string {
  const text = (value: number): string => number(isShare ? value * 100 : value);
  if (from !== undefined && to !== undefined) return `${text(from)} to ${text(to)}`;
  return from !== undefined ? `${text(from)} or more` : `at most ${text(to ?? 0)}`;
}

/**
 * What a filter lets through.
 *
 * @example
 * filterText({ words: 'web', ranges: { vcpu: { from: 4 } } }); // => '“web”; 4 or more vCPU'
 */
export function filterText({
  words,
  sets,
  ranges,
  tag,
  power,
  kind,
  measured,
  ready,
}: MachineFilter): string {
  const rule = READINESS_RULES.find(({ code }) => code === ready);
  const parts = [
    words?.trim() && `“${words.trim()}”`,
    ...Object.entries(sets ?? {}).map(([field, values]) =>
      values.length > 0
        ? `${SET_WORDS[field as keyof typeof SET_WORDS]} ${values.map((each) => each || 'not said').join(' or ')}`
        : '',
    ),
    ...Object.entries(ranges ?? {}).map(
      ([field, between]) =>
        `${betweenText(between, field.startsWith('peak'))} ${RANGE_WORDS[field as keyof typeof RANGE_WORDS]}`,
    ),
    tag && `tag ${tag}`,
    power && (power === 'unknown' ? 'power state not said' : `powered ${power}`),
    kind,
    measured && (measured === 'yes' ? 'measured' : 'not measured'),
    ready === 'ready' ? 'nothing in its way' : rule?.title.toLowerCase(),
  ];
  return parts.filter(Boolean).join('; ') || 'every machine';
}

/**
 * @example
 * ruleText({ by: 'peak', headroom: 0.2 }); // => 'peak + 20 %'
 */
export function ruleText(rule: SizingRule): string {
  switch (rule.by) {
    case 'installed':
      return 'as installed';
    case 'peak':
    case 'usual':
      return `${rule.by === 'peak' ? 'peak' : '95th percentile'} + ${writeShare(decimal(String(rule.headroom)))}`;
    case 'target':
      return `peak at ${writeShare(decimal(String(rule.cpu)))} of vCPU, ${writeShare(decimal(String(rule.memory)))} of memory`;
  }
}

/**
 * @example
 * formText({ by: 'own-host' }); // => 'a whole host for each'
 */
export function formText(form: HostingForm): string {
  switch (form.by) {
    case 'shared':
      return 'a server for each';
    case 'own-host':
      return 'a whole host for each';
    case 'hosts': {
      const { cpuTimes, memoryTimes, storageRatio, spare } = form;
      const spareText = spare > 0 ? `, ${spare} spare` : '';
      return `hosts of one’s own: vCPU × ${number(cpuTimes)}, memory × ${number(memoryTimes)}, disk ÷ ${number(storageRatio)}${spareText}`;
    }
  }
}

export interface FleetPlaceNames {
  readonly book: (key: string) => string;
  readonly region: (book: string, code: string) => string;
}

/**
 * One setting of a placement by its name and value.
 *
 * @example
 * settingText({ setting: 'term', value: '12-none' }, { book: (key) => key, region: (_, code) => code }); // => 'paid 12 months, nothing upfront'
 */
export function settingText(
  {
    setting,
    value,
  }: { readonly setting: Exclude<keyof FleetPlacement, 'id' | 'name'>; readonly value: unknown },
  names: FleetPlaceNames,
): string {
  const given = { [setting]: value } as Partial<FleetPlacement>;
  switch (setting) {
    case 'places': {
      const texts = given.places!.map(
        ({ book, region }) => `${names.book(book)} ${names.region(book, region)}`,
      );
      return texts.length > 1 ? `the cheapest of ${texts.join(', ')}` : `at ${texts[0] ?? 'no place'}`;
    }
    case 'form':
      return formText(given.form!);
    case 'rule':
      return ruleText(given.rule!);
    case 'least':
      return `at least ${number(given.least!.vcpu)} vCPU and ${number(given.least!.memory)} GiB`;
    case 'allowed': {
      const { family, processor, allowBurstable, allowRetiring } = given.allowed!;
      const parts = [
        family && `family ${family}`,
        processor && `processor ${processor}`,
        allowBurstable && 'burstable sizes, too',
        allowRetiring && 'retiring sizes, too',
      ].filter(Boolean);
      return parts.join(', ') || 'any current size that is not burstable';
    }
    case 'disks': {
      const { by, medium, pooled, fastFrom, snapshots } = given.disks!;
      return [
        `disks as ${by}, ${medium === 'cheapest' ? 'of the cheapest kind' : medium}, ${pooled ? 'as one' : 'one by one'}`,
        fastFrom !== null && `low delay from ${number(fastFrom)} operations a second`,
        snapshots > 0 && `copies of ${writeShare(decimal(String(snapshots)))}`,
      ]
        .filter(Boolean)
        .join(', ');
    }
    case 'leaving':
      return `${writeShare(decimal(String(given.leaving)))} of what is sent leaves`;
    case 'licences':
      return given.licences === 'included' ? 'licences in the rate' : 'own licences';
    case 'softwareLicences':
      return given.softwareLicences === undefined
        ? 'those of databases likewise'
        : given.softwareLicences === 'included'
          ? 'databases’ licences in the rate'
          : 'own licences of databases';
    case 'agreements':
      return (
        (given.agreements ?? []).map((each) => agreementText(each, names.book)).join(', ') || 'at list prices'
      );
    case 'term':
      return `paid ${describeTerm(given.term!)}`;
    case 'withoutOff':
      return given.withoutOff ? 'without what is powered off' : 'with what is powered off';
  }
}

function agreementText({ name, covers, discount }: Agreement, book: (key: string) => string): string {
  if (discount?.by !== 'share') return name;
  const where = covers.books.length > 0 ? ` at ${covers.books.map(book).join(', ')}` : '';
  return `${writeShare(decimal(discount.share))} agreed off${where}`;
}

const UNFIT: Readonly<Record<UnfitWhy, string>> = {
  'no-size': 'no size is as large',
  term: 'what fits is not sold under this way of paying',
  licence: 'what fits is not sold with the licence of its system',
  system: 'its system is not sold',
  'host-too-small': 'no host is as large',
  'no-hosts': 'no hosts are sold there',
};

/**
 * @example
 * unfitText('no-size'); // => 'no size is as large'
 */
export function unfitText(why: UnfitWhy): string {
  return UNFIT[why];
}

export interface HostsTold {
  readonly machines: number;
  readonly hosts: number;
  readonly paid: number;
  readonly least: number;
  readonly spare: number;
  /** Of all room that is paid: what the machines fill, vCPU or memory, whichever is fuller. */
  readonly filled: number;
  /** So many machines like these fill the least number; null: it does not bite. */
  readonly fullFrom: number | null;
}

/**
 * Why so many hosts.
 *
 * @example
 * hostsText({ machines: 9, hosts: 2, paid: 3, least: 3, spare: 0, filled: 0.39, fullFrom: 22 }); // => '3 hosts for 9 machines, because fewer are not sold (2 would do): 61 % unused. From 22 machines like these it no longer matters.'
 */
export function hostsText({ machines, hosts, paid, least, spare, filled, fullFrom }: HostsTold): string {
  const bites = paid === least && least > hosts + spare;
  const unused = writeShare(decimal(String(Math.max(0, 1 - filled).toPrecision(6))));
  const plural = (count: number, one: string): string => `${count} ${one}${count === 1 ? '' : 's'}`;
  const why = bites
    ? `, because fewer are not sold (${hosts + spare} would do)`
    : spare > 0
      ? `, ${spare} of them spare`
      : '';
  const from = bites && fullFrom ? ` From ${fullFrom} machines like these it no longer matters.` : '';
  return `${plural(paid, 'host')} for ${plural(machines, 'machine')}${why}: ${unused} unused.${from}`;
}

export const KIND_WORDS: Readonly<Record<CostKind, string>> = {
  compute: 'Compute',
  systems: 'Systems',
  licences: 'Licences',
  storage: 'Storage',
  transfer: 'Transfer',
};

/**
 * Which kind of cost makes most of a difference; empty: there is none.
 *
 * @example
 * differenceReason({ compute: decimal('10'), systems: decimal('0'), licences: decimal('100'), storage: decimal('0'), transfer: decimal('0') }, { compute: decimal('10'), systems: decimal('0'), licences: decimal('62'), storage: decimal('0'), transfer: decimal('0') }); // => 'licences −38 %'
 */
export function differenceReason(
  before: Readonly<Record<CostKind, Decimal>>,
  after: Readonly<Record<CostKind, Decimal>>,
): string {
  const [most] = COST_KINDS.map((kind) => ({ kind, change: after[kind].minus(before[kind]) })).sort((a, b) =>
    b.change.abs().comparedTo(a.change.abs()),
  );
  if (!most || most.change.isZero()) return '';
  const words = KIND_WORDS[most.kind].toLowerCase();
  if (before[most.kind].isZero()) return `${words} only here`;
  const share = most.change.dividedBy(before[most.kind]);
  return `${words} ${share.isNegative() ? '−' : '+'}${writeShare(share.abs())}`;
}

/**
 * What the best mix is worth.
 *
 * @example
 * mixText({ chosen: [], monthly: decimal('90'), single: { placement: 'p', monthly: decimal('100') } }, 'USD', () => 'Here'); // => 'One placement for each group costs 90.00 USD a month, 10.00 USD (10 %) less than everything under “Here”.'
 */
export function mixText(
  { monthly, single }: Pick<Mix, 'chosen' | 'monthly' | 'single'>,
  currency: string,
  nameOf: (placement: string) => string,
): string {
  const money = (value: Decimal): string => `${writeMoney(value.toString(), currency)} ${currency}`;
  const less = single?.monthly.minus(monthly);
  if (single && less?.isZero())
    return `Everything under “${nameOf(single.placement)}” is the best there is: ${money(monthly)} a month. No mix of placements costs less.`;
  const mix = `One placement for each group costs ${money(monthly)} a month`;
  if (!single || !less) return `${mix}; no single placement has everything.`;
  const share = single.monthly.isZero() ? '' : ` (${writeShare(less.abs().dividedBy(single.monthly))})`;
  return `${mix}, ${money(less.abs())}${share} ${less.isNegative() ? 'more' : 'less'} than everything under “${nameOf(single.placement)}”.`;
}
