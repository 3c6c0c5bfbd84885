/** Sudden fame, maps and swings as flat tables, for the screen and files. */
import { decimal } from '@/engine/base';
import type { Fame, LoadMap } from '@/features/load/calc';
import type { SwingsAnswer, UncertainInput } from '@/features/range/calc';
import { minorDigits, roundRows } from '@/engine/money';
import { writeMoney, writeNumber } from '@/platform/words';
import { mapSentence, placeOnAxis } from './curve-sentence';
import type { FlatRow, FlatTable } from '@/platform/tables';

/**
 * @example
 * fameSentence({ now: '10', then: '25', rows: [{ id: 'a', name: 'Out', now: '10', then: '25' }] }, { times: '10', lasts: 'day', currency: 'USD' }); // => 'A day at 10 times costs 15.00 USD more in that month: 1 line moves, 0 hold.'
 */
export function fameSentence({ now, then, rows }: Fame, { times, lasts, currency }: FameAsked): string {
  const extra = decimal(then).minus(now);
  const moving = rows.filter((row) => row.now !== row.then).length;
  if (moving === 0) return 'Nothing in this design follows it: the month stays as it is.';
  const more = `${writeMoney(extra.abs(), currency)} ${currency} ${extra.isNegative() ? 'less' : 'more'}`;
  const holds = rows.length - moving;
  return `A ${lasts} at ${writeNumber(times)} times costs ${more} in that month: ${moving} ${moving === 1 ? 'line moves' : 'lines move'}, ${holds} ${holds === 1 ? 'holds' : 'hold'}.`;
}

export interface FameAsked {
  readonly times: string;
  readonly lasts: 'day' | 'month';
  readonly currency: string;
}

/**
 * By line, rounded so that the printed rows add up to the printed totals; lines without an amount say so and are in no sum.
 *
 * @example
 * fameTable({ now: '10', then: '25', rows: [{ id: 'a', name: 'Out', now: '10', then: '25' }] }, { times: '10', lasts: 'day', currency: 'USD' }).rows[0]!.cells; // => ['Out', { money: '10' }, { money: '25' }, { money: '15' }, 'moves']
 */
export function fameTable(fame: Fame, asked: FameAsked): FlatTable {
  const { currency } = asked;
  const priced = fame.rows.filter((row) => row.now !== null && row.then !== null);
  const column = (read: (row: (typeof priced)[number]) => string) =>
    roundRows(
      priced.map((row) => decimal(read(row))),
      minorDigits(currency),
    );
  const [now, then] = [column((row) => row.now!), column((row) => row.then!)];
  const sum = (rows: typeof now) => rows.reduce((all, each) => all.plus(each), decimal('0'));
  const cells = (name: string, a: (typeof now)[number], b: (typeof now)[number], word: string) => [
    name,
    { money: a.toString() },
    { money: b.toString() },
    { money: b.minus(a).toString() },
    word,
  ];
  const without = fame.rows.length - priced.length;
  return {
    title: 'What the month costs then, line by line',
    answer: fameSentence(fame, asked),
    currency,
    head: ['Line', 'as planned', 'then', 'more', 'it'],
    rows: [
      ...priced.map((row, at): FlatRow => ({
        level: 'line',
        cells: cells(row.name, now[at]!, then[at]!, row.now === row.then ? 'holds' : 'moves'),
      })),
      { level: 'total', cells: cells('All priced lines', sum(now), sum(then), '') },
    ],
    notes:
      without === 0
        ? []
        : [
            {
              title: 'Incomplete',
              lines: [`${without} ${without === 1 ? 'line has' : 'lines have'} no amount.`],
            },
          ],
  };
}

/**
 * Row by row from the highest, where which side costs least; `rows`: so many of them, evenly.
 *
 * @example
 * mapTable({ across: { title: 'Users', unit: '' }, up: { title: 'Stored', unit: 'GB' }, sides: [{ id: null, name: 'Design' }], x: [1, 2], y: [5], cheapest: [0, 0], lead: [0, 0], borders: [[]] }).rows[0]!.cells; // => [{ number: '5' }, '“Design”']
 */
export function mapTable(map: LoadMap, currency = '', rows = map.y.length): FlatTable {
  const { across, up, sides, x, y, cheapest, borders } = map;
  const named = (side: number): string => (side < 0 ? 'no amount' : `“${sides[side]!.name}”`);
  const step = Math.max(1, Math.floor((y.length - 1) / Math.max(1, rows - 1)));
  const shown = y.map((_, row) => row).filter((row) => row % step === 0);
  return {
    title: 'Which costs least where',
    answer: mapSentence(map),
    currency,
    head: [
      up.unit === '' ? up.title : `${up.title}, ${up.unit}`,
      `Which costs least, by ${across.unit === '' ? across.title : `${across.title}, ${across.unit}`}`,
    ],
    rows: shown.reverse().map((row): FlatRow => {
      const first = named(cheapest[row * x.length]!);
      const then = borders[row]!.map(
        ({ at, above }) => `from ${placeOnAxis(at, { unit: '' })} ${named(above)}`,
      );
      return {
        level: 'line',
        cells: [{ number: decimal(y[row]!.toPrecision(6)).toString() }, [first, ...then].join(', ')],
      };
    }),
    notes: [],
  };
}

/**
 * @example
 * swingsTable({ likely: '5', swings: [{ input: 0, atLean: '4', atHeavy: '9' }] }, [{ label: 'Users', unit: '', lean: 1, heavy: 3 }], 'USD').rows[0]!.cells; // => ['Users', '1 to 3', { money: '4' }, { money: '9' }]
 */
export function swingsTable(
  { likely, swings }: SwingsAnswer,
  inputs: readonly Pick<UncertainInput, 'label' | 'unit' | 'lean' | 'heavy'>[],
  currency: string,
): FlatTable {
  return {
    title: 'Which input moves the month most, alone',
    answer: `All others likely; the likely month is ${writeMoney(likely, currency)} ${currency}.`,
    currency,
    head: ['Input', 'from lean to heavy', 'at lean', 'at heavy'],
    rows: swings.map(({ input, atLean, atHeavy }): FlatRow => {
      const { label, lean, heavy, unit } = inputs[input]!;
      const range = `${writeNumber(String(lean))} to ${writeNumber(String(heavy))} ${unit}`.trim();
      const cell = (amount: string | null) => (amount === null ? 'no amount' : { money: amount });
      return { level: 'line', cells: [label, range, cell(atLean), cell(atHeavy)] };
    }),
    notes: [],
  };
}
