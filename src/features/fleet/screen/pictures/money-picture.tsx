/** Where is the money? Machines by amount, the dearest first, with what they come to together. */
'use client';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { writeMoney } from '@/platform/words';
import type { MoneyPicture } from '@/features/fleet/worker/fleet-protocol';
import { number, share } from './round';

const HEIGHT = 190;

/** The dearest first; the line above is what they come to together. A bar and its row are one thing. */
export function Money({
  picture,
  address,
}: {
  readonly picture: MoneyPicture;
  readonly address: (name: string) => string;
}) {
  const { bars, currency, total, mean, machines, half } = picture;
  const [at, setAt] = useState(0);
  const money = (text: string): string => `${writeMoney(text, currency)} ${currency}`;
  const most = Number(bars[0]?.printed ?? 1) || 1;
  const pointed = bars[Math.min(at, bars.length - 1)];
  const line = useMemo(
    () =>
      bars.map(({ upTo }, index) => `${((index + 0.5) / bars.length) * 100},${100 - upTo * 100}`).join(' '),
    [bars],
  );
  return (
    <section aria-labelledby="money">
      <h2 id="money" className="text-base font-semibold">
        Where is the money?
      </h2>
      {machines === 0 ? (
        <p className="mt-1 text-sm text-soft">None of these machines has an amount.</p>
      ) : (
        <>
          <p className="mt-1 text-sm">
            {number(machines)} machines cost {money(total)} a month, {money(mean)} each on average. The
            dearest {number(half)} of them ({share(half / machines)}) cost half of it.
          </p>
          <div className="mt-3 grid grid-cols-[minmax(0,1.7fr)_minmax(0,1fr)] gap-6 max-[900px]:grid-cols-1">
            <figure aria-label="Machines by amount, the dearest first">
              <svg
                viewBox="0 0 100 100"
                preserveAspectRatio="none"
                height={HEIGHT}
                className="block w-full border-b border-ink"
                aria-hidden="true"
              >
                {bars.map(({ printed, name }, index) => {
                  const height = (Number(printed) / most) * 96;
                  return (
                    <rect
                      key={`${index}${name}`}
                      x={(index / bars.length) * 100}
                      width={(100 / bars.length) * 0.82}
                      y={100 - height}
                      height={height}
                      fill={index === at ? 'var(--ink)' : 'var(--brand)'}
                      onPointerEnter={() => setAt(index)}
                    />
                  );
                })}
                <polyline
                  points={line}
                  fill="none"
                  stroke="var(--soft)"
                  strokeWidth="1.4"
                  strokeDasharray="4 3"
                  vectorEffect="non-scaling-stroke"
                />
                <line
                  x1="0"
                  x2="100"
                  y1={100 - (Number(mean) / most) * 96}
                  y2={100 - (Number(mean) / most) * 96}
                  stroke="var(--ink)"
                  strokeWidth="1"
                  vectorEffect="non-scaling-stroke"
                />
              </svg>
              <figcaption className="mt-1 flex flex-wrap justify-between gap-x-4 text-xs text-soft">
                <span>
                  {bars.length < machines
                    ? `The dearest ${bars.length} of ${number(machines)}`
                    : `All ${number(machines)}`}
                  ; thin line: the mean; dashed: what they come to together, of all
                </span>
                {pointed && (
                  <span className="text-ink">
                    {pointed.name}: {money(pointed.printed)}
                  </span>
                )}
              </figcaption>
            </figure>
            <div
              tabIndex={0}
              role="region"
              aria-label="Table: machines by amount"
              className="max-h-[236px] overflow-y-auto"
            >
              <table className="w-full text-sm">
                <thead>
                  <tr className="sticky top-0 border-b border-ink bg-surface text-left text-xs text-soft">
                    <th scope="col" className="py-1 font-normal">
                      Machine
                    </th>
                    <th scope="col" className="py-1 font-normal">
                      Becomes
                    </th>
                    <th scope="col" className="py-1 text-right font-normal">
                      A month
                    </th>
                    <th scope="col" className="py-1 text-right font-normal">
                      Together
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {bars.map(({ name, becomes, printed, upTo }, index) => (
                    <tr
                      key={`${index}${name}`}
                      onPointerEnter={() => setAt(index)}
                      className={`border-b border-line ${index === at ? 'bg-wash' : ''}`}
                    >
                      <th scope="row" className="max-w-[140px] truncate py-0.5 text-left font-normal">
                        <Link
                          href={address(name)}
                          prefetch={false}
                          onFocus={() => setAt(index)}
                          className="hover:underline"
                        >
                          {name}
                        </Link>
                      </th>
                      <td className="max-w-[110px] truncate text-soft">{becomes}</td>
                      <td className="text-right tabular-nums">{writeMoney(printed, currency)}</td>
                      <td className="text-right text-soft tabular-nums">{share(upTo)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </div>
        </>
      )}
    </section>
  );
}
