/** Ways for a price book to be wrong, each with where the fault must be told and in which words. */
import type { PriceBookFile, RateRow } from '@/features/price-books/format/price-book-schema';
import { packed } from './streams';
import { wideBookFile } from './wide-book';

export type BadBook = readonly [name: string, data: string | Uint8Array, path: string, message: RegExp];

type Loose = Record<string, unknown>;

function where(file: PriceBookFile, sku: string, meter: string, term = 'on-demand'): number {
  const at = file.rates.findIndex((rate) => rate.sku === sku && rate.meter === meter && rate.term === term);
  if (at < 0) throw new Error(`the wide book has no ${sku} ${meter} ${term}`);
  return at;
}

const written = (file: unknown): string => JSON.stringify(file, null, 1);

/** The wide book with one rate changed. */
function rate(
  name: string,
  [sku, meter, term]: readonly [string, string, string?],
  change: (rate: Loose & { charge: Loose }) => void,
  path: string,
  message: RegExp,
): BadBook {
  const file = wideBookFile();
  const at = where(file, sku, meter, term);
  change(file.rates[at] as unknown as Loose & { charge: Loose });
  return [name, written(file), `rates[${at}]${path}`, message];
}

function offer(
  name: string,
  sku: string,
  change: (offer: Loose) => void,
  path: string,
  message: RegExp,
): BadBook {
  const file = wideBookFile();
  const at = file.offers.findIndex((each) => each.sku === sku);
  change(file.offers[at] as unknown as Loose);
  return [name, written(file), `offers[${at}]${path}`, message];
}

function book(name: string, change: (file: Loose) => unknown, path: string, message: RegExp): BadBook {
  const file = wideBookFile() as unknown as Loose;
  const changed = change(file);
  return [
    name,
    typeof changed === 'string' || changed instanceof Uint8Array ? changed : written(file),
    path,
    message,
  ];
}

const part = (file: Loose, key: string): Loose => file[key] as Loose;
const list = (file: Loose, key: string): Loose[] => file[key] as Loose[];
const tiersOf = (row: { charge: Loose }): Loose[] => row.charge.tiers as Loose[];
const LEAST = { each: null, count: null, total: null, keptDays: null };
const COMMITTED = ['S-4', 'running', '12-none'] as const;
const SPENT = ['S-4', 'running', 'spend-12-none'] as const;

