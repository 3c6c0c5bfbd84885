/** Everything about one offer: every rate in its own unit and for its lot, where it is sold, counterparts elsewhere. */
'use client';
import { useEffect, useState } from 'react';
import { kindOf, lotOf, lotPrice, meterOfKind } from '@/engine/books';
import { describeTerm } from '@/engine/terms';
import { writeMoney, writeShare } from '@/platform/words';
import { RATE_TERMS } from '@/engine/terms';
import { type RateRow, toRate } from '@/features/price-books/format/price-book';
import type { FoundOffer } from '@/features/price-books/use/book-ports';
import type { OfferSheet } from '@/features/price-books/use/books';
import { INPUT } from '@/platform/ui/field';
import { callApi } from '@/platform/screen/call-api';
import { chargeWords, rateNotes } from './charge-words';

export function OfferMargin({ found, region }: { readonly found: FoundOffer; readonly region: string }) {
  const [sheet, setSheet] = useState<OfferSheet | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [chosen, setChosen] = useState(region || (found.regions[0] ?? ''));
  const path = `/api/books/${encodeURIComponent(found.book)}/${found.revision}/offer?sku=${encodeURIComponent(found.sku)}`;
  useEffect(() => {
    let current = true;
    callApi<OfferSheet>(path).then(
      (answer) => current && setSheet(answer),
      (error: Error) => current && setTrouble(error.message),
    );
    return () => {
      current = false;
    };
  }, [path]);
  return (
    <div className="text-sm">
      <h2 className="pr-8 text-base font-semibold break-words">{found.name}</h2>
      <p className="text-soft">
        {kindOf(found.kind).label} of {found.bookTitle}
        {found.family ? `, ${found.family}` : ''}
      </p>
      <p className="font-mono text-xs break-all text-soft">{found.sku}</p>
      {trouble && <p className="mt-3 text-ember-ink">{trouble}</p>}
      {!sheet && !trouble && <p className="mt-3 text-soft">Reading …</p>}
      {sheet && (
        <>
          <Facts sheet={sheet} />
          <Rates sheet={sheet} region={chosen} onRegion={setChosen} />
          <Counterparts sheet={sheet} />
        </>
      )}
    </div>
  );
}

function Facts({ sheet: { offer, revision } }: { readonly sheet: OfferSheet }) {
  const facts = [
    ...(offer.vcpu ? [`${offer.vcpu} vCPU`] : []),
    ...(offer.memory ? [`${offer.memory} GiB`] : []),
    ...(offer.gpu ? [`${offer.gpu} GPU`] : []),
    ...(offer.limits
      ? [
          `${offer.limits.vcpuLeast} to ${offer.limits.vcpuMost} vCPU`,
          `${offer.limits.memoryPerVcpuLeast} to ${offer.limits.memoryPerVcpuMost} GiB for each`,
        ]
      : []),
    ...(offer.processor ? [offer.processor] : []),
    ...Object.entries(offer.attributes ?? {}).map(([name, value]) => `${name}: ${value}`),
    ...(offer.capabilities ?? []).map((each) => `can: ${each}`),
    ...(offer.grants ?? []).map((each) => `each brings ${each.amount} ${each.unit} a month to ${each.sku}`),
  ];
  return (
    <>
      {facts.length > 0 && <p className="mt-2">{facts.join(' · ')}</p>}
      {offer.note && <p className="mt-1">{offer.note}</p>}
      {offer.lifecycle !== 'current' && (
        <p className="mt-1 font-medium text-ember-ink">
          {offer.lifecycle === 'announced'
            ? 'Announced, not sold yet'
            : `Being retired ${offer.retires ?? ''}`}
          {offer.replacedBy ? `; its successor is ${offer.replacedBy}` : ''}
        </p>
      )}
      <p className="mt-1 text-xs text-soft">
        Prices of {revision.effective}, revision {revision.number}
      </p>
    </>
  );
}

