/** A bill against its design as a file: for finance, a sheet, a program. */
import { billReport, billTable } from '@/features/bills/words';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { fleetMarkdown } from '@/features/fleet/file/fleet-markdown';
import { fleetPdf } from '@/features/fleet/file/fleet-pdf';
import { flatTableSheet } from '@/platform/files/sheet-flat-table';
import { type BillForm } from '@/features/bills/use/bill-ports';
import { type BillView } from '@/features/bills/use/bill-view';
import { fileStem } from '@/features/design/use/designs';
import { type WrittenFile } from '@/platform/use/job-ports';

const TYPES: Readonly<Record<BillForm, string>> = {
  md: 'text/markdown; charset=utf-8',
  csv: 'text/csv; charset=utf-8',
  json: 'application/json',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  pdf: 'application/pdf',
};

export async function writeBill(form: BillForm, view: BillView, at: Date): Promise<WrittenFile> {
  const { provider, account, from } = view.bill;
  const bytes = new Uint8Array(await bytesOf(form, view, at));
  return { type: TYPES[form], name: `${fileStem(`${provider} ${account} ${from}`)}.${form}`, bytes };
}

async function bytesOf(form: BillForm, view: BillView, at: Date): Promise<Uint8Array> {
  const text = (written: string): Uint8Array => new TextEncoder().encode(written);
  const told = { head: view.bill, title: view.design?.title ?? null, notes: view.bill.notes, ...view };
  switch (form) {
    case 'json':
      return text(`${JSON.stringify(view, null, 2)}\n`);
    case 'csv':
      return text(flatTableCsv(billTable(told)));
    case 'md':
      return text(fleetMarkdown(billReport(told, view.bill.closing)));
    case 'xlsx':
      return flatTableSheet({ ...billTable(told), noSums: true }, at);
    case 'pdf':
      return fleetPdf(billReport(told, view.bill.closing), at);
  }
}
