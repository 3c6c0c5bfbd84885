/**
 * The charge of an own line as one types it: "0.09 up to 10240, 0.07 beyond" for tiers, "5 up to 50, 10 up to 500, then
 * 10 per 500" for steps. What is written is what is read.
 */
import { assertNever, decimal, err, issue, ok, parseDecimal, type Result } from '@/engine/base';
import {
  type Band,
  type ChargeStructure,
  type ChargeText,
  chargeFaults,
  firstUnitPrice,
  readCharge,
  STRUCTURES,
  type Tier,
} from '@/engine/rates';

/** What a person may choose for an own line, with its words. */
export const OWN_STRUCTURES = (Object.keys(STRUCTURES) as ChargeStructure[]).flatMap((structure) => {
  const words = STRUCTURES[structure].ownLine;
  return words === null ? [] : [[structure, words] as const];
});

type Tiered = Extract<ChargeText, { structure: 'graduated' | 'volume' }>;
type Stepped = Extract<ChargeText, { structure: 'stepped' }>;

/** The charge in another structure, with the price it had; nothing that still fits is lost. */
export function asStructure(charge: ChargeText, structure: ChargeStructure): ChargeText {
  if (charge.structure === structure) return charge;
  const price = firstUnitPrice(readCharge(charge))?.toString() ?? '0';
  switch (structure) {
    case 'per-unit':
      return { structure, price };
    case 'per-block':
      return { structure, block: '1', price };
    case 'graduated':
    case 'volume': {
      const tiered = charge.structure === 'graduated' || charge.structure === 'volume';
      return { structure, tiers: tiered ? charge.tiers : [{ upTo: null, price }] };
    }
    case 'stepped':
      return { structure, bands: [{ upTo: '100', fee: price }], beyond: { block: '100', fee: price } };
    case 'flat':
      return { structure, amount: price, once: false };
    case 'greatest-of':
    case 'by-parts':
    case 'share-of-spend':
      throw new Error(`no own line is charged by ${structure}`);
    default:
      return assertNever(structure);
  }
}

export function tiersText({ tiers }: Tiered): string {
  return tiers
    .map(({ upTo, price }) => (upTo === null ? `${price} beyond` : `${price} up to ${upTo}`))
    .join(', ');
}

export function readTiers(text: string, structure: Tiered['structure']): Result<Tiered> {
  const tiers: Tier<string>[] = [];
  for (const part of text.split(',')) {
    const last = /^\s*(\S+)(?:\s+beyond)?\s*$/.exec(part);
    const [, price = '', upTo = null] = last ?? /^\s*(\S+)\s+up to\s+(\S+)\s*$/.exec(part) ?? [];
    const tier = numbers(price, upTo);
    if (!tier) return refused('write prices and where they end, such as 0.09 up to 10240, 0.07 beyond.');
    tiers.push({ upTo: tier.upTo, price: tier.price });
  }
  return checked({ structure, tiers });
}

export function stepsText({ bands, beyond }: Stepped): string {
  const steps = bands.map(({ upTo, fee }) => `${fee} up to ${upTo}`);
  return [...steps, ...(beyond ? [`then ${beyond.fee} per ${beyond.block}`] : [])].join(', ');
}

export function readSteps(text: string): Result<Stepped> {
  const parts = text.split(',');
  const [, fee = '', block = ''] = /^\s*then\s+(\S+)\s+per\s+(\S+)\s*$/.exec(parts.at(-1)!) ?? [];
  const beyond = block === '' ? null : numbers(fee, block);
  const steps = block === '' ? parts : parts.slice(0, -1);
  const bands: Band<string>[] = [];
  for (const part of steps) {
    const [, price = '', upTo = ''] = /^\s*(\S+)\s+up to\s+(\S+)\s*$/.exec(part) ?? [];
    const band = numbers(price, upTo);
    if (!band?.upTo)
      return refused('write fees and sizes, such as 5 up to 50, 10 up to 500, then 10 per 500.');
    bands.push({ upTo: band.upTo, fee: band.price });
  }
  if (block !== '' && !beyond?.upTo) return refused(`“${block}” is no size above zero.`);
  if (bands.length === 0) return refused('the first step needs a size: 5 up to 50.');
  return checked({
    structure: 'stepped',
    bands,
    beyond: beyond?.upTo ? { block: beyond.upTo, fee: beyond.price } : null,
  });
}

/** A price of zero or more and an end above zero, as plain text. */
function numbers(price: string, upTo: string | null): { price: string; upTo: string | null } | null {
  const amount = parseDecimal(price);
  if (!amount.ok || amount.value.isNegative()) return null;
  if (upTo === null) return { price: amount.value.toString(), upTo };
  const end = parseDecimal(upTo);
  if (!end.ok || !end.value.greaterThan(0)) return null;
  return { price: amount.value.toString(), upTo: end.value.toString() };
}

function checked<C extends ChargeText>(charge: C): Result<C> {
  const [fault] = chargeFaults(charge, '');
  return fault ? refused(`${fault.message}.`) : ok(charge);
}

function refused(reason: string): Result<never> {
  return err(issue('edit.invalid', [], { reason }));
}

/** A number above zero, for blocks. */
export function readBlock(text: string): Result<string> {
  const read = parseDecimal(text.trim());
  if (!read.ok) return read;
  return read.value.greaterThan(0) ? ok(decimal(text.trim()).toString()) : refused('a block is above zero.');
}