function Rates({
  sheet,
  region,
  onRegion,
}: {
  readonly sheet: OfferSheet;
  readonly region: string;
  readonly onRegion: (region: string) => void;
}) {
  const selling = sheet.regions.filter((each) => sheet.rates.some((rate) => rate.region === each.code));
  const missing = sheet.regions.filter((each) => !selling.includes(each));
  const here = sheet.rates.filter((rate) => rate.region === region).sort(asReadFirst);
  return (
    <>
      <label className="mt-4 block">
        <span className="mb-0.5 block text-xs text-soft">Rates in</span>
        <select value={region} onChange={(event) => onRegion(event.target.value)} className={INPUT}>
          {selling.map((each) => (
            <option key={each.code} value={each.code}>
              {each.name}, {each.country}
            </option>
          ))}
        </select>
      </label>
      <ul className="mt-1 border-t border-ink">
        {here.map((rate) => (
          <RateLine key={`${rate.meter} ${rate.term}`} sheet={sheet} rate={rate} />
        ))}
      </ul>
      {missing.length > 0 && (
        <p className="mt-1.5 text-xs text-soft">Not sold in {missing.map((each) => each.name).join(', ')}.</p>
      )}
    </>
  );
}

/** On demand before the other ways of paying, licences after what they run on. */
function asReadFirst(a: RateRow, b: RateRow): number {
  const rank = ({ meter, term }: RateRow): number =>
    (meter.startsWith('licence.') ? RATE_TERMS.length : 0) + RATE_TERMS.indexOf(term);
  return rank(a) - rank(b) || (a.meter < b.meter ? -1 : 1);
}

function RateLine({ sheet, rate }: { readonly sheet: OfferSheet; readonly rate: RateRow }) {
  const { currency } = sheet.book;
  const perLot = lotPrice(toRate(rate));
  const label = meterOfKind(sheet.offer.kind, rate.meter)?.label ?? rate.meter;
  return (
    <li className="border-b border-line py-1.5">
      <div className="flex justify-between gap-3">
        <span>
          {label}
          {rate.term !== 'on-demand' && <span className="text-soft">, {describeTerm(rate.term)}</span>}
        </span>
        {perLot && rate.charge.structure !== 'flat' && (
          <span className="text-right whitespace-nowrap tabular-nums">{writeMoney(perLot, currency)}</span>
        )}
      </div>
      <div className="flex justify-between gap-3 text-xs text-soft">
        <span className="break-words">
          {[chargeWords(rate, currency), ...rateNotes(rate, currency)].join('; ')}
        </span>
        {perLot && rate.charge.structure !== 'flat' && (
          <span className="text-right whitespace-nowrap">
            {lotOf(rate.unit).label}
            {rate.upfront && <span className="block">upfront spread</span>}
          </span>
        )}
      </div>
    </li>
  );
}

function Counterparts({ sheet }: { readonly sheet: OfferSheet }) {
  if (sheet.counterparts.length === 0) return null;
  return (
    <>
      <h3 className="mt-4 border-b border-ink pb-1 font-semibold">Counterparts elsewhere</h3>
      <ul>
        {sheet.counterparts.map((each) => (
          <li
            key={`${each.book}/${each.sku}`}
            className="flex justify-between gap-3 border-b border-line py-1"
          >
            <span className="min-w-0">
              {each.name}
              <span className="block text-xs text-soft">
                {each.bookTitle}
                {each.vcpu ? `, ${each.vcpu} vCPU, ${each.memory ?? '?'} GiB` : ''}
              </span>
            </span>
            <span className="text-right whitespace-nowrap tabular-nums">
              {each.price === null
                ? 'see there'
                : `${writeMoney(each.price, each.currency)} ${each.currency}`}
              {each.against !== null && <Against share={each.against} />}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

function Against({ share }: { readonly share: string }) {
  if (Number(share) === 0) return <span className="block text-xs text-soft">the same</span>;
  const less = share.startsWith('-');
  return (
    <span className={`block text-xs ${less ? 'text-tide' : 'text-ember-ink'}`}>
      {less ? '−' : '+'}
      {writeShare(share.replace('-', ''))} {less ? 'less' : 'more'}
    </span>
  );
}
