/** What is wrong with a study, at the field it is wrong at: what cannot be calculated, and what is missing from the sum. */
import { decimal, DECIMAL_TEXT } from '@/engine/base';
import { assumptionsOf, type Assumption } from './assumptions';
import { GENERAL } from './catalogue';
import type { Guess, Study, Variant } from './model';
import { inOrder } from './owned-flow';

type TroubleCode =
  | 'not-a-number'
  | 'below'
  | 'above'
  | 'not-whole'
  | 'order'
  | 'wave-before-preparation'
  | 'off-before-moved'
  | 'horizon-too-short'
  | 'follows-in-a-circle'
  | 'follows-unknown'
  | 'part-unknown'
  | 'part-in-two-waves'
  | 'wave-without-parts'
  | 'nothing-moves'
  | 'target-unknown'
  | 'variant-unknown'
  | 'years'
  | 'start'
  | 'id-twice'
  | 'no-parts'
  | 'no-amounts'
  | 'not-rented-yet';

export interface StudyTrouble {
  /** The id of an assumption, or the path of a thing: `waves/first`. */
  readonly at: string;
  readonly code: TroubleCode;
  /** Nothing can be calculated; else the sum lacks something. */
  readonly stops: boolean;
  readonly values: Readonly<Record<string, string>>;
}

/**
 * Everything that is wrong, in the order of the study. Nothing that stops: it can be calculated.
 *
 * @example
 * studyTroubles(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))[0]!.code; // => 'no-parts'
 */
export function studyTroubles(study: Study): StudyTrouble[] {
  const ofFields = assumptionsOf(study).flatMap(ofAssumption);
  const ofThings = [...head(study), ...things(study)];
  // Dates are held against one another only where each is a date.
  const isSound = ![...ofFields, ...ofThings].some(({ stops }) => stops);
  return [...ofFields, ...ofThings, ...(isSound ? [...dates(study), ...missing(study)] : [])];
}

const trouble = (
  at: string,
  code: TroubleCode,
  values: Readonly<Record<string, string>> = {},
  stops = true,
): StudyTrouble => ({ at, code, values, stops });

function ofAssumption({ id, field, value, of }: Assumption): StudyTrouble[] {
  const named = { field: field.label, of };
  const said = (['lean', 'likely', 'heavy'] as const).flatMap((which) => value[which] ?? []);
  if (said.some((text) => !DECIMAL_TEXT.test(text))) return [trouble(id, 'not-a-number', named)];
  const numbers = said.map((text) => decimal(text));
  // Switched off before it is moved: more than "below nought".
  const isEarly = id.startsWith('waves/') && id.endsWith('/beside');
  if (numbers.some((each) => each.lessThan(field.least)))
    return [trouble(id, isEarly ? 'off-before-moved' : 'below', { ...named, least: field.least })];
  if (numbers.some((each) => each.greaterThan(field.most)))
    return [trouble(id, 'above', { ...named, most: field.most })];
  if (field.whole && numbers.some((each) => !each.isInteger())) return [trouble(id, 'not-whole', named)];
  return isOrdered(value) ? [] : [trouble(id, 'order', named)];
}

/** Lean, likely, heavy: the lower end, what is thought, the upper end. */
function isOrdered({ likely, lean = likely, heavy = likely }: Guess): boolean {
  return decimal(lean).lessThanOrEqualTo(likely) && decimal(likely).lessThanOrEqualTo(heavy);
}

function head({ years, start, against, variants, parts }: Study): StudyTrouble[] {
  const known = new Set(variants.map(({ id }) => id));
  return [
    ...(Number.isInteger(years) && years >= 3 && years <= 7 ? [] : [trouble('years', 'years')]),
    ...(/^\d{4}-(0[1-9]|1[0-2])$/.test(start) ? [] : [trouble('start', 'start')]),
    ...against.filter((id) => !known.has(id)).map((id) => trouble('against', 'variant-unknown', { id })),
    ...(parts.length === 0 ? [trouble('parts', 'no-parts', {}, false)] : []),
  ];
}

