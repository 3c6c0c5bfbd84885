/** An agreement while it is typed: texts that are read together, and what may be chosen for it. */
import { KINDS, licenceMeter, type MeterDefinition, meterOfKind } from '@/engine/books';
import { allComponents, type Design } from '@/engine/design';
import { sentenceFor } from '@/platform/words';
import type { Agreement, Covers, Term } from '@/engine/terms';
import { UNIT_CODES, unitOf } from '@/engine/units';
import { readTiers, tiersText } from '../cells/charge-text';
import { percentText, readPercent } from '../cells/percent-text';
import type { BookInfo } from '../book-list';
import { readNumber } from '../cells/number-text';

/** What may be negotiated. */
export const AGREED = [
  ['share', 'a percentage off the list'],
  ['price', 'a price of one meter'],
  ['tiers', 'a price of one meter, in tiers'],
  ['nothing', 'no price: only a margin on top'],
] as const;
type Agreed = (typeof AGREED)[number][0];

export interface AgreementDraft {
  readonly name: string;
  readonly covers: Covers;
  readonly by: Agreed;
  readonly discount: string;
  readonly meter: string;
  readonly price: string;
  readonly tiers: string;
  /** Empty: the unit of the price list. */
  readonly unit: string;
  readonly term: Term;
  readonly margin: string;
  readonly from: string;
  readonly to: string;
}

export const EVERYTHING: Covers = { books: [], categories: [], kinds: [], skus: [] };

export const EMPTY_DRAFT: AgreementDraft = {
  name: '',
  covers: EVERYTHING,
  by: 'share',
  discount: '',
  meter: '',
  price: '',
  tiers: '',
  unit: '',
  term: 'on-demand',
  margin: '',
  from: '',
  to: '',
};

/** Nothing is no percentage. */
const percentOf = (share: string | null): string =>
  share === null || Number(share) === 0 ? '' : percentText(share);

export function draftOf({ name, covers, discount, margin, from, to }: Agreement): AgreementDraft {
  const typed = { ...EMPTY_DRAFT, name, covers, margin: percentOf(margin), from: from ?? '', to: to ?? '' };
  if (!discount) return { ...typed, by: 'nothing' };
  if (discount.by === 'share') return { ...typed, discount: percentOf(discount.share) };
  const { by, meter, unit = '', term = 'on-demand' } = discount;
  const priced = { ...typed, by, meter, unit, term };
  return discount.by === 'price'
    ? { ...priced, price: discount.price }
    : { ...priced, tiers: tiersText({ structure: 'graduated', tiers: discount.tiers }) };
}

/** The agreement that was typed, or the sentence that says what it lacks. */
export function readDraft(draft: AgreementDraft, id: string): Agreement | string {
  const { name, covers, from, to } = draft;
  if (name.trim() === '') return 'An agreement needs a name.';
  const margin = readPercent(draft.margin || '0');
  if (!margin.ok) return 'A margin is a percentage, zero or more.';
  if (from && to && to < from) return 'It ends before it begins.';
  const discount = readDiscount(draft);
  if (typeof discount === 'string') return discount;
  const sold = Number(margin.value) === 0 ? null : margin.value;
  if (!discount && !sold) {
    return draft.by === 'nothing' ? 'Enter a margin, or what was agreed.' : 'Enter a discount or a margin.';
  }
  return { id, name: name.trim(), covers, from: from || null, to: to || null, discount, margin: sold };
}

function readDiscount(draft: AgreementDraft): Agreement['discount'] | string {
  const { by, meter, unit, term } = draft;
  if (by === 'nothing') return null;
  if (by === 'share') {
    const share = readPercent(draft.discount || '0', 100);
    if (!share.ok) return 'A discount is a percentage from 0 to 100.';
    return Number(share.value) === 0 ? null : { by, share: share.value };
  }
  if (meter === '') return 'Choose the meter that the price is of.';
  const fixed = { meter, ...(unit && { unit }), ...(term !== 'on-demand' && { term }) };
  if (by === 'price') {
    const price = readNumber(draft.price);
    return price.ok ? { by, price: price.value, ...fixed } : `The price: ${sentenceFor(price.issue)}`;
  }
  const tiers = readTiers(draft.tiers, 'graduated');
  return tiers.ok ? { by, tiers: tiers.value.tiers, ...fixed } : `The tiers: ${sentenceFor(tiers.issue)}`;
}

export interface CoverChoice {
  readonly label: string;
  readonly covers: Covers;
}

/** Everything, a provider, a category, a kind, or an offer that this design uses. */
export function coverChoices(design: Design, bookList: readonly BookInfo[]): CoverChoice[] {
  const categories = [...new Set(KINDS.map((kind) => kind.serviceCategory))].sort();
  const skus = allComponents(design).flatMap(({ choice }) => (choice.by === 'sku' ? [choice.sku] : []));
  const only = (label: string, part: Partial<Covers>): CoverChoice => ({
    label,
    covers: { ...EVERYTHING, ...part },
  });
  return [
    only('everything', {}),
    ...bookList.map(({ key, title }) => only(title, { books: [key] })),
    ...categories.map((category) => only(`category ${category}`, { categories: [category] })),
    ...KINDS.map(({ kind, label }) => only(`kind ${label}`, { kinds: [kind] })),
    ...[...new Set(skus)].sort().map((sku) => only(`offer ${sku}`, { skus: [sku] })),
  ];
}

/** The meters of what is covered; of everything: those of the kinds in the design. Each code once. */
export function coveredMeters(design: Design, { kinds, categories, skus }: Covers): MeterDefinition[] {
  const used = allComponents(design);
  const ofOffers = used.filter(({ choice }) => choice.by === 'sku' && skus.includes(choice.sku));
  const codes = new Set<string>([...kinds, ...ofOffers.map((each) => each.kind)]);
  const isNarrow = codes.size > 0 || categories.length > 0;
  const inDesign = new Set<string>(used.map((each) => each.kind));
  const covered = KINDS.filter((each) =>
    isNarrow
      ? codes.has(each.kind) || categories.includes(each.serviceCategory)
      : inDesign.size === 0 || inDesign.has(each.kind),
  );
  const licences = used.flatMap(({ kind, licences: chosen }) =>
    covered.some((each) => each.kind === kind)
      ? (chosen ?? []).flatMap(({ product }) => meterOfKind(kind, licenceMeter(product)) ?? [])
      : [],
  );
  const all = [...covered.flatMap((each) => each.meters), ...licences];
  return [...new Map(all.map((meter) => [meter.meter, meter])).values()];
}

/** The units that a price of the meter can be per: those of its dimension, held or running for a time included. */
export function priceUnits(meter: MeterDefinition | undefined): readonly string[] {
  if (!meter) return UNIT_CODES;
  const entered = unitOf(meter.enteredIn);
  if (!entered.ok) return UNIT_CODES;
  const { dimension } = entered.value;
  const fitting =
    meter.from === 'running' || meter.from === 'capacity'
      ? /-time$|^time$/
      : meter.from === 'held'
        ? new RegExp(`^${dimension}-month$`)
        : new RegExp(`^${dimension}$`);
  const units = UNIT_CODES.filter((code) => {
    const unit = unitOf(code);
    return unit.ok && fitting.test(unit.value.dimension);
  });
  return units.length > 0 ? units : UNIT_CODES;
}
