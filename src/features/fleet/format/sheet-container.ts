/**
 * What a workbook is made of: a container of XML parts, opened within limits. A part is never larger than the container
 * says, so that a small file cannot fill the memory. Decision 40.
 */
import { strFromU8, unzipSync } from 'fflate';
import { InventoryError } from './inventory-file';

/** Bytes of all parts together that are opened, and how often they may be larger than the file. */
const MOST_OPENED = 1_000_000_000;
const MOST_TIMES = 300;
const MOST_PARTS = 5000;

const SAVE_AS =
  'Open it in a spreadsheet program and save it as an XLSX workbook without a password, or as CSV.';

export interface SheetPart {
  readonly name: string;
  readonly hidden: boolean;
  /** XML. */
  readonly data: Uint8Array;
}

export interface SheetContainer {
  readonly sheets: readonly SheetPart[];
  readonly strings: Uint8Array | null;
  readonly styles: Uint8Array | null;
  readonly hasMacros: boolean;
}

export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
export const isCompound = (bytes: Uint8Array): boolean =>
  bytes[0] === 0xd0 && bytes[1] === 0xcf && bytes[2] === 0x11;

/** An encrypted workbook is a container of the old kind, as are workbooks of the old kind. */
export function refuseCompound(bytes: Uint8Array): never {
  const text = new TextDecoder('utf-16le').decode(bytes.subarray(0, bytes.length & ~1));
  if (text.includes('EncryptedPackage'))
    throw new InventoryError(`The workbook is encrypted: it needs a password. ${SAVE_AS}`);
  throw new InventoryError(`The workbook is of an old binary form. ${SAVE_AS}`);
}

export function openContainer(bytes: Uint8Array): SheetContainer {
  if (!hasEnd(bytes))
    throw new InventoryError('The workbook is cut off: its end is missing. Copy or download it once more.');
  const all = new Map<string, number>();
  const parts = unzip(
    bytes,
    ({ name, originalSize }) => {
      all.set(name, originalSize);
      if (all.size > MOST_PARTS) throw new InventoryError(`The workbook has more than ${MOST_PARTS} parts.`);
      return NEEDED.test(name);
    },
    all,
  );
  const names = [...all.keys()];
  if (names.includes('xl/workbook.bin'))
    throw new InventoryError(`The workbook is of a binary form. ${SAVE_AS}`);
  const workbook = parts['xl/workbook.xml'];
  if (!workbook) throw new InventoryError(`This is no XLSX workbook. ${SAVE_AS}`);
  const targets = targetsOf(parts['xl/_rels/workbook.xml.rels']);
  const sheets = sheetsOf(strFromU8(workbook)).flatMap(({ name, hidden, rel }, at): SheetPart[] => {
    const data = parts[targets.get(rel) ?? `xl/worksheets/sheet${at + 1}.xml`];
    return data ? [{ name, hidden, data }] : [];
  });
  if (sheets.length === 0) throw new InventoryError('The workbook has no sheet with cells.');
  return {
    sheets,
    strings: parts['xl/sharedStrings.xml'] ?? null,
    styles: parts['xl/styles.xml'] ?? null,
    hasMacros: names.some((name) => name.endsWith('vbaProject.bin')),
  };
}

const NEEDED =
  /^xl\/(workbook\.(xml|bin)|_rels\/workbook\.xml\.rels|sharedStrings\.xml|styles\.xml|worksheets\/[^/]+\.xml)$/;

function unzip(
  bytes: Uint8Array,
  wants: (part: { name: string; originalSize: number }) => boolean,
  all: ReadonlyMap<string, number>,
): Record<string, Uint8Array> {
  let opened = 0;
  try {
    return unzipSync(bytes, {
      filter: (part) => {
        if (!wants(part)) return false;
        opened += part.originalSize;
        if (opened > MOST_OPENED || opened > Math.max(20_000_000, bytes.length * MOST_TIMES))
          throw new InventoryError(
            `The workbook unpacks to more than ${Math.round(opened / 1e6)} MB from ${Math.ceil(bytes.length / 1e6)} MB, which no inventory does. Save its sheet as CSV.`,
          );
        return true;
      },
    });
  } catch (error) {
    if (error instanceof InventoryError) throw error;
    throw new InventoryError(
      `The workbook is damaged${all.size > 0 ? `, at “${[...all.keys()].pop()}”` : ''}. Copy or download it once more.`,
    );
  }
}

/** The record that ends such a container stands within the last 64 kB. */
function hasEnd(bytes: Uint8Array): boolean {
  for (let at = bytes.length - 22; at >= Math.max(0, bytes.length - 66_000); at -= 1)
    if (bytes[at] === 0x50 && bytes[at + 1] === 0x4b && bytes[at + 2] === 5 && bytes[at + 3] === 6)
      return true;
  return false;
}

const attribute = (tag: string, name: string): string | undefined =>
  new RegExp(`\\s(?:[\\w]+:)?${name}="([^"]*)"`).exec(tag)?.[1];

function sheetsOf(xml: string): { name: string; hidden: boolean; rel: string }[] {
  return (xml.match(/<(?:\w+:)?sheet\s[^>]*>/g) ?? []).map((tag) => ({
    name: unescaped(attribute(tag, 'name') ?? ''),
    hidden: /hidden/i.test(attribute(tag, 'state') ?? ''),
    rel: /\s\w+:id="([^"]*)"/.exec(tag)?.[1] ?? '',
  }));
}

function targetsOf(rels: Uint8Array | undefined): Map<string, string> {
  const tags = rels ? (strFromU8(rels).match(/<(?:\w+:)?Relationship\s[^>]*>/g) ?? []) : [];
  return new Map(
    tags.map((tag): [string, string] => {
      const target = attribute(tag, 'Target') ?? '';
      return [attribute(tag, 'Id') ?? '', target.startsWith('/') ? target.slice(1) : `xl/${target}`];
    }),
  );
}

function unescaped(text: string): string {
  return text
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&apos;/g, "'")
    .replace(/&amp;/g, '&');
}
