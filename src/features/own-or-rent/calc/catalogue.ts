/**
 * Every assumption there is: its unit, the default, the least and most that make sense, where such a number comes from,
 * and, where it is a judgement and no fact, the value at which it favours neither side. Needs N2, openings 31 and 32.
 */

export type Neutral =
  | string
  /** The value of another general assumption. */
  | { readonly as: string };

export interface Field {
  readonly label: string;
  /** `percent`, `years`, `months`, a plain word, or with `money` the currency of the study. */
  readonly unit: string;
  readonly default: string;
  readonly least: string;
  readonly most: string;
  readonly whole?: true;
  /** Counted, not believed: nobody asks at how many machines the answer would turn. */
  readonly fact?: true;
  readonly source: string;
  readonly neutral?: Neutral;
}

const share = (label: string, value: string, source: string, more: Partial<Field> = {}): Field => ({
  label,
  unit: 'percent',
  default: value,
  least: '0',
  most: '100',
  source,
  ...more,
});
const trend = (label: string, value: string, source: string): Field =>
  share(label, value, source, { unit: 'percent a year', least: '-50', most: '100', neutral: '0' });
const cost = (
  label: string,
  unit: string,
  value: string,
  source: string,
  more: Partial<Field> = {},
): Field => ({
  label,
  unit,
  default: value,
  least: '0',
  most: '1000000000',
  source,
  ...more,
});
const count = (label: string, unit: string, value: string, most: string, source: string): Field => ({
  label,
  unit,
  default: value,
  least: '0',
  most,
  source,
});

const counted = (field: Field): Field => ({ ...field, whole: true, fact: true });

/** By group, in the order in which they are read; `label` stands alone. */
export const GENERAL = {
  growth: trend('Growth of machines', '5', 'The last three years of the inventory; what the business plans.'),
  growthStored: trend('Growth of stored data', '10', 'Used volume of the array a year ago against now.'),
  inflationPower: trend(
    'Inflation of power',
    '3',
    'The tariff of the last contracts; the statistics office.',
  ),
  inflationPeople: trend('Inflation of pay', '3', 'The last pay rounds.'),
  inflationLicences: trend('Inflation of licences', '4', 'The last renewals of upkeep.'),
  inflationOther: trend('Inflation of site and contracts', '2', 'Index clauses of the lease and the lines.'),
  trendHardware: trend('Price trend of hardware', '0', 'Two quotations for the same thing, years apart.'),
  trendRent: trend('Price trend of renting', '0', 'Two revisions of the price book, a year apart.'),
  discount: {
    ...trend('Discount rate', '6', 'What the finance department reckons with for money tied up.'),
    least: '0',
  },
  taxRate: share('Tax on profit', '25', 'The finance department.', { most: '90' }),
  utilisation: {
    ...share('Power drawn of what plates say', '60', 'The meter of the racks over the sum of plates.'),
  },
  pue: {
    label: 'Power of the site over power of the machines (PUE)',
    unit: 'times',
    default: '1.6',
    least: '1',
    most: '4',
    source: 'The site’s meter over the racks’ meter; small rooms are at 1.6 to 2.',
  },
  tariff: cost('Tariff of power', 'money a kWh', '0.2', 'The power bill, fees included.', { most: '10' }),
  heights: {
    ...count('Height units that a rack takes', 'units', '36', '60', 'Racks have 42; some stay free.'),
    least: '1',
  },
  rack: cost('A rack with its floor and cooling', 'money a month', '350', 'Cost of the room over its racks.'),
  hoursOwned: count(
    'Work on an owned machine',
    'hours a month',
    '1.5',
    '200',
    'Tickets and hours of the team over its machines, hardware and virtualisation included.',
  ),
  hoursRented: {
    ...count(
      'Work on a rented machine',
      'hours a month',
      '1.2',
      '200',
      'What is left when nobody looks after hardware: systems, data, access, cost.',
    ),
    neutral: { as: 'hoursOwned' },
  } as Field,
  hourCost: cost('An hour of the team', 'money an hour', '55', 'Pay with all on-costs over hours worked.', {
    most: '10000',
  }),
  postsOwned: count('Full posts for the owned site', 'posts', '0', '1000', 'Who is there whatever runs.'),
  postsRented: {
    ...count(
      'Full posts for what is rented',
      'posts',
      '0',
      '1000',
      'Who looks after the platform and its cost.',
    ),
    neutral: { as: 'postsOwned' },
  } as Field,
  postCost: cost('A full post', 'money a year', '80000', 'Pay with all on-costs.'),
  backup: share(
    'Backup over stored data',
    '25',
    'Tapes, second copies and their upkeep over the array’s cost.',
    {
      most: '500',
    },
  ),
  secondSite: share('Second site over the first', '0', 'What stands in the second room over the first.', {
    most: '200',
  }),
  resale: share('What early sold hardware brings', '30', 'Of its book value; brokers’ offers.', {
    neutral: '100',
  }),
  preparation: {
    ...count(
      'Preparation before the first wave',
      'months',
      '3',
      '36',
      'Contracts, network, access, a first try.',
    ),
    whole: true,
  } as Field,
  moveHours: count(
    'Work to move a machine',
    'hours',
    '8',
    '1000',
    'A trial wave; simple ones 2, odd ones 40.',
  ),
  moveHourCost: cost('An hour of moving', 'money an hour', '85', 'Offers of helpers; own people cost less.', {
    most: '10000',
  }),
  moveTools: cost('Tools for the move', 'money once', '5000', 'Offers.'),
  training: cost('Training', 'money once', '15000', 'Days × people × price of a day.'),
  transferOut: cost('Copying data out', 'money a TB', '5', 'Extra line or carrier; work with disks.'),
  transferIn: cost('Copying data in', 'money a TB', '0', 'The price book: often free.'),
} as const satisfies Record<string, Field>;

