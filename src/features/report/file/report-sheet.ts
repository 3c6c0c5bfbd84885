/**
 * A report as a workbook. The amounts of the lines are formulas down to the price list: a changed count or quantity
 * goes through conversions, allowances, tiers and pools to the total. What formulas would not follow rightly is no
 * entry (see `liveComponents`). Needs Q3; formats in docs/formats/report.md.
 */
import ExcelJs from 'exceljs';
import { mainMeter } from '@/engine/books';
import { stepsOf } from '@/engine/program';
import { type BuiltReport, liveComponents, liveDrivers, mainEntries } from '@/features/report/calc';
import { addDrivers } from './sheet-drivers';
import { addFlatTable, addToKnow } from '@/platform/files/sheet-flat-table';
import { addLines, type LinesPlan } from './sheet-lines';
import { addAssumptions, addMonths, addPaying, addRates } from './sheet-others';
import { addSummary } from './sheet-summary';
import { addWorkings } from './sheet-workings';

export async function reportSheet(built: BuiltReport, at: Date): Promise<Uint8Array> {
  const { report, plan: planned, cases, open } = built;
  const { design } = planned;
  const book = new ExcelJs.Workbook();
  book.created = at;
  book.title = report.title;
  book.calcProperties.fullCalcOnLoad = true;
  const names = new Map(
    report.sections.flatMap((section) => section.lines.map((line) => [line.id, line.name])),
  );
  const live = open ? liveComponents(planned) : new Set<string>();
  const plan: LinesPlan = {
    report,
    components: new Map(
      design.sections.flatMap((section) => section.components.map((each) => [each.id, each])),
    ),
    // Where the prices are withheld there are no formulas below the amounts either.
    workings: open ? stepsOf(cases.likely, names) : null,
    live,
    mains: mainEntries(design),
    meterOf: (kind) => mainMeter(kind)?.label ?? '',
  };
  const summary = book.addWorksheet('Summary');
  const lines = addLines(book, plan);
  addSummary(summary, report, lines);
  addPaying(book, report);
  addMonths(book, report);
  report.kept.forEach(({ table }, index) => {
    if (table.head.length > 0) addFlatTable(book, table, `Kept ${index + 1}`);
    addToKnow(book, table, `Kept ${index + 1}, to know`);
  });
  report.beside.forEach((table, index) => {
    addFlatTable(book, table, `Beside ${index + 1}`);
    addToKnow(book, table, `Beside ${index + 1}, to know`);
  });
  addAssumptions(book, report);
  addRates(book, report);
  const drivers = open
    ? addDrivers(book, design.assumptions.drivers ?? [], liveDrivers(planned))
    : new Map<string, string>();
  if (plan.workings) addWorkings(book, plan.workings, plan, new Map([...lines.entries, ...drivers]));
  return new Uint8Array(await book.xlsx.writeBuffer());
}
