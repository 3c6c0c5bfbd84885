/** Which commitment or credit, of whom, and for how long. */
'use client';
import { describeTerm } from '@/engine/terms';
import type { SoldAhead } from '@/features/paying/calc';
import type { Term } from '@/engine/terms';
import { useRoom } from '@/features/design/screen/room';

interface OfferAheadProps {
  readonly sold: readonly SoldAhead[];
  readonly offer: SoldAhead;
  /** Null: all terms are looked at. */
  readonly term: Term | null;
  readonly onChoose: (offer: SoldAhead, term: Term) => void;
}

export function OfferAhead({ sold, offer, term, onChoose }: OfferAheadProps) {
  const { bookList } = useRoom();
  const looks = 'mt-0.5 block h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink';
  const title = (book: string): string => bookList.find(({ key }) => key === book)?.title ?? book;
  return (
    <>
      <label className="text-xs text-soft">
        sold by
        <select
          value={offer.sku}
          onChange={(event) => {
            const next = sold.find(({ sku }) => sku === event.target.value)!;
            onChoose(next, next.terms[0]!);
          }}
          className={looks}
        >
          {sold.map((each) => (
            <option key={`${each.book} ${each.sku}`} value={each.sku}>
              {title(each.book)}, {each.name}
            </option>
          ))}
        </select>
      </label>
      {term && (
        <label className="text-xs text-soft">
          for
          <select
            value={term}
            onChange={(event) => onChoose(offer, event.target.value as Term)}
            className={looks}
          >
            {offer.terms.map((each) => (
              <option key={each} value={each}>
                {describeTerm(each)}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  );
}
