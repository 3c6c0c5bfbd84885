/** Watches in words: what is watched, how it stands, what is said. Openings 33, 36. */
import { decimal } from '@/engine/base';
import type { AlertKind, Unwatchable, Watch, Watched, WatchOf, WatchStanding } from '@/features/alerts/calc';
import { writeMoney, writeNumber, writeReach, writeShare } from '@/platform/words';

/**
 * “80 % of 1 300.00 USD” and the like: an amount in its unit. A currency has three capitals; everything else is a quantity.
 *
 * @example
 * writeWatched('40.2', 'USD'); // => '40.20 USD'
 * writeWatched('563.25', 'GB'); // => '563.25 GB'
 */
export function writeWatched(value: string, unit: string): string {
  if (/^[A-Z]{3}$/.test(unit)) return `${writeMoney(value, unit)} ${unit}`;
  return `${writeNumber(decimal(value).toSignificantDigits(5).toString())} ${unit}`;
}

const ON: Readonly<Record<Watch['on'], string>> = {
  billed: 'what is billed',
  close: 'the projected close',
  pace: 'an ordinary day',
  new: 'what is not in the design',
};

/** The step as a percentage. */
const percent = (step: string): string => writeShare(step);

/**
 * What is said when a step is reached, or is seen coming.
 *
 * @example
 * const standing = { unit: 'USD', value: '85', limit: '100', share: '0.85', newest: '2026-11-10', reached: [], coming: [] };
 * alertSentence({ name: 'Map', on: 'billed', of: { what: 'whole' } }, { kind: 'reached', step: '0.8', day: '2026-11-09' }, standing); // => '“Map” has reached 80 % on 2026-11-09: 85.00 of 100.00 USD are billed, known until 2026-11-10.'
 * alertSentence({ name: 'Map', on: 'billed', of: { what: 'whole' } }, { kind: 'coming', step: '1', day: '2026-11-13' }, standing); // => '“Map” crosses 100 % on 2026-11-13 at this pace: 85.00 of 100.00 USD are billed, known until 2026-11-10.'
 */
export function alertSentence(
  { name, on, of }: Pick<Watch, 'name' | 'on' | 'of'>,
  { kind, step, day }: { readonly kind: AlertKind; readonly step: string; readonly day: string | null },
  standing: WatchStanding,
): string {
  const { unit, value, limit, newest } = standing;
  const whole = writeWatched(limit, unit);
  const amount = writeWatched(value, unit).slice(0, -(unit.length + 1));
  const known = `known until ${newest}`;
  const head =
    kind === 'coming'
      ? `“${name}” crosses ${percent(step)} on ${day} at this pace`
      : `“${name}” has reached ${percent(step)}${day ? ` on ${day}` : ''}`;
  switch (on) {
    case 'billed':
      return `${head}: ${amount} of ${whole} are ${of.what === 'allowance' ? 'used' : 'billed'}, ${known}.`;
    case 'close':
      return `${head}: the period closes at about ${amount} of ${whole}, ${known}.`;
    case 'pace':
      return `${head}: an ordinary day now ${of.what === 'allowance' ? 'uses' : 'costs'} ${amount} of ${whole}, ${known}.`;
    case 'new':
      return `${head}: ${amount} of ${whole} are billed that the design does not expect, ${known}.`;
  }
}

const CANNOT: Readonly<Record<Unwatchable, string>> = {
  'no-bill': 'No bill of this account is here yet.',
  'no-day': 'No day of its newest period is known yet.',
  'no-design': 'The bill is held against no design: choose one at the bill.',
  'no-such-part': 'The design has no such line any more: change what is watched.',
  'nothing-expected': 'The design expects nothing of it: state an amount.',
  'other-currency': 'The bill is in another currency than the threshold.',
  'no-allowance': 'Nothing is included for this meter any more.',
  'no-such-tag': 'Nothing of the newest bill bears this tag.',
};

/**
 * How it stands, in one line.
 *
 * @example
 * watchedSentence({ on: 'billed' }, { state: 'cannot', why: 'no-bill' }); // => 'Cannot be watched now. No bill of this account is here yet.'
 * const standing = { unit: 'USD', value: '62', limit: '100', share: '0.62', newest: '2026-11-10', reached: [], coming: [{ step: '0.8', day: '2026-11-19' }] };
 * watchedSentence({ on: 'billed' }, { state: 'watching', standing }); // => '62 % of 100.00 USD. Crosses 80 % on 2026-11-19 at this pace.'
 */
export function watchedSentence({ on }: Pick<Watch, 'on'>, watched: Watched): string {
  if (watched.state === 'cannot') return `Cannot be watched now. ${CANNOT[watched.why]}`;
  const { share, limit, unit, coming, reached } = watched.standing;
  const whole = writeWatched(limit, unit);
  const next = coming[0];
  const last = reached.at(-1);
  const then = next
    ? ` Crosses ${percent(next.step)} on ${next.day} at this pace.`
    : last
      ? ` Reached ${percent(last.step)}${last.day ? ` on ${last.day}` : ''}.`
      : on === 'billed'
        ? ' Reaches no step within the period at this pace.'
        : '';
  return `${writeReach(share)}${writeReach(share).endsWith('%') ? ' of' : ''} ${whole}.${then}`;
}

/**
 * What is watched. `names`: of sections and components, by id.
 *
 * @example
 * watchedWords({ of: { what: 'component', component: 'a' }, on: 'close' }, new Map([['a', 'Web']])); // => 'the projected close of “Web”'
 * watchedWords({ of: { what: 'whole' }, on: 'billed' }, new Map()); // => 'what is billed of the whole bill'
 */
export function watchedWords(
  { of, on }: Pick<Watch, 'of' | 'on'>,
  names: ReadonlyMap<string, string>,
): string {
  return `${of.what === 'allowance' && on === 'billed' ? 'what is used' : ON[on]} of ${partWords(of, names)}`;
}

function partWords(of: WatchOf, names: ReadonlyMap<string, string>): string {
  const called = (id: string): string => `“${names.get(id) ?? id}”`;
  switch (of.what) {
    case 'whole':
      return 'the whole bill';
    case 'section':
      return called(of.section);
    case 'component':
      return called(of.component);
    case 'meter':
      return `${of.meter} of ${called(of.component)}`;
    case 'allowance':
      return `what is included in ${of.meter} of ${called(of.component)}`;
    case 'tag':
      return `the tag ${of.key} = ${of.value}`;
  }
}
