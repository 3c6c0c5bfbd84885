/** Checks rows of FOCUS and hands them on, bill by bill: each row as what it says (once for all that say the same) and its sums. */
import type { BillHead, BillSaid } from '@/features/bills/calc';
import { cut } from '@/engine/base';
import { FaultList } from '@/features/price-books/format/stream/fault-list';
import { amountCell, dayCell } from './cells';
import { columnOf, COLUMN_NAMES, type FocusColumn } from './columns';
import { type Conformance, ConformanceNotes } from './conformance';
import { rowHash } from './row-hash';
import { saidOf } from './said';

export interface SunkRow {
  readonly bill: number;
  readonly thing: number;
  readonly line: number;
  readonly day: string;
  readonly list: string;
  readonly contracted: string;
  readonly billed: string;
  readonly effective: string;
  readonly quantity: string | null;
}

/** Numbers are given from nought on, in the order in which bills and things first appear. */
export interface BillSink {
  bill(number: number, head: BillHead): Promise<void>;
  thing(bill: number, number: number, said: BillSaid): void;
  rows(rows: readonly SunkRow[]): Promise<void>;
}

/** So many different things a bill may have: they are what rules go over. */
const MOST_THINGS = 300_000;
const MOST_BILLS = 100;
/** Beyond that, rows that stand twice are not looked for. */
const MOST_COMPARED = 5_000_000;

/** What makes rows one thing, as the file has it. */
const SAID: readonly FocusColumn[] = [
  'ChargeCategory',
  'ChargeClass',
  'ServiceName',
  'SkuId',
  'SkuMeter',
  'RegionId',
  'SubAccountId',
  'ResourceId',
  'ResourceName',
  'ChargeDescription',
  'Tags',
  'PricingUnit',
  'ConsumedUnit',
  'ListUnitPrice',
  'ContractedUnitPrice',
  'CommitmentDiscountId',
  'CommitmentDiscountStatus',
];
const HEAD: readonly FocusColumn[] = [
  'ProviderName',
  'BillingAccountId',
  'BillingPeriodStart',
  'BillingPeriodEnd',
  'BillingCurrency',
];

export type Cells = readonly string[];

interface Bill {
  readonly number: number;
  readonly head: BillHead;
  readonly things: Map<string, number>;
}

export class BillReader {
  readonly faults = new FaultList();
  private readonly notes = new ConformanceNotes();
  private readonly places = new Map<FocusColumn, number>();
  private readonly saidPlaces: number[] = [];
  /** What a thing does not say already. */
  private otherPlaces: readonly number[] = [];
  private readonly bills = new Map<string, Bill>();
  private readonly seen = new Set<number>();
  private columns: readonly string[] = [];
  private mustHave: readonly FocusColumn[] = [];
  private thingCount = 0;
  rows = 0;

  constructor(private readonly sink: BillSink) {}

  /** False: it cannot be read on. */
  takeColumns(names: readonly string[]): boolean {
    this.columns = names.map((name) => name.trim());
    for (const name of new Set(this.columns.filter((each, at) => this.columns.indexOf(each) !== at)))
      this.fault(1, this.columns.lastIndexOf(name) + 1, `the column “${cut(name, 60)}” stands twice`, name);
    for (const name of COLUMN_NAMES) {
      const at = this.columns.indexOf(name);
      if (at >= 0) this.places.set(name, at);
      else if (columnOf(name).needed)
        this.fault(1, 1, `the column “${name}” is missing; without it nothing can be added up`, name);
    }
    this.saidPlaces.push(...SAID.flatMap((name) => this.places.get(name) ?? []));
    const said = new Set([...this.saidPlaces, ...HEAD.flatMap((name) => this.places.get(name) ?? [])]);
    this.otherPlaces = this.columns.map((_, at) => at).filter((at) => !said.has(at));
    this.mustHave = [...this.places.keys()].filter(
      (name) => !columnOf(name).mayBeNull && !columnOf(name).needed,
    );
    return this.faults.isEmpty;
  }