function things(study: Study): StudyTrouble[] {
  const { parts, hardware, contracts, licences, targets, waves, variants } = study;
  const lists = { parts, hardware, contracts, licences, targets, waves, variants };
  const twice = Object.entries(lists).flatMap(([list, items]) =>
    items.flatMap(({ id }: { readonly id: string }, at: number) =>
      items.findIndex((each) => each.id === id) < at ? [trouble(`${list}/${id}`, 'id-twice', { id })] : [],
    ),
  );
  const loads = new Set(['machines', 'terabytes', 'nothing', ...hardware.map(({ id }) => id)]);
  const ordered = new Set(inOrder(hardware));
  const follows = hardware.flatMap(({ id, name, follows: of }, at) => {
    if (!loads.has(of)) return [trouble(`hardware/${id}/follows`, 'follows-unknown', { of: name, id: of })];
    return ordered.has(at) ? [] : [trouble(`hardware/${id}/follows`, 'follows-in-a-circle', { of: name })];
  });
  const known = new Set(parts.map(({ id }) => id));
  const taken = new Map<string, string>();
  const ofWaves = waves.flatMap(({ id, name, parts: named }) => {
    const found = named.flatMap((part) => {
      if (!known.has(part)) return [trouble(`waves/${id}`, 'part-unknown', { of: name, id: part })];
      const other = taken.get(part);
      taken.set(part, name);
      return other === undefined
        ? []
        : [trouble(`waves/${id}`, 'part-in-two-waves', { of: name, other, id: part })];
    });
    return named.length === 0 ? [trouble(`waves/${id}`, 'wave-without-parts', { of: name }, false)] : found;
  });
  const places = new Set(targets.map(({ id }) => id));
  const ofVariants = variants.flatMap(({ id, name, target }) =>
    target === null || places.has(target)
      ? []
      : [trouble(`variants/${id}`, 'target-unknown', { of: name, id: target })],
  );
  return [...twice, ...follows, ...ofWaves, ...ofVariants];
}

/** Waves against the preparation, and the whole move against the horizon. */
function dates({ waves, general, variants, years }: Study): StudyTrouble[] {
  const preparation = Number((general.preparation ?? { likely: GENERAL.preparation.default }).likely);
  const early = waves.flatMap(({ id, name, from }) =>
    Number(from.likely) < preparation
      ? [
          trouble(`waves/${id}/from`, 'wave-before-preparation', {
            of: name,
            from: from.likely,
            preparation: String(preparation),
          }),
        ]
      : [],
  );
  const months = years * 12;
  const long = variants.flatMap(({ id, name, target, delay, stays }) => {
    if (target === null) return [];
    const ends = waves
      .filter(({ parts }) => parts.some((part) => !stays.includes(part)))
      .map(({ from, ramp, beside }) =>
        [delay, from, ramp, beside].reduce((sum, each) => sum + Number(each.likely), 0),
      );
    const needed = ends.reduce((most, each) => Math.max(most, each), 0);
    return needed > months
      ? [
          trouble(`variants/${id}/delay`, 'horizon-too-short', {
            of: name,
            months: String(months),
            needed: String(needed),
          }),
        ]
      : [];
  });
  return [...early, ...long];
}

/** What is not in the sum though it should be. */
function missing({ variants, targets, waves, parts }: Study): StudyTrouble[] {
  return variants.flatMap((variant): StudyTrouble[] => {
    const target = targets.find(({ id }) => id === variant.target);
    if (!target) return [];
    const moved = movedParts(variant, waves);
    if (moved.length === 0)
      return [trouble(`variants/${variant.id}`, 'nothing-moves', { of: variant.name }, false)];
    return moved.flatMap((id) => {
      const of = parts.find((part) => part.id === id)?.name ?? id;
      const where = { of, target: target.name };
      if (!Object.hasOwn(target.parts, id))
        return [trouble(`targets/${target.id}/parts/${id}`, 'not-rented-yet', where, false)];
      const { compute, storage, transfer, licences } = target.parts[id]!;
      return [compute, storage, transfer, licences].every(({ likely }) => Number(likely) === 0)
        ? [trouble(`targets/${target.id}/parts/${id}`, 'no-amounts', where, false)]
        : [];
    });
  });
}

/** Parts that a variant moves. */
function movedParts({ stays }: Variant, waves: Study['waves']): string[] {
  return [...new Set(waves.flatMap((wave) => wave.parts))].filter((id) => !stays.includes(id));
}
