/** Things of a study: added with sensible numbers, renamed, taken out. Waves and variants let go of what is gone. */
import {
  type Contract,
  type Hardware,
  type OwnedLicence,
  type RentedExtra,
  type Study,
  type StudyPart,
  usual,
  type Wave,
} from '@/features/own-or-rent/calc';

/** The first free id of a kind: `host-2`. */
export function freeId(wanted: string, taken: Iterable<string>): string {
  const known = new Set(taken);
  if (!known.has(wanted)) return wanted;
  for (let number = 2; ; number += 1) if (!known.has(`${wanted}-${number}`)) return `${wanted}-${number}`;
}

const ids = (things: readonly { readonly id: string }[]): string[] => things.map(({ id }) => id);

export const ADDABLE = {
  part: 'Part of the work',
  hardware: 'Hardware',
  contract: 'Contract',
  licence: 'Licence',
  extra: 'Monthly cost where it is rented',
  wave: 'Wave of the move',
} as const;
export type Addable = keyof typeof ADDABLE;

export function added(study: Study, what: Addable): Study {
  switch (what) {
    case 'part': {
      const part: StudyPart = { id: freeId('part', ids(study.parts)), name: 'New part', ...usual('parts') };
      const targets = study.targets.map((target) => ({
        ...target,
        parts: { ...target.parts, [part.id]: usual('rented') },
      }));
      return { ...study, parts: [...study.parts, part], targets };
    }
    case 'hardware': {
      const hardware: Hardware = {
        id: freeId('hardware', ids(study.hardware)),
        name: 'New hardware',
        sort: 'hardware',
        follows: 'nothing',
        ...usual('hardware'),
      };
      return { ...study, hardware: [...study.hardware, hardware] };
    }
    case 'contract': {
      const contract: Contract = {
        id: freeId('contract', ids(study.contracts)),
        name: 'New contract',
        kind: 'site',
        ...usual('contracts'),
      };
      return { ...study, contracts: [...study.contracts, contract] };
    }
    case 'licence': {
      const licence: OwnedLicence = {
        id: freeId('licence', ids(study.licences)),
        name: 'New licence',
        per: 'machine',
        ...usual('licences'),
      };
      return { ...study, licences: [...study.licences, licence] };
    }
    case 'extra': {
      const targets = study.targets.map((target) => {
        const extra: RentedExtra = {
          id: freeId('cost', ids(target.extras)),
          name: 'New monthly cost',
          kind: 'network',
          ...usual('extras'),
        };
        return { ...target, extras: [...target.extras, extra] };
      });
      return { ...study, targets };
    }
    case 'wave': {
      const moved = new Set(study.waves.flatMap(({ parts }) => parts));
      const wave: Wave = {
        id: freeId('wave', ids(study.waves)),
        name: 'New wave',
        parts: study.parts.filter(({ id }) => !moved.has(id)).map(({ id }) => id),
        ...usual('waves'),
      };
      return { ...study, waves: [...study.waves, wave] };
    }
  }
}

/** The lists whose things may be renamed and taken out: `hardware/hosts`. */
export function renamed(study: Study, path: string, name: string): Study {
  return changed(study, path, (thing) => ({ ...thing, name }));
}

type Named = { readonly id: string; readonly name: string };

/** A thing by its path with something else in it. */
export function changed<T extends Named>(study: Study, path: string, change: (thing: T) => T): Study {
  const [list, id, inner, innerId] = path.split('/') as [keyof Study, string, string?, string?];
  const things = study[list] as unknown as readonly T[];
  return {
    ...study,
    [list]: things.map((thing) => {
      if (thing.id !== id) return thing;
      if (inner !== 'extras') return change(thing);
      const own = (thing as unknown as { readonly extras: readonly T[] }).extras;
      return { ...thing, extras: own.map((each) => (each.id === innerId ? change(each) : each)) };
    }),
  };
}

/** Null: it cannot be taken out by itself. */
export function without(study: Study, path: string): Study | null {
  const [list, id, inner, innerId] = path.split('/') as [string, string, string?, string?];
  if (list === 'parts') {
    return {
      ...study,
      parts: study.parts.filter((each) => each.id !== id),
      waves: study.waves.map((wave) => ({ ...wave, parts: wave.parts.filter((each) => each !== id) })),
      variants: study.variants.map((each) => ({ ...each, stays: each.stays.filter((part) => part !== id) })),
      targets: study.targets.map((target) => ({
        ...target,
        parts: Object.fromEntries(Object.entries(target.parts).filter(([part]) => part !== id)),
      })),
    };
  }
  if (list === 'hardware' || list === 'contracts' || list === 'licences' || list === 'waves') {
    const things = study[list] as readonly Named[];
    const left = { ...study, [list]: things.filter((each) => each.id !== id) } as Study;
    if (list !== 'hardware') return left;
    // What followed it stays as many as it is.
    return {
      ...left,
      hardware: left.hardware.map((each) => (each.follows === id ? { ...each, follows: 'nothing' } : each)),
    };
  }
  if (list === 'targets' && inner === 'extras')
    return {
      ...study,
      targets: study.targets.map((target) =>
        target.id === id
          ? { ...target, extras: target.extras.filter((each) => each.id !== innerId) }
          : target,
      ),
    };
  return null;
}
