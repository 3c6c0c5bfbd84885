/** How a placement is paid: licences in the rate or brought, commitments, what was agreed with its providers. */
'use client';
import { describeTerm } from '@/engine/terms';
import type { FleetPlacement } from '@/features/fleet/calc';
import { type Agreement, TERMS, type Term } from '@/engine/terms';
import { Choice } from '@/platform/ui/field';
import { useFleet } from '../room-context';
import { Amount, exact, Part } from './amount-entry';

interface PayingPartProps {
  readonly placement: FleetPlacement;
  readonly onPlacement: (placement: FleetPlacement) => void;
}

export function PayingPart({ placement, onPlacement }: PayingPartProps) {
  const { names } = useFleet();
  const set = (part: Partial<FleetPlacement>): void => onPlacement({ ...placement, ...part });
  const providers = [...new Set(placement.places.map(({ book }) => book))];
  return (
    <Part title="Licences and paying">
      <Choice
        label="Licences of systems"
        hint={
          placement.licences === 'brought'
            ? 'Only offers that let one bring them are taken; often these are hosts of one’s own. What they cost is not in the amount.'
            : undefined
        }
        value={placement.licences}
        options={[
          ['included', 'in the rate'],
          ['brought', 'brought along'],
        ]}
        onChange={(licences) => set({ licences })}
      />
      <Choice
        label="Licences of databases and other software"
        value={placement.softwareLicences ?? 'likewise'}
        options={[
          ['likewise', 'as those of systems'],
          ['included', 'in the rate'],
          ['brought', 'brought along'],
        ]}
        onChange={(how) => {
          const { softwareLicences: _, ...others } = placement;
          onPlacement(how === 'likewise' ? others : { ...others, softwareLicences: how });
        }}
      />
      <Choice
        label="Paid"
        value={placement.term}
        options={TERMS.map((term): readonly [Term, string] => [term, describeTerm(term)])}
        onChange={(term) => set({ term })}
      />
      <Choice
        label="Machines that are powered off"
        value={placement.withoutOff ? 'out' : 'in'}
        options={[
          ['out', 'are left out'],
          ['in', 'are placed, too'],
        ]}
        onChange={(value) => set({ withoutOff: value === 'out' })}
      />
      {providers.map((book) => (
        <Amount
          key={book}
          label={`Agreed off at ${names.book(book)}, %`}
          value={agreedOff(placement, book) * 100}
          least={0}
          most={100}
          hint={othersAt(placement, book)}
          onValue={(percent) => onPlacement(withAgreed(placement, book, exact(percent / 100)))}
        />
      ))}
    </Part>
  );
}

/** The one that this form writes; others come with a plan that was brought in, and stay as they are. */
const isOurs = ({ id }: Agreement, book: string): boolean => id === `agreed-${book}`;

function agreedOff({ agreements = [] }: FleetPlacement, book: string): number {
  const own = agreements.find((each) => isOurs(each, book));
  return own?.discount?.by === 'share' ? Number(own.discount.share) : 0;
}

function othersAt({ agreements = [] }: FleetPlacement, book: string): string | undefined {
  const names = agreements
    .filter((each) => !isOurs(each, book) && covers(each, book))
    .map(({ name }) => name);
  return names.length > 0 ? `Beside ${names.join(', ')}` : undefined;
}

const covers = ({ covers: { books } }: Agreement, book: string): boolean =>
  books.length === 0 || books.includes(book);

function withAgreed(placement: FleetPlacement, book: string, share: number): FleetPlacement {
  const { agreements = [], ...others } = placement;
  const kept = agreements.filter((each) => !isOurs(each, book));
  const own: Agreement = {
    id: `agreed-${book}`,
    name: 'Agreed discount',
    covers: { books: [book], categories: [], kinds: [], skus: [] },
    from: null,
    to: null,
    discount: { by: 'share', share: String(share) },
    margin: null,
  };
  const all = share > 0 ? [...kept, own] : kept;
  return all.length > 0 ? { ...others, agreements: all } : others;
}