  async take(batch: readonly { readonly cells: Cells; readonly line: number }[]): Promise<void> {
    const rows: SunkRow[] = [];
    for (const { cells, line } of batch) {
      const row = await this.readRow(cells, line);
      if (row) rows.push(row);
    }
    if (this.faults.isEmpty) await this.sink.rows(rows);
  }

  conformance(): Conformance {
    const currencies = new Set([...this.bills.values()].map(({ head }) => head.currency));
    if (currencies.size > 1)
      this.notes.note('several-currencies', 'BillingCurrency', 1, [...currencies].join(', '));
    return this.notes.conformance(this.columns, this.rows);
  }

  get heads(): BillHead[] {
    return [...this.bills.values()].map(({ head }) => head);
  }

  fault(line: number, column: number, message: string, path = ''): void {
    this.faults.add({ path, message, line, column });
  }

  private at(cells: Cells, name: FocusColumn): string {
    const place = this.places.get(name);
    return place === undefined ? '' : (cells[place] ?? '');
  }

  private refuse(line: number, name: FocusColumn, message: string): null {
    this.fault(line, (this.places.get(name) ?? 0) + 1, message, name);
    return null;
  }

  private async readRow(cells: Cells, line: number): Promise<SunkRow | null> {
    this.rows += 1;
    for (const name of this.mustHave) if (this.at(cells, name) === '') this.notes.empty(name, line);
    const bill = await this.billOf(cells, line);
    if (!bill) return null;
    const day = this.dayOf(cells, 'ChargePeriodStart', line);
    const billed = this.moneyOf(cells, 'BilledCost', line);
    const contracted = this.moneyOf(cells, 'ContractedCost', line, billed);
    const list = this.moneyOf(cells, 'ListCost', line, contracted);
    const effective = this.moneyOf(cells, 'EffectiveCost', line, billed);
    const pricing = this.quantityOf(cells, 'PricingQuantity', line);
    const isConsumed = pricing === null && this.at(cells, 'PricingUnit') === '';
    const quantity = isConsumed ? this.quantityOf(cells, 'ConsumedQuantity', line) : (pricing ?? null);
    const thing = this.thingOf(bill, cells, line, isConsumed);
    if (thing === null || day === null || billed === null || contracted === null) return null;
    if (list === null || effective === null || quantity === undefined) return null;
    if (day < bill.head.from || day >= bill.head.to)
      this.notes.note('outside-period', 'ChargePeriodStart', line, day);
    if (quantity?.startsWith('-') && this.at(cells, 'ChargeClass') !== 'Correction')
      this.notes.note('negative-use', 'PricingQuantity', line, quantity);
    this.noteTwice(bill, thing, cells, line);
    return { bill: bill.number, thing, line, day, list, contracted, billed, effective, quantity };
  }