/** What a rate may say elsewhere and what would mean nothing here: refused, not ignored. */
const NO_MEANING: readonly BadBook[] = (
  [
    [
      'increments on what is held',
      ['VOL', 'capacity'],
      { increment: { step: '1', unit: 'second', least: null } },
      '.increment',
      /neither/,
    ],
    [
      'increments on what is no event',
      ['OUT', 'transferred'],
      { increment: { step: '1', unit: 'KiB', least: null } },
      '.increment',
      /neither/,
    ],
    [
      'a size of a run',
      ['S-4', 'running'],
      { increment: { step: '1', unit: 'KiB', least: null } },
      '.increment.unit',
      /has a time/,
    ],
    [
      'sustained use of what is held',
      ['VOL', 'capacity'],
      { sustained: [{ upTo: '1', multiplier: '1' }] },
      '.sustained',
      /running time/,
    ],
    [
      'sustained use of what is committed',
      COMMITTED,
      { sustained: [{ upTo: '1', multiplier: '1' }] },
      '.sustained',
      /do not add up/,
    ],
    ['a cap on what is committed', COMMITTED, { monthlyCap: '5' }, '.monthlyCap', /no cap/],
    [
      'increments of what is committed',
      COMMITTED,
      { increment: { step: '1', unit: 'hour', least: null } },
      '.increment',
      /paid every hour/,
    ],
    ['a pool of what is committed', COMMITTED, { pool: 'region' }, '.pool', /by component/],
    [
      'least hours of what is committed',
      COMMITTED,
      { minimums: { ...LEAST, each: '9' } },
      '.minimums.each',
      /least number of hours/,
    ],
    ['overage on a server', ['S-4', 'running'], { overage: '1.1' }, '.overage', /prepaid credit/],
    [
      'an allowance on a stepped fee',
      ['BACKUP', 'protected'],
      { allowance: '5' },
      '.allowance',
      /no quantity/,
    ],
    [
      'an allowance on a share of spend',
      ['SUPPORT', 'share'],
      { allowance: '5' },
      '.allowance',
      /no quantity/,
    ],
    [
      'an allowance on committed money',
      ['SPEND', 'committed', '12-none'],
      { allowance: '5' },
      '.allowance',
      /no allowance/,
    ],
    [
      'kept days of what runs',
      ['S-4', 'running'],
      { minimums: { ...LEAST, keptDays: '9' } },
      '.minimums.keptDays',
      /not held/,
    ],
    ['a size set aside of what runs', ['S-4', 'running'], { basis: 'set-aside' }, '.basis', /not held/],
    [
      'a least month of a fee',
      ['PLAN', 'plan-fee'],
      { minimums: { ...LEAST, total: '9' } },
      '.minimums.total',
      /for each/,
    ],
    [
      'a least size of a share',
      ['SUPPORT', 'share'],
      { minimums: { ...LEAST, each: '9' } },
      '.minimums.each',
      /no quantity of each/,
    ],
    [
      're-rating committed money',
      ['SPEND', 'committed', '12-none'],
      { early: { rule: 're-rate' } },
      '.early.rule',
      /fee or rest-due/,
    ],
    [
      'a minimum of what a spend commitment buys',
      SPENT,
      { minimums: { ...LEAST, count: '3' } },
      '.minimums',
      /no minimum of its own/,
    ],
    [
      'tiers of what a spend commitment buys',
      SPENT,
      { charge: { structure: 'graduated', tiers: [{ upTo: null, price: '1' }] } },
      '.charge.structure',
      /per unit or by parts/,
    ],
    [
      'capacity units by the second',
      ['BALANCER', 'units'],
      { unit: 'unit-second' },
      '.unit',
      /per unit-hour/,
    ],
  ] as const
).map(([name, which, more, path, message]) =>
  rate(name, which, (row) => void Object.assign(row, more), path, message),
);

const RUNNING = ['S-4', 'running'] as const;
const OUT = ['OUT', 'transferred'] as const;
const BACKUP = ['BACKUP', 'protected'] as const;
const SUPPORT = ['SUPPORT', 'share'] as const;
const CSV_HEAD =
  'ProviderName,BillingCurrency,x_BookKey,x_BookTitle,x_MonthHours,x_Revision,x_EffectiveDate,x_Source,RegionId,RegionName,x_Country,x_Latitude,x_Longitude,SkuId,x_SkuName,x_Kind,SkuMeter,x_Term,PricingUnit,x_TierUpTo,ListUnitPrice';
const CSV_ROW =
  'P,USD,p,P,730,1,2026-11-01,made,r,R,C,1,1,V,v,block-volume,capacity,on-demand,GiB-month,,0.1';

