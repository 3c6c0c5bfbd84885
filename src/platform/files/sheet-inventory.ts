/** Plain tables as a workbook: the demo's inventory, as a team would have written it. */
import ExcelJs from 'exceljs';

interface Sheet {
  readonly name: string;
  readonly rows: readonly (readonly (string | number)[])[];
}

const FIRST_WIDTH = 22;

export async function plainSheets(sheets: readonly Sheet[], at: Date): Promise<Uint8Array> {
  const book = new ExcelJs.Workbook();
  book.created = at;
  book.modified = at;
  for (const { name, rows } of sheets) {
    const sheet = book.addWorksheet(name);
    sheet.getColumn(1).width = FIRST_WIDTH;
    for (const row of rows) sheet.addRow([...row]);
  }
  return new Uint8Array(await book.xlsx.writeBuffer());
}
