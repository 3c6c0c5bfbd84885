/** A study's report on paper: the sentence first, then the lines of both sides, then each question across the page. */
import { Document, renderToBuffer, Text } from '@react-pdf/renderer';
import type { StudyReport } from '@/features/own-or-rent/words';
import { BesidePages } from '@/platform/files/pdf-beside';
import { PaperDrawing } from '@/platform/files/pdf-drawing';
import { Sheet } from '@/platform/files/pdf-sheet';
import { registerFonts, STYLES } from '@/platform/files/pdf-style';

export async function studyPdf(report: StudyReport, at: Date): Promise<Uint8Array> {
  registerFonts();
  return new Uint8Array(await renderToBuffer(<Paper report={report} at={at} />));
}

function Paper({ report, at }: { readonly report: StudyReport; readonly at: Date }) {
  const { title, currency, lead, drawing, tables } = report;
  return (
    <Document title={title} creator="Wick Tally" creationDate={at} language="en">
      <Sheet title={title} foot={`Made on ${at.toISOString().slice(0, 10)} · ${currency}`} across>
        <Text style={STYLES.title}>{title}</Text>
        {lead.map((text, line) => (
          <Text key={text} style={line === 0 ? [STYLES.lead, STYLES.strong] : STYLES.lead}>
            {text.replaceAll('\u2212', '-')}
          </Text>
        ))}
        {drawing && <PaperDrawing drawing={drawing} />}
        {tables.map((table) => (
          <BesidePages key={table.title} table={table} />
        ))}
      </Sheet>
    </Document>
  );
}
