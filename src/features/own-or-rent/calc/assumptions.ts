/** Every assumption of a study under an id of its own, and the study with another value for one. Needs N2, U1, U4. */
import { type Field, type FieldList, FIELDS, GENERAL, type GeneralId } from './catalogue';
import type { Guess, Study } from './model';

export interface Assumption {
  /** `general/pue`, `hardware/hosts/price`, `targets/t/parts/web/compute`. */
  readonly id: string;
  /** Which page of the study it stands on. */
  readonly group: 'work' | 'owned' | 'rented' | 'move' | 'both';
  /** Of what: “Hosts”; empty for general ones. */
  readonly of: string;
  readonly field: Field;
  readonly value: Guess;
}

const GROUPS: Readonly<Record<GeneralId, Assumption['group']>> = {
  growth: 'both',
  growthStored: 'both',
  inflationPower: 'both',
  inflationPeople: 'both',
  inflationLicences: 'both',
  inflationOther: 'both',
  trendHardware: 'both',
  trendRent: 'both',
  discount: 'both',
  taxRate: 'both',
  utilisation: 'owned',
  pue: 'owned',
  tariff: 'owned',
  heights: 'owned',
  rack: 'owned',
  hoursOwned: 'owned',
  hoursRented: 'rented',
  hourCost: 'both',
  postsOwned: 'owned',
  postsRented: 'rented',
  postCost: 'both',
  backup: 'owned',
  secondSite: 'owned',
  resale: 'owned',
  preparation: 'move',
  moveHours: 'move',
  moveHourCost: 'move',
  moveTools: 'move',
  training: 'move',
  transferOut: 'move',
  transferIn: 'move',
};

/** Calls back for every assumption, in the order of the study. */
export interface Visitor<T> {
  (id: string, field: Field, value: Guess, of: string, group: Assumption['group']): T;
}

/** A study with each guess as something else. */
export interface Filled<T> {
  readonly general: Readonly<Record<GeneralId, T>>;
  readonly parts: readonly Readonly<Record<'machines' | 'stored', T>>[];
  readonly hardware: readonly Readonly<Record<keyof (typeof FIELDS)['hardware'], T>>[];
  readonly contracts: readonly Readonly<Record<'monthly' | 'until', T>>[];
  readonly licences: readonly Readonly<Record<'price' | 'yearly', T>>[];
  readonly targets: readonly {
    readonly own: Readonly<Record<'term' | 'ahead' | 'uncommitted', T>>;
    /** In the order of the parts; null: it has no amounts for it. */
    readonly parts: readonly (Readonly<Record<keyof (typeof FIELDS)['rented'], T>> | null)[];
    readonly extras: readonly T[];
  }[];
  readonly waves: readonly Readonly<Record<'from' | 'ramp' | 'beside', T>>[];
  readonly variants: readonly { readonly delay: T }[];
}

const ENTRIES = Object.fromEntries(
  Object.entries(FIELDS).map(([list, fields]) => [list, Object.entries(fields)]),
) as unknown as Readonly<Record<FieldList, readonly (readonly [string, Field])[]>>;
const GENERAL_ENTRIES = Object.entries(GENERAL) as readonly (readonly [GeneralId, Field])[];

