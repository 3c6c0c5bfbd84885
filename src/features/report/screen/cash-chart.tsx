/** A chart that answers its title: what leaves the account, quarter by quarter. The table beside it has the same figures. */
'use client';
import dynamic from 'next/dynamic';
import { writeMoney, writeNumber } from '@/platform/words';
import type { ReportMonth } from '@/features/report/calc';
import { useChartColours } from '@/platform/ui/chart-colours';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

interface CashChartProps {
  readonly quarters: readonly ReportMonth[];
  readonly currency: string;
}

/** At most so many quarters have their name below them; the first always has. */
const NAMED = 8;

function isNamed(name: string, quarters: number): boolean {
  return (Number(name.slice(1)) - 1) % Math.ceil(quarters / NAMED) === 0;
}

export function CashChart({ quarters, currency }: CashChartProps) {
  const colours = useChartColours();
  const words = quarters.map((each) => `${each.label} ${writeMoney(each.cash, currency)}`).join(', ');
  return (
    <figure
      className="print:hidden"
      aria-label={`What leaves the account in each quarter, ${currency}: ${words}`}
    >
      <figcaption className="text-sm font-semibold">
        What leaves the account in each quarter? {currency}
      </figcaption>
      <div className="h-[190px]" aria-hidden="true">
        {colours && (
          <Chart
            type="bar"
            height={190}
            series={[{ name: 'Cash', data: quarters.map((each) => Number(each.cash)) }]}
            options={{
              chart: {
                toolbar: { show: false },
                animations: { enabled: false },
                fontFamily: 'inherit',
                foreColor: colours['--soft'],
              },
              colors: [colours['--brand']],
              plotOptions: { bar: { columnWidth: '62%' } },
              dataLabels: { enabled: false },
              grid: { borderColor: colours['--line'] },
              xaxis: {
                categories: quarters.map((_, index) => `Q${index + 1}`),
                axisTicks: { show: false },
                labels: {
                  rotate: 0,
                  formatter: (name: string) => (isNamed(name, quarters.length) ? name : ''),
                },
                axisBorder: { color: colours['--ink'] },
              },
              yaxis: {
                labels: { formatter: (value: number) => writeNumber(String(Math.round(value))) },
              },
              tooltip: {
                x: { formatter: (_, { dataPointIndex }) => quarters[dataPointIndex as number]?.label ?? '' },
                y: { formatter: (value: number) => writeMoney(String(value), currency) },
              },
              states: { hover: { filter: { type: 'none' } } },
            }}
          />
        )}
      </div>
    </figure>
  );
}
