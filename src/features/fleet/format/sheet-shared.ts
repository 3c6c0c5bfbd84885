/** What the sheets of a workbook share: texts, styles, and a parser that refuses in our words. */
import { SaxesParser } from 'saxes';
import { InventoryError, MOST_OF_CELL } from './inventory-file';

const PIECE = 1 << 20;

export function* piecesOf(data: Uint8Array): Generator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: false });
  for (let at = 0; at < data.length; at += PIECE)
    yield decoder.decode(data.subarray(at, at + PIECE), { stream: at + PIECE < data.length });
}

export const local = (name: string): string => name.slice(name.indexOf(':') + 1);

/** A parser that refuses in our words. */
export function parserFor(where: string): SaxesParser {
  const parser = new SaxesParser({ xmlns: false });
  parser.on('error', (error) => {
    throw new InventoryError(
      `${where} is damaged: ${error.message.split('\n')[0]}. Save the workbook once more.`,
    );
  });
  parser.on('doctype', () => {
    throw new InventoryError(`${where} declares a document type, which no spreadsheet program writes.`);
  });
  return parser;
}

export function sharedTexts(data: Uint8Array): string[] {
  const texts: string[] = [];
  let [text, inText, phonetic] = ['', false, 0];
  const parser = parserFor('The list of texts');
  parser.on('opentag', ({ name }) => {
    const tag = local(name);
    if (tag === 'si') text = '';
    else if (tag === 'rPh') phonetic += 1;
    else if (tag === 't') inText = phonetic === 0;
  });
  parser.on('text', (piece) => {
    if (!inText) return;
    text += piece;
    if (text.length > MOST_OF_CELL)
      throw new InventoryError(`A cell has more than ${MOST_OF_CELL} letters: “${text.slice(0, 30)}…”.`);
  });
  parser.on('closetag', ({ name }) => {
    const tag = local(name);
    if (tag === 't') inText = false;
    else if (tag === 'rPh') phonetic -= 1;
    else if (tag === 'si') texts.push(text);
  });
  for (const piece of piecesOf(data)) parser.write(piece);
  parser.close();
  return texts;
}

/** Number formats that are dates or times: those that every workbook has, and its own with a year, day or hour. */
export function dateStyles(data: Uint8Array): Set<number> {
  const own = new Set<number>();
  const dates = new Set<number>();
  let [inCells, at] = [false, 0];
  const parser = parserFor('The list of styles');
  parser.on('opentag', ({ name, attributes }) => {
    const tag = local(name);
    const given = attributes as Record<string, string>;
    if (tag === 'numFmt' && /[ydh]/i.test((given.formatCode ?? '').replace(/"[^"]*"|\[[^\]]*\]|\\./g, '')))
      own.add(Number(given.numFmtId));
    else if (tag === 'cellXfs') inCells = true;
    else if (tag === 'xf' && inCells) {
      const format = Number(given.numFmtId ?? 0);
      if ((format >= 14 && format <= 22) || (format >= 45 && format <= 47) || own.has(format)) dates.add(at);
      at += 1;
    }
  });
  parser.on('closetag', ({ name }) => {
    if (local(name) === 'cellXfs') inCells = false;
  });
  for (const piece of piecesOf(data)) parser.write(piece);
  parser.close();
  return dates;
}
