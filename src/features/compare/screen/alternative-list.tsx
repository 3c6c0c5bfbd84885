/** The alternatives that there are, in the margin of an axis. */
'use client';
import Link from 'next/link';
import { changeWords } from '@/features/design/words';
import { useRoom } from '@/features/design/screen/room';
import { placeNames } from './place-names';

export function AlternativeList() {
  const { id, state, bookList } = useRoom();
  const { design } = state;
  const names = placeNames(bookList);
  const all = design.alternatives ?? [];
  return (
    <section aria-label="Alternatives so far">
      <h2 className="pr-8 text-base font-semibold">Alternatives so far</h2>
      {all.length === 0 && (
        <p className="mt-1 text-sm text-soft">
          None yet. Any row can be made one; then it stands beside the design.
        </p>
      )}
      <ul className="mt-1 text-sm">
        {all.map((each) => (
          <li key={each.id} className="border-b border-line py-1.5">
            <span className="font-medium break-words">{each.name}</span>
            {each.changes.map((change, at) => (
              <span key={at} className="block break-words text-soft">
                {changeWords(change, design, names)}
              </span>
            ))}
          </li>
        ))}
      </ul>
      {all.length > 0 && (
        <p className="mt-3">
          <Link
            href={`/designs/${id}/alternatives`}
            prefetch={false}
            className="text-sm text-brand underline"
          >
            Side by side
          </Link>
        </p>
      )}
    </section>
  );
}
