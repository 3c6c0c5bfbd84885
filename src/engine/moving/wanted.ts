/** What is asked for at the place that a line goes to, and what is said of what it came to. */
import { decimal, issue, type Issue } from '../base';
import { kindOf, type Offer, type PriceBook, type Region } from '../books';
import type { Component, FreeSize, Place } from '../design';
import { type Need, threadsOf } from '../sizing';
import { meaningOf, type Step } from './meaning';

export interface MoveWishes {
  /** Whether the maker of the processor must stay the same. */
  readonly sameProcessor?: boolean;
}

/** A place with its book, and the offers of a kind that are sold there. */
export interface There {
  readonly place: Place;
  readonly book: PriceBook;
  readonly region: Region;
  readonly sold: readonly Offer[];
}

export interface Asked {
  readonly need: Need;
  /** Names of the other provider that say nothing here. */
  readonly dropped: readonly string[];
  readonly counted: { readonly from: string; readonly to: string } | null;
}

/** A need as it can be asked of any provider: families are names of one. */
export function portable({ family, processor, ...need }: Need, { sameProcessor = true }: MoveWishes): Asked {
  const asked = processor && sameProcessor ? { ...need, processor } : need;
  return { need: asked, dropped: family ? [family] : [], counted: null };
}

/** The need that a fixed size satisfies. */
export function needOf(
  offer: Offer,
  component: Component,
  { sold }: There,
  { sameProcessor }: MoveWishes,
): Asked {
  const inCores = (each: Offer): boolean => each.attributes?.['vcpu-is'] === 'core';
  const mixed = inCores(offer) || sold.some(inCores);
  const threads = threadsOf(offer).toString();
  const need: Need = {
    vcpu: mixed ? threads : offer.vcpu!.toString(),
    memory: offer.memory!.toString(),
    ...(mixed ? { countedIn: 'thread' as const } : {}),
    ...(sameProcessor && offer.processor ? { processor: offer.processor } : {}),
    ...(offer.burstable ? { allowBurstable: true } : {}),
    ...(offer.gpu ? { gpu: offer.gpu.toString() } : {}),
    ...attributesOf(offer),
  };
  const other = sold.some((each) => inCores(each) !== inCores(offer));
  const counted = mixed && other ? { from: offer.vcpu!.toString(), to: threads } : null;
  return { need, dropped: [], counted };
}

function attributesOf(offer: Offer): Pick<Need, 'attributes'> {
  const attributes = meaningOf(offer);
  return Object.keys(attributes).length > 0 ? { attributes } : {};
}

/** Bringing licences is asked for by the licences that are brought. */
export function canDo({ capabilities = [] }: Offer): string[] {
  return capabilities.filter((each) => each !== 'bring-licence');
}

export function lackingOf(source: Offer, offer: Offer): string[] {
  return canDo(source).filter((each) => !offer.capabilities?.includes(each));
}

export function stepNote({ attribute, wanted, got }: Step, offer: Offer): Issue {
  const values = { what: attribute, wanted, offer: offer.name };
  return got === null
    ? issue('move.not-said', ['choice'], values)
    : issue('move.better', ['choice'], { ...values, got });
}

export function sizeNote(from: FreeSize, to: FreeSize): Issue | null {
  const words = ({ vcpu, memory }: FreeSize): string => `${vcpu.likely} vCPU and ${memory.likely} GiB`;
  return words(from) === words(to)
    ? null
    : issue('move.size', ['size'], { from: words(from), to: words(to) });
}

/** Quantities that count what a provider made up: units of one are not those of another. */
export function ownUnits({ kind, place }: Component, source: Offer, { book }: There): Issue | null {
  if (place?.book === book.key || !source.attributes?.['units-per-hour']) return null;
  const meter = kindOf(kind).meters.find(({ from }) => from === 'running');
  if (!meter) return null;
  const values = { meter: meter.label, from: source.name, to: book.title };
  return issue('move.own-units', ['usage', meter.meter], values);
}

export function largest({ likely, heavy }: { readonly likely: string; readonly heavy?: string }): string {
  return heavy !== undefined && decimal(heavy).greaterThan(likely) ? heavy : likely;
}