export const BAD_BOOKS: readonly BadBook[] = [
  // The file itself
  ['empty', '', '', /empty/],
  ['no JSON and no CSV', 'once upon a time', '', /columns are missing/],
  book('a list', () => '[]', '', /not with a list/),
  book('cut off in the middle', (file) => written(file).slice(0, 9000), '', /not complete/),
  book('cut off in a word', (file) => written(file).slice(0, 30), '', /not complete/),
  book('something behind the end', (file) => `${written(file)} {}`, '', /behind the end/),
  book(
    'no comma between rates',
    (file) =>
      written(file).replace(
        '},\n  {\n   "sku": "S-4",\n   "region"',
        '}\n  {\n   "sku": "S-4",\n   "region"',
      ),
    '',
    /comma/,
  ),
  book(
    'a rate that is no JSON',
    (file) => written(file).replace('"structure": "by-parts"', '"structure": by-parts'),
    'rates[16]',
    /not valid JSON/,
  ),
  book(
    'not UTF-8',
    (file) => new Uint8Array([...new TextEncoder().encode(written(file)), 0xff, 0xfe]),
    '',
    /UTF-8/,
  ),
  ['not UTF-8 in the middle', Uint8Array.from([0x7b, 0x22, 0xc3, 0x28, 0x22]), '', /UTF-8/],
  [
    'begins like gzip and is none',
    Uint8Array.from([0x1f, 0x8b, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10]),
    '',
    /cannot be unpacked/,
  ],
  ['gzip bomb', packed(`{"format":"${' '.repeat(60_000_000)}"}`), '', /unpacks to far more|longer than/],
  book('gzip cut off', (file) => packed(written(file)).slice(0, 500), '', /cannot be unpacked|not complete/),
  ['nested beyond measure', `{"book":${'['.repeat(5000)}`, '', /levels deep/],
  book(
    'a name twice',
    (file) => written(file).replace('"version": 1,', '"version": 1, "version": 1,'),
    '',
    /stands twice/,
  ),
  book('an unknown name', (file) => void (file.colour = 'red'), 'colour', /not known/),
  book(
    'rates before offers',
    ({ offers, ...file }) => written({ ...file, offers }),
    'offers',
    /before the rates/,
  ),
  book(
    'an entry of two million letters',
    (file) => void (list(file, 'offers')[0]!.name = 'x'.repeat(2_000_000)),
    '',
    /longer than/,
  ),
  book('rates that are no list', (file) => void (file.rates = {}), '', /must be a list/),
  // The head
  book('another format', (file) => void (file.format = 'wick-design'), 'format', /must be/),
  book('another version', (file) => void (file.version = 2), 'version', /must be 1/),
  book('no book', (file) => void delete file.book, 'book', /missing/),
  book(
    'currency in words',
    (file) => void (part(file, 'book').currency = 'dollars'),
    'book.currency',
    /three capital/,
  ),
  book(
    'a date in words',
    (file) => void (part(file, 'revision').effective = '1 May'),
    'revision.effective',
    /date like/,
  ),
  book(
    'month 13',
    (file) => void (part(file, 'revision').effective = '2026-13-01'),
    'revision.effective',
    /date like/,
  ),
  book('revision zero', (file) => void (part(file, 'revision').number = 0), 'revision.number', /at least 1/),
  // Regions and offers
  book('no regions', (file) => void (file.regions = []), 'regions', /before the rates/),
  book(
    'a region twice',
    (file) => void (list(file, 'regions')[1]!.code = 'severn'),
    'regions[1].code',
    /stands twice/,
  ),
  book(
    'off the globe',
    (file) => void (list(file, 'regions')[0]!.latitude = 91),
    'regions[0].latitude',
    /at most 90/,
  ),
  offer('unknown kind', 'VOL', (each) => void (each.kind = 'submarine'), '.kind', /must be one of/),
  offer('duplicate SKU', 'S-8', (each) => void (each.sku = 'S-4'), '.sku', /stands twice/),
  offer('a server without memory', 'S-4', (each) => void (each.memory = null), '.memory', /needs its memory/),
  offer(
    'unknown successor',
    'S-4',
    (each) => void (each.replacedBy = 'S-99'),
    '.replacedBy',
    /unknown successor/,
  ),
  offer(
    'current and retiring',
    'S-4',
    (each) => void (each.retires = '2027-01-01'),
    '.retires',
    /no retirement date/,
  ),
  offer(
    'limits that cross',
    'S-FREE',
    (each) => void ((each.limits as Loose).vcpuLeast = '99'),
    '.limits.vcpuLeast',
    /exceeds/,
  ),
  offer(
    'a grant of nothing known',
    'S-CAP',
    (each) => void ((each.grants as Loose[])[0]!.sku = 'NIL'),
    '.grants[0].sku',
    /unknown SKU/,
  ),
  offer('control characters', 'S-4', (each) => void (each.name = 'a\u0000b'), '.name', /control characters/),
  // Rates
  book('no rates', (file) => void (file.rates = []), 'rates', /at least 1/),
  rate('unknown SKU', RUNNING, (row) => void (row.sku = 'NIL'), '.sku', /unknown SKU/),
  rate('unknown region', RUNNING, (row) => void (row.region = 'moon'), '.region', /unknown region/),
  rate('unknown meter', RUNNING, (row) => void (row.meter = 'weight'), '.meter', /has no meter/),
  rate('unknown unit', RUNNING, (row) => void (row.unit = 'barrel'), '.unit', /must be one of/),
  rate('the unit of another meter', RUNNING, (row) => void (row.unit = 'GiB-month'), '.unit', /cannot bill/),
  rate(
    'unknown structure',
    RUNNING,
    (row) => void (row.charge.structure = 'auction'),
    '.charge.structure',
    /must be one of/,
  ),
  rate('negative price', RUNNING, (row) => void (row.charge.price = '-0.1'), '.charge.price', /negative/),
  rate('1e400', RUNNING, (row) => void (row.charge.price = '1e400'), '.charge.price', /plain decimal/),
  rate(
    'a price as a number',
    RUNNING,
    (row) => void (row.charge.price = 0.1),
    '.charge.price',
    /type string/,
  ),
  rate('on demand with upfront', RUNNING, (row) => void (row.upfront = '5'), '.upfront', /no upfront/),
  rate(
    'a commitment without its upfront',
    ['S-4', 'running', '12-part'],
    (row) => void (row.upfront = null),
    '.upfront',
    /needs an upfront/,
  ),
  rate(
    'a commitment with an allowance',
    ['S-4', 'running', '12-none'],
    (row) => void (row.allowance = '5'),
    '.allowance',
    /no allowance/,
  ),
  rate(
    'a committed volume',
    ['VOL', 'capacity'],
    (row) => void (row.term = '12-none'),
    '.term',
    /on demand only/,
  ),
  rate(
    'overlapping tiers',
    ['EDGE', 'transferred'],
    (row) => void (tiersOf(row)[0]!.upTo = '0'),
    '.charge.tiers[0].upTo',
    /above zero/,
  ),
  rate(
    'tiers that fall',
    SUPPORT,
    (row) => void tiersOf(row).splice(1, 0, { upTo: '500', share: '0.2' }),
    '.charge.tiers[1].upTo',
    /must rise/,
  ),
  rate(
    'tiers that end',
    OUT,
    (row) => void (tiersOf(row)[1]!.upTo = '20000'),
    '.charge.tiers[1].upTo',
    /without an end/,
  ),
  rate(
    'an open tier in the middle',
    OUT,
    (row) => void (tiersOf(row)[0]!.upTo = null),
    '.charge.tiers[0].upTo',
    /only the last/,
  ),
  rate('no tiers', OUT, (row) => void (row.charge.tiers = []), '.charge.tiers', /at least 1/),
  rate(
    'bands that fall',
    BACKUP,
    (row) => void ((row.charge.bands as Loose[])[1]!.upTo = '40'),
    '.charge.bands[1].upTo',
    /must rise/,
  ),
  rate(
    'a block of nothing',
    ['WAREHOUSE', 'scanned'],
    (row) => void (row.charge.block = '0'),
    '.charge.block',
    /above zero/,
  ),
  rate(
    'a unit that carries nothing',
    ['BALANCER', 'units'],
    (row) => void ((row.charge.dimensions as Loose[])[0]!.carries = '0'),
    '.charge.dimensions[0].carries',
    /above zero/,
  ),
  rate(
    'a dimension twice',
    ['BALANCER', 'units'],
    (row) => void ((row.charge.dimensions as Loose[])[1]!.dimension = 'data'),
    '.charge.dimensions[2].dimension',
    /stands twice/,
  ),
  rate(
    'a share above all',
    SUPPORT,
    (row) => void (tiersOf(row)[0]!.share = '1.5'),
    '.charge.tiers[0].share',
    /between 0 and 1/,
  ),
  rate(
    'a share of itself',
    SUPPORT,
    (row) => void ((row.charge.base as Loose).kinds = ['support-plan']),
    '.charge.base.kinds',
    /share of itself/,
  ),
  rate(
    'stepped where nothing is held',
    RUNNING,
    (row) => void (row.charge = { structure: 'stepped', bands: [{ upTo: '1', fee: '1' }], beyond: null }),
    '.charge.structure',
    /not held/,
  ),
  rate(
    'a stepped fee over a region',
    BACKUP,
    (row) => void (row.pool = 'region'),
    '.pool',
    /cannot be counted over/,
  ),
  rate(
    'an allowance that ends without one',
    RUNNING,
    (row) => void (row.allowanceMonths = 12),
    '.allowanceMonths',
    /no allowance/,
  ),
  rate(
    'steps of nothing',
    ['S-HOUR', 'running'],
    (row) => void ((row.increment as Loose).step = '0'),
    '.increment.step',
    /above zero/,
  ),
  rate(
    'sustained use that ends early',
    ['S-SUSTAIN', 'running'],
    (row) => void ((row.sustained as Loose[])[1]!.upTo = '0.9'),
    '.sustained[1].upTo',
    /end at 1/,
  ),
  rate(
    'a range the wrong way round',
    ['S-4', 'running', 'interruptible'],
    (row) => void ((row.range as Loose).low = '1'),
    '.range.low',
    /exceeds/,
  ),
  rate(
    'a cap on what is no time',
    ['VOL', 'capacity'],
    (row) => void (row.monthlyCap = '5'),
    '.monthlyCap',
    /price for time/,
  ),
  ...NO_MEANING,
  book(
    'a month of no hours',
    (file) => void (part(file, 'book').monthHours = '0'),
    'book.monthHours',
    /between 672 and 744/,
  ),
  book(
    'a day that the calendar has not',
    (file) => void (part(file, 'revision').effective = '2026-02-30'),
    'revision.effective',
    /calendar/,
  ),
  book(
    'a name of two lines',
    (file) => void (part(file, 'book').title = 'Two\nlines'),
    'book.title',
    /one line/,
  ),
  book(
    'a field that stands twice',
    (file) => written(file).replace('"allowance": null', '"allowance": "5", "allowance": null'),
    'rates[0]',
    /“allowance” stands twice/,
  ),
  book(
    'two rates for one key',
    (file) => void list(file, 'rates').push(structuredClone(list(file, 'rates')[0]!)),
    `rates[${wideBookFile().rates.length}]`,
    /same rate stands at rates\[0\]/,
  ),
  book(
    'shares that chase each other',
    (file) => {
      const rates = file.rates as RateRow[];
      const baseOf = (sku: string) =>
        (rates.find((row) => row.sku === sku)!.charge as unknown as { base: Loose }).base;
      baseOf('SUPPORT').kinds = ['software-fee'];
      baseOf('SOFTWARE').kinds = ['support-plan'];
    },
    `rates[${where(wideBookFile(), 'SUPPORT', 'share')}].charge.base.kinds`,
    /share of itself/,
  ),
  // The flat form
  [
    'CSV without a price column',
    `${CSV_HEAD.replace(',ListUnitPrice', '')}\n${CSV_ROW}`,
    '',
    /missing: ListUnitPrice/,
  ],
  ['CSV without rows', `${CSV_HEAD}\n`, '', /no rows/],
  ['CSV with a short row', `${CSV_HEAD}\n${CSV_ROW}\nP,USD\n`, '', /number of cells/],
  ['CSV with an open quote', `${CSV_HEAD}\n${CSV_ROW}\n"P,USD`, '', /not closed|cells/],
  [
    'CSV with a comma in a price',
    `${CSV_HEAD}\n${CSV_ROW.replace(',0.1', ',"0,1"')}\n`,
    'rates[0].charge.price',
    /plain decimal/,
  ],
  [
    'CSV of two books',
    `${CSV_HEAD}\n${CSV_ROW}\n${CSV_ROW.replace('P,USD,p', 'P,EUR,p').replace(',V,v', ',W,w')}\n`,
    'row 3',
    /same in every row/,
  ],
  [
    'CSV with two descriptions of an offer',
    `${CSV_HEAD}\n${CSV_ROW}\n${CSV_ROW.replace(',r,R,', ',s,S,').replace(',V,v,', ',V,other,')}\n`,
    'row 3',
    /had .* in an earlier row/,
  ],
  [
    'CSV with tiers that overlap',
    `${CSV_HEAD}\n${CSV_ROW.replace(',,0.1', ',10,0.1')}\n${CSV_ROW.replace(',,0.1', ',10,0.2')}\n`,
    'rates[0].charge.tiers[1].upTo',
    /must rise/,
  ],
];