export type GeneralId = keyof typeof GENERAL;

/** Fields of things, by the list that they stand in. */
export const FIELDS = {
  parts: {
    machines: counted(count('Machines', 'machines', '10', '1000000', 'The inventory.')),
    stored: {
      ...count('Stored data', 'TB', '5', '10000000', 'Used volume of the inventory.'),
      fact: true,
    } as Field,
  },
  hardware: {
    count: counted(count('How many', '', '1', '1000000', 'The asset list.')),
    price: cost('Price of one, new', 'money', '9000', 'The last quotation.'),
    age: { ...count('Age', 'years', '2', '30', 'The asset list.'), fact: true } as Field,
    refresh: {
      ...count('Replaced after', 'years', '5', '30', 'When its warranty ends, or what is really done.'),
      least: '0.5',
    },
    maintenance: share('Maintenance a year', '8', 'The maintenance contract over the price.'),
    residual: share('Worth when replaced', '5', 'Brokers’ offers for its kind.'),
    watts: count('Power on its plate', 'W', '500', '100000', 'The plate or the data sheet.'),
    heights: count('Height', 'units', '2', '60', 'The data sheet.'),
    cores: counted(count('Cores', 'cores', '32', '100000', 'The data sheet.')),
    carries: {
      ...count(
        'What one carries',
        '',
        '15',
        '1000000',
        'What runs on one at its busiest, with one to spare.',
      ),
      least: '0.001',
    },
  },
  contracts: {
    monthly: cost('A month', 'money a month', '500', 'The contract.'),
    until: {
      ...count('Runs in any case', 'months', '12', '240', 'Its term and notice.'),
      whole: true,
    } as Field,
  },
  licences: {
    price: cost('One more', 'money once', '0', 'The last quotation.'),
    yearly: cost('Upkeep of one', 'money a year', '100', 'The last renewal.'),
  },
  rented: {
    compute: cost('Compute', 'money a month', '0', 'The placement or the design.'),
    storage: cost('Storage', 'money a month', '0', 'The placement or the design.'),
    transfer: cost('Transfer', 'money a month', '0', 'The placement or the design.'),
    licences: cost('Licences', 'money a month', '0', 'The placement or the design.'),
  },
  extras: { monthly: cost('A month', 'money a month', '500', 'A design, or the price book.') },
  targets: {
    term: {
      ...count('Commitment', 'months', '0', '60', 'The placement’s way of paying.'),
      whole: true,
    } as Field,
    ahead: share('Of it paid at its beginning', '0', 'The placement’s way of paying.'),
    uncommitted: share('More without commitment', '0', 'The same placement on demand.', { most: '1000' }),
  },
  waves: {
    from: { ...count('Begins after', 'months', '3', '84', 'The plan of the move.'), whole: true } as Field,
    ramp: {
      ...count('Moves within', 'months', '2', '84', 'Machines a month that the team can move.'),
      whole: true,
    } as Field,
    beside: {
      ...count('Both sides run for', 'months', '1', '84', 'How long the way back is kept open.'),
      whole: true,
    } as Field,
  },
  variants: {
    delay: { ...count('Later by', 'months', '0', '84', 'A choice.'), whole: true } as Field,
  },
} as const satisfies Record<string, Record<string, Field>>;

export type FieldList = keyof typeof FIELDS;
