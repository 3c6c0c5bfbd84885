/** The lines of a report on paper: with their amounts, and as they were entered. */
import { Text, View } from '@react-pdf/renderer';
import type { ReactElement } from 'react';
import { writeNumber } from '@/platform/words';
import type { Report, ReportLine, ReportSection } from '@/features/report/calc';
import { Cell } from '@/platform/files/pdf-cell';
import { STYLES } from '@/platform/files/pdf-style';

export type Money = (value: string) => string;

/** Rows that are laid out together. The layout looks at all rows that are left for every page that it fills. */
export const TOGETHER = 120;

interface Stretch extends ReportSection {
  /** Its head and amount stood before. */
  readonly isContinued: boolean;
}

/** Sections in stretches of so many lines; a longer section is continued in the next stretch. */
export function stretches(sections: readonly ReportSection[]): Stretch[][] {
  const made: Stretch[][] = [[]];
  let room = TOGETHER;
  for (const section of sections) {
    for (let from = 0; from === 0 || from < section.lines.length;) {
      if (room === 0) {
        made.push([]);
        room = TOGETHER;
      }
      const lines = section.lines.slice(from, from + room);
      made.at(-1)!.push({ ...section, lines, isContinued: from > 0 });
      from += Math.max(lines.length, 1);
      room -= Math.min(room, Math.max(lines.length, 1));
    }
  }
  return made;
}

/** So many rows at the least go over to another page. */
const LAST = 4;

/** The last rows of a table stay together: no page begins with one or two that are left over. */
export function TogetherAtTheEnd({ rows }: { readonly rows: readonly ReactElement[] }) {
  return (
    <>
      {rows.slice(0, -LAST)}
      <View wrap={false}>{rows.slice(-LAST)}</View>
    </>
  );
}

export function Lines({
  report,
  sections,
  isLast,
  money,
}: {
  readonly report: Report;
  readonly sections: readonly Stretch[];
  readonly isLast: boolean;
  readonly money: Money;
}) {
  return (
    <>
      <View style={STYLES.head} fixed>
        <Cell grow={3}>Line</Cell>
        <Cell grow={3}>What</Cell>
        <Cell grow={1} end>
          Count
        </Cell>
        <Cell grow={3} indent>
          Use and way of paying
        </Cell>
        <Cell grow={2} end>
          {report.currency} a month
        </Cell>
      </View>
      <TogetherAtTheEnd
        rows={[
          ...sections.flatMap((section) => sectionRows(section, money)),
          ...(isLast
            ? [
                <View key="total">
                  <View style={STYLES.total} wrap={false}>
                    <Cell grow={10}>Total</Cell>
                    <Cell grow={2} end>
                      {money(report.total.monthly)}
                    </Cell>
                  </View>
                  <View style={STYLES.double} />
                </View>,
              ]
            : []),
        ]}
      />
    </>
  );
}

function sectionRows(section: Stretch, money: Money): ReactElement[] {
  return [
    <View key={`head-${section.id}`} style={STYLES.section} wrap={false} minPresenceAhead={30}>
      <Cell grow={10}>{section.isContinued ? `${section.name}, continued` : section.name}</Cell>
      <Cell grow={2} end>
        {section.isContinued ? '' : money(section.amount)}
      </Cell>
    </View>,
    ...section.lines.map((line) => (
      <View key={line.id} style={STYLES.row} wrap={false}>
        <Cell grow={3}>{line.name}</Cell>
        <Cell grow={3} soft>
          {whatOf(line)}
        </Cell>
        <Cell grow={1} end>
          {writeNumber(line.count)}
        </Cell>
        <Cell grow={3} soft indent>
          {[line.use, line.paid].filter(Boolean).join('; ')}
        </Cell>
        <Cell grow={2} end>
          {line.amount === null ? 'not priced' : money(line.amount)}
        </Cell>
      </View>
    )),
  ];
}

function whatOf({ offer, kind, provider, region }: ReportLine): string {
  return [offer || kind, [provider, region].filter(Boolean).join(' ')].filter(Boolean).join(', ');
}

export function Entered({ sections }: { readonly sections: readonly ReportSection[] }) {
  return (
    <>
      <Text style={STYLES.heading} minPresenceAhead={40}>
        Every line as it was entered
      </Text>
      <TogetherAtTheEnd
        rows={sections.flatMap((section) =>
          section.lines.map((line) => (
            <View key={line.id} style={STYLES.row} wrap={false}>
              <Cell grow={2}>{line.name}</Cell>
              <Cell grow={5} soft>
                {[...line.settings.map(({ label, value }) => `${label}: ${value}`), ...line.notices].join(
                  '. ',
                )}
              </Cell>
            </View>
          )),
        )}
      />
    </>
  );
}
