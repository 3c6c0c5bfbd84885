/** A fleet's report on paper: the total first, then each question across the page. Needs Q2. */
import { Document, renderToBuffer, Text, View } from '@react-pdf/renderer';
import { type TableReport, type TableReportTotal } from '@/platform/tables';
import { writeMoney, writeNumber } from '@/platform/words';
import { BesidePages } from '@/platform/files/pdf-beside';
import { Cell } from '@/platform/files/pdf-cell';
import { Sheet } from '@/platform/files/pdf-sheet';
import { registerFonts, STYLES } from '@/platform/files/pdf-style';

export async function fleetPdf(report: TableReport, at: Date): Promise<Uint8Array> {
  registerFonts();
  return new Uint8Array(await renderToBuffer(<Paper report={report} at={at} />));
}

function Paper({ report, at }: { readonly report: TableReport; readonly at: Date }) {
  const { title, currency, amounts = `${currency} a month`, lead, total, tables } = report;
  return (
    <Document title={title} creator="Wick Tally" creationDate={at} language="en">
      <Sheet title={title} foot={`Made on ${at.toISOString().slice(0, 10)} · ${amounts}`} across>
        <Text style={STYLES.title}>{title}</Text>
        {lead.map((text) => (
          <Text key={text} style={STYLES.lead}>
            {text.replaceAll('\u2212', '-')}
          </Text>
        ))}
        {total && <Total total={total} currency={currency} />}
        {tables.map((table) => (
          <BesidePages key={table.title} table={table} />
        ))}
      </Sheet>
    </Document>
  );
}

function Total({ total, currency }: { readonly total: TableReportTotal; readonly currency: string }) {
  const money = (value: string): string => writeMoney(value, currency);
  const { placement, where, machines, monthly, year, low, high, missing } = total;
  const rows: readonly (readonly [string, string])[] = [
    ['Where', where],
    ['Machines', writeNumber(String(machines))],
    ['12 months', money(year)],
    ...(low === high ? [] : [['If all were measured', low === monthly ? money(high) : money(low)] as const]),
  ];
  return (
    <View style={{ width: '60%' }}>
      <Text style={STYLES.heading}>What it would cost, {currency} a month</Text>
      <View style={STYLES.total}>
        <Cell grow={3}>
          {placement}
          {missing > 0 ? `, incomplete: ${missing} have no amount` : ''}
        </Cell>
        <Cell grow={1} end>
          {money(monthly)}
        </Cell>
      </View>
      <View style={STYLES.double} />
      {rows.map(([label, value]) => (
        <View key={label} style={STYLES.row} wrap={false}>
          <Cell grow={3}>{label}</Cell>
          <Cell grow={2} end>
            {value}
          </Cell>
        </View>
      ))}
    </View>
  );
}
