/** What leaves the account in each quarter, as bars on paper; the table below has the same figures by month and year. */
import { StyleSheet, Text, View } from '@react-pdf/renderer';
import type { ReportMonth } from '@/features/report/calc';
import { STYLES } from '@/platform/files/pdf-style';

const HEIGHT = 48;
/** More bars than this have a name below every few of them. */
const NAMED = 12;

const LOOK = StyleSheet.create({
  chart: { flexDirection: 'row', alignItems: 'flex-end', height: HEIGHT + 26, marginTop: 4, gap: 0 },
  column: { flexGrow: 1, flexBasis: 0, alignItems: 'stretch' },
  bar: { backgroundColor: '#17594A', marginHorizontal: 7 },
  name: {
    fontSize: 8,
    color: '#17211D',
    textAlign: 'center',
    borderTopWidth: 0.75,
    borderTopColor: '#17211D',
  },
  most: { fontSize: 8, color: '#17211D', marginTop: 3 },
});

interface QuarterBarsProps {
  readonly quarters: readonly ReportMonth[];
  readonly currency: string;
  readonly money: (value: string) => string;
}

/** Nothing where there is nothing to compare: one quarter, or no money at all. */
export function QuarterBars({ quarters, currency, money }: QuarterBarsProps) {
  const amounts = quarters.map((quarter) => Number(quarter.cash));
  const most = Math.max(...amounts);
  if (quarters.length < 2 || !(most > 0)) return null;
  const each = Math.ceil(quarters.length / NAMED);
  const dearest = quarters[amounts.indexOf(most)]!;
  return (
    <View wrap={false}>
      <Text style={STYLES.heading}>What leaves the account in each quarter, {currency}</Text>
      <Text style={LOOK.most}>
        The most is {money(dearest.cash)} in {dearest.label}.
      </Text>
      <View style={LOOK.chart}>
        {amounts.map((amount, at) => (
          <View key={at} style={LOOK.column}>
            <View style={[LOOK.bar, { height: Math.max(0, (amount / most) * HEIGHT) }]} />
            <Text style={LOOK.name}>{at % each === 0 ? `Q${at + 1}` : ' '}</Text>
          </View>
        ))}
      </View>
    </View>
  );
}