  private async billOf(cells: Cells, line: number): Promise<Bill | null> {
    const key = HEAD.map((name) => this.at(cells, name)).join('\n');
    const known = this.bills.get(key);
    if (known) return known;
    const from = this.dayOf(cells, 'BillingPeriodStart', line);
    const to = this.dayOf(cells, 'BillingPeriodEnd', line);
    const currency = this.at(cells, 'BillingCurrency').trim();
    if (!/^[A-Z]{3}$/.test(currency))
      return this.refuse(
        line,
        'BillingCurrency',
        `“${cut(currency, 20)}” is no currency; three letters such as USD are`,
      );
    if (from === null || to === null) return null;
    if (from >= to) return this.refuse(line, 'BillingPeriodEnd', 'the billing period ends before it begins');
    const named = (name: FocusColumn, otherwise: string): string =>
      this.at(cells, name).trim().slice(0, 200) || otherwise;
    const head: BillHead = {
      ...{
        provider: named('ProviderName', 'unnamed'),
        account: named('BillingAccountId', ''),
        from,
        to,
        currency,
      },
    };
    // Two ways of writing the same date are the same bill.
    const same = [...this.bills.values()].find(({ head: each }) => isSameBill(each, head));
    if (same) {
      this.bills.set(key, same);
      return same;
    }
    const overlaps = [...this.bills.values()].find(
      ({ head: each }) =>
        each.provider === head.provider &&
        each.account === head.account &&
        each.currency === currency &&
        each.from < to &&
        from < each.to,
    );
    if (overlaps) {
      const { from: first, to: end } = overlaps.head;
      return this.refuse(
        line,
        'BillingPeriodStart',
        `${from} to ${to} overlaps the billing period ${first} to ${end} of the same account`,
      );
    }
    if (this.bills.size >= MOST_BILLS)
      return this.refuse(
        line,
        'BillingPeriodStart',
        `the file holds more than ${MOST_BILLS} bills; divide it`,
      );
    const bill: Bill = { number: this.bills.size, head, things: new Map() };
    this.bills.set(key, bill);
    await this.sink.bill(bill.number, head);
    return bill;
  }

  private thingOf(bill: Bill, cells: Cells, line: number, isConsumed: boolean): number | null {
    let key = isConsumed ? 'c' : 'p';
    for (const place of this.saidPlaces) key += `\u0000${cells[place]}`;
    const known = bill.things.get(key);
    if (known !== undefined) return known;
    const read = saidOf((name) => this.at(cells, name), isConsumed);
    if ('fault' in read) return this.refuse(line, read.column, read.fault);
    for (const { column, value } of read.unknown) this.notes.note('unknown-value', column, line, value);
    if (this.thingCount >= MOST_THINGS)
      return this.refuse(
        line,
        'ResourceId',
        `the file holds more than ${MOST_THINGS} different things; divide it`,
      );
    const number = bill.things.size;
    this.thingCount += 1;
    bill.things.set(key, number);
    this.sink.thing(bill.number, number, read.said);
    return number;
  }

  private dayOf(cells: Cells, name: FocusColumn, line: number): string | null {
    const text = this.at(cells, name);
    const day = dayCell(text);
    if (day !== null) return day;
    const said =
      text === ''
        ? 'the date is missing'
        : `“${cut(text, 40)}” is no date of the form 2026-11-30 or 2026-11-30T00:00:00Z`;
    return this.refuse(line, name, said);
  }

  /** `instead`: what stands in where the column or the value is missing. */
  private moneyOf(
    cells: Cells,
    name: FocusColumn,
    line: number,
    instead: string | null = null,
  ): string | null {
    const text = this.at(cells, name);
    if (text === '')
      return name === 'BilledCost' ? this.refuse(line, name, 'the amount is missing') : instead;
    return (
      amountCell(text) ?? this.refuse(line, name, `“${cut(text, 40)}” is no amount; write it like 1234.56`)
    );
  }

  /** Undefined: refused. */
  private quantityOf(cells: Cells, name: FocusColumn, line: number): string | null | undefined {
    const text = this.at(cells, name);
    if (text === '') return null;
    const amount = amountCell(text);
    if (amount !== null) return amount;
    this.refuse(line, name, `“${cut(text, 40)}” is no quantity; write it like 1234.56`);
    return undefined;
  }

  private noteTwice(bill: Bill, thing: number, cells: Cells, line: number): void {
    if (this.seen.size >= MOST_COMPARED) return;
    const before = this.seen.size;
    this.seen.add(rowHash(cells, this.otherPlaces, bill.number * MOST_THINGS + thing));
    if (this.seen.size === before) this.notes.note('stands-twice', '', line, '');
  }
}

const isSameBill = (a: BillHead, b: BillHead): boolean =>
  a.provider === b.provider &&
  a.account === b.account &&
  a.from === b.from &&
  a.to === b.to &&
  a.currency === b.currency;