/** Always in the same order. */
export function filled<T>(study: Study, visit: Visitor<T>): Filled<T> {
  const fields = <L extends FieldList>(
    list: L,
    path: string,
    from: object,
    of: string,
    group: Assumption['group'],
  ) => {
    const values = from as Readonly<Record<string, Guess>>;
    const read: Record<string, T> = {};
    for (const [name, field] of ENTRIES[list])
      read[name] = visit(`${path}/${name}`, field, values[name] ?? { likely: field.default }, of, group);
    return read as Record<keyof (typeof FIELDS)[L], T>;
  };
  const general = {} as Record<GeneralId, T>;
  for (const [id, field] of GENERAL_ENTRIES) {
    general[id] = visit(
      `general/${id}`,
      field,
      study.general[id] ?? { likely: field.default },
      '',
      GROUPS[id],
    );
  }
  return {
    general,
    parts: study.parts.map((each) => fields('parts', `parts/${each.id}`, each, each.name, 'work')),
    hardware: study.hardware.map((each) =>
      fields('hardware', `hardware/${each.id}`, each, each.name, 'owned'),
    ),
    contracts: study.contracts.map((each) =>
      fields('contracts', `contracts/${each.id}`, each, each.name, 'owned'),
    ),
    licences: study.licences.map((each) =>
      fields('licences', `licences/${each.id}`, each, each.name, 'owned'),
    ),
    targets: study.targets.map((target) => ({
      own: fields('targets', `targets/${target.id}`, target, target.name, 'rented'),
      parts: study.parts.map(({ id, name }) =>
        Object.hasOwn(target.parts, id)
          ? fields(
              'rented',
              `targets/${target.id}/parts/${id}`,
              target.parts[id]!,
              `${name}, ${target.name}`,
              'rented',
            )
          : null,
      ),
      extras: target.extras.map((extra) => {
        const of = `${extra.name}, ${target.name}`;
        return fields('extras', `targets/${target.id}/extras/${extra.id}`, extra, of, 'rented').monthly;
      }),
    })),
    waves: study.waves.map((each) => fields('waves', `waves/${each.id}`, each, each.name, 'move')),
    variants: study.variants.map((each) =>
      fields('variants', `variants/${each.id}`, each, each.name, 'move'),
    ),
  };
}

/**
 * Every assumption, in the order of the study.
 *
 * @example
 * assumptionsOf(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))[0]!.id; // => 'general/growth'
 */
export function assumptionsOf(study: Study): Assumption[] {
  const all: Assumption[] = [];
  filled(study, (id, field, value, of, group) => all.push({ id, group, of, field, value }));
  return all;
}

/**
 * The study with another value for one assumption. An id that it does not have changes nothing.
 *
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * withGuess(study, 'general/pue', { likely: '1.3' }).general.pue; // => { likely: '1.3' }
 */
export function withGuess(study: Study, id: string, value: Guess): Study {
  return withGuesses(study, new Map([[id, value]]));
}

/**
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * withGuesses(study, new Map([['general/backup', { likely: '0' }]])).general.backup; // => { likely: '0' }
 */
export function withGuesses(study: Study, values: ReadonlyMap<string, Guess>): Study {
  const put = <E extends { readonly id: string }>(path: string, list: FieldList, items: readonly E[]): E[] =>
    items.map((item) => putInto(item, `${path}/${item.id}`, list, values));
  const general: Record<string, Guess> = { ...study.general };
  for (const id of Object.keys(GENERAL)) {
    const value = values.get(`general/${id}`);
    if (value) general[id] = value;
  }
  return {
    ...study,
    general,
    parts: put('parts', 'parts', study.parts),
    hardware: put('hardware', 'hardware', study.hardware),
    contracts: put('contracts', 'contracts', study.contracts),
    licences: put('licences', 'licences', study.licences),
    targets: put('targets', 'targets', study.targets).map((target) => ({
      ...target,
      parts: Object.fromEntries(
        Object.entries(target.parts).map(([id, part]) => [
          id,
          putInto(part, `targets/${target.id}/parts/${id}`, 'rented', values),
        ]),
      ),
      extras: put(`targets/${target.id}/extras`, 'extras', target.extras),
    })),
    waves: put('waves', 'waves', study.waves),
    variants: put('variants', 'variants', study.variants),
  };
}

function putInto<E>(item: E, path: string, list: FieldList, values: ReadonlyMap<string, Guess>): E {
  let made = item;
  for (const name of Object.keys(FIELDS[list])) {
    const value = values.get(`${path}/${name}`);
    if (value) made = { ...made, [name]: value };
  }
  return made;
}
