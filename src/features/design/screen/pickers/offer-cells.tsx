/** The heads and the cells of the list of offers. */
import { writeMoney, writeNumber, writePrice } from '@/platform/words';
import type { OfferChoice } from '@/features/design/worker/protocol';

export function headsFor(server: boolean): readonly (readonly [string | null, string, boolean])[] {
  if (!server)
    return [
      ['name', 'Offer', false],
      [null, 'For', false],
      ['price', 'First price', true],
      ['monthly', 'This line, a month', true],
      [null, 'Notes', false],
    ];
  return [
    ['name', 'Offer', false],
    ['family', 'Family', false],
    ['processor', 'Processor', false],
    ['vcpu', 'vCPU', true],
    ['memory', 'Memory GiB', true],
    ['price', 'An hour', true],
    ['monthly', 'This line, a month', true],
    [null, 'Notes', false],
  ];
}

export function OfferCells({
  row,
  server,
  currency,
  chosen,
}: {
  readonly row: OfferChoice;
  readonly server: boolean;
  readonly currency: string;
  readonly chosen: boolean;
}) {
  const price = server ? row.hourly : row.unitPrice;
  const note = !row.soldHere
    ? `not sold here${row.nearest ? `; nearest ${row.nearest}` : ''}`
    : [chosen && 'chosen', row.retires && `retires ${row.retires}`, row.burstable && 'burstable']
        .filter(Boolean)
        .join(', ');
  return (
    <>
      <span className={`truncate px-1 ${row.soldHere ? 'font-medium' : ''}`}>{row.name}</span>
      {server ? (
        <>
          <span className="truncate px-1">{row.family}</span>
          <span className="truncate px-1">{row.processor}</span>
          <span className="px-1 text-right tabular-nums">{row.vcpu}</span>
          <span className="px-1 text-right tabular-nums">{row.memory}</span>
        </>
      ) : (
        <span className="truncate px-1 text-soft">{row.note}</span>
      )}
      <span className="px-1 text-right whitespace-nowrap tabular-nums">
        {price === null ? '' : server ? writePrice(price, 6) : writeNumber(price)}
        {!server && row.unit && <span className="block text-xs leading-3 text-soft">per {row.unit}</span>}
      </span>
      <span className="px-1 text-right tabular-nums">
        {row.monthly === null ? '' : writeMoney(row.monthly, currency)}
      </span>
      <span className="truncate px-1 pl-3 text-xs text-soft" title={note}>
        {note}
      </span>
    </>
  );
}
