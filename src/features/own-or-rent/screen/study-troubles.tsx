/** What has to be repaired before a study says anything, each with the way to the place where that is done. */
'use client';
import Link from 'next/link';
import { studyTroubleText } from '@/features/own-or-rent/words';
import type { StudyTrouble } from '@/features/own-or-rent/calc';
import { useStudy } from './study-context';

interface StudyTroublesProps {
  readonly troubles: readonly StudyTrouble[];
}

export function StudyTroubles({ troubles }: StudyTroublesProps) {
  const { id } = useStudy();
  if (troubles.length === 0) return null;
  return (
    <ul role="alert" className="mt-2 max-w-[820px] list-disc pl-5 text-sm text-ember-ink">
      {troubles.map((each, at) => {
        const place = placeOf(each.at);
        return (
          <li key={at}>
            {studyTroubleText(each)}{' '}
            {place && (
              <Link
                href={`/own-or-rent/${id}/${place[0]}`}
                className="whitespace-nowrap text-brand underline"
              >
                {place[1]}
              </Link>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** The view in which it is changed; null: how it counts stands beside the answer. */
function placeOf(at: string): readonly [path: string, words: string] | null {
  if (at === 'years' || at === 'start') return null;
  if (at.startsWith('waves/')) return ['move', 'Go to the move'];
  if (at.startsWith('variants') || at === 'against') return ['variants', 'Go to the variants'];
  return ['numbers', 'Go to the assumptions'];
}
