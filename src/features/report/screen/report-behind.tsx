/** What stands behind a report: ways of paying, everything as entered, prices used. */
import { Fragment } from 'react';
import type { Report } from '@/features/report/calc';
import { Amount } from '@/platform/ui/amount';
import { CELL, HEAD, HEADING } from '@/platform/screen/report-looks';

export function Paying({ report }: { readonly report: Report }) {
  if (report.paying.length === 0) return null;
  const ways = [...new Set(report.paying.flatMap((line) => line.ways.map((way) => way.paid)))];
  return (
    <section aria-label="Ways of paying" tabIndex={0} className="overflow-x-auto">
      <h2 className={HEADING}>Ways of paying, {report.currency} a month</h2>
      <table className="w-full text-sm">
        <thead>
          <tr>
            <th scope="col" className={HEAD}>
              Line
            </th>
            {ways.map((way) => (
              <th key={way} scope="col" className={`${HEAD} pl-3 text-right!`}>
                {way}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {report.paying.map((line) => (
            <tr key={line.id} className="break-inside-avoid">
              <th scope="row" className={`${CELL} text-left font-normal`}>
                {line.name}
              </th>
              {ways.map((paid) => {
                const monthly = line.ways.find((way) => way.paid === paid)?.monthly;
                return (
                  <td key={paid} className={`${CELL} pr-0! pl-3 text-right`}>
                    {monthly ? (
                      <Amount value={monthly} currency={report.currency} />
                    ) : (
                      <span className="text-soft">not sold</span>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

export function Entered({ report }: { readonly report: Report }) {
  return (
    <section aria-label="Every line as it was entered">
      <h2 className={HEADING}>Every line as it was entered</h2>
      {report.sections.map((section) => (
        <Fragment key={section.id}>
          {section.lines.map((line) => (
            <div
              key={line.id}
              className="grid break-inside-avoid grid-cols-[minmax(0,2fr)_minmax(0,5fr)] gap-4 border-b border-line py-1 text-sm"
            >
              <h3 className="break-words">{line.name}</h3>
              <p className="break-words text-soft">
                {line.settings.map(({ label, value }) => `${label}: ${value}`).join('. ')}
                {line.notices.map((notice) => (
                  <span key={notice} className="block">
                    {notice}
                  </span>
                ))}
              </p>
            </div>
          ))}
        </Fragment>
      ))}
    </section>
  );
}

export function Prices({ report }: { readonly report: Report }) {
  if (report.rates.length === 0) return null;
  return (
    <section aria-label="Prices used" tabIndex={0} className="overflow-x-auto">
      <h2 className={HEADING}>Prices used</h2>
      <table className="w-full text-sm">
        <thead>
          <tr>
            {['Price book', 'SKU', 'Region', 'Price', ''].map((head, index) => (
              <th key={index} scope="col" className={HEAD}>
                {head || <span className="sr-only">Amount</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {report.rates.map((rate, index) => (
            <tr key={index} className="break-inside-avoid">
              <td className={CELL}>
                {rate.book} r{rate.revision}
              </td>
              <td className={`${CELL} font-mono text-xs`}>{rate.sku}</td>
              <td className={CELL}>{rate.region}</td>
              <td className={`${CELL} text-soft`}>{rate.label}</td>
              <td className={`${CELL} pr-0! text-right tabular-nums`}>
                {rate.price} <span className="text-xs text-soft">{rate.unit}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
