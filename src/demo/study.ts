/** The demo's study: Harbour House kept, or at one of two places; its own side as the house has it. */
import { type Hardware, type Study, type Target, usual, type Variant } from '@/features/own-or-rent/calc';

/** Upkeep of what runs on the machines: owed wherever they run, unless the place sells it with them. */
const UPKEEP = { system: '26000', database: '18500' } as const;
const UPKEEP_A_MONTH = '3708.33';

/** The placements that are looked at: prices committed ahead, and hosts of one's own there. */
const TARGETS = ['ahead', 'hosts'] as const;

export function harbourStudy(proposed: Study): Study {
  const targets = proposed.targets
    .filter(({ id }) => TARGETS.some((each) => each === id))
    .map((target) => (target.id === 'hosts' ? withUpkeep(target) : target));
  return {
    ...proposed,
    title: 'Harbour House: keep it or leave it',
    years: 5,
    hardware: [...proposed.hardware.map(asInTheHouse), tapes()],
    contracts: [
      {
        id: 'lease',
        name: 'Lease of the server room',
        kind: 'site',
        ...usual('contracts', { monthly: '850', until: '18' }),
      },
      ...proposed.contracts,
      {
        id: 'tapes',
        name: 'Fetching of tapes',
        kind: 'storage',
        ...usual('contracts', { monthly: '280', until: '6' }),
      },
    ],
    licences: [
      ...proposed.licences,
      {
        id: 'system',
        name: 'Upkeep of systems',
        per: 'whole',
        ...usual('licences', { yearly: UPKEEP.system }),
      },
      {
        id: 'database',
        name: 'Upkeep of databases',
        per: 'whole',
        ...usual('licences', { yearly: UPKEEP.database }),
      },
    ],
    targets,
    variants: variantsOf(),
    against: ['keep', 'hosts'],
    general: {
      ...proposed.general,
      backup: { likely: '30', lean: '20', heavy: '40' },
      secondSite: { likely: '35', lean: '25', heavy: '60' },
      postsOwned: { likely: '0.6', lean: '0.4', heavy: '0.9' },
      postsRented: { likely: '0.3' },
      inflationPower: { likely: '3', lean: '1', heavy: '8' },
      trendRent: { likely: '0', lean: '-3', heavy: '4' },
    },
  };
}

function asInTheHouse(hardware: Hardware): Hardware {
  if (hardware.id === 'hosts')
    return { ...hardware, name: 'Hosts of three clusters', age: { likely: '3.5' } };
  return hardware.id === 'array'
    ? { ...hardware, age: { likely: '4' } }
    : { ...hardware, age: { likely: '5' } };
}

function tapes(): Hardware {
  return {
    id: 'library',
    name: 'Tape library',
    sort: 'storage',
    follows: 'nothing',
    ...usual('hardware', {
      count: '1',
      price: '24000',
      age: '6',
      refresh: '9',
      watts: '350',
      heights: '6',
      cores: '0',
      carries: '1',
    }),
  };
}

/** Licences that are brought are kept up by who brings them. */
function withUpkeep(target: Target): Target {
  const upkeep = {
    id: 'upkeep',
    name: 'Upkeep of brought licences',
    kind: 'licences' as const,
    ...usual('extras', { monthly: UPKEEP_A_MONTH }),
  };
  return { ...target, extras: [...target.extras, upkeep] };
}

function variantsOf(): Variant[] {
  const variant = (part: Partial<Variant> & Pick<Variant, 'id' | 'name' | 'target'>): Variant => ({
    stays: [],
    buying: 'due',
    ...usual('variants'),
    ...part,
  });
  return [
    variant({ id: 'keep', name: 'Keep Harbour House', target: null }),
    variant({ id: 'now', name: 'Keep it, all new at once', target: null, buying: 'now' }),
    variant({ id: 'ahead', name: 'Norvane, committed', target: 'ahead' }),
    variant({ id: 'hosts', name: 'Own hosts at Haldreach', target: 'hosts' }),
    variant({ id: 'part', name: 'Only the test systems', target: 'hosts', stays: ['live'] }),
    variant({ id: 'later', name: 'Haldreach, a year later', target: 'hosts', delay: { likely: '12' } }),
  ];
}
