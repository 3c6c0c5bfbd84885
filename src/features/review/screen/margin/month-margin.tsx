/** The month as a whole: a sentence, what is not known, sums by kind, provider and region, what the plan remarks. */
import { doubtSentences, heldSentence, reviewSentence } from '@/features/review/words';
import type { GroupSum } from '@/features/review/calc';
import { Amount } from '@/platform/ui/amount';
import type { WorkAnswer } from '@/features/review/worker/review-protocol';
import { Difference } from '../marks';

export function MonthMargin({ answer }: { readonly answer: WorkAnswer }) {
  const { review, columns } = answer;
  const { totals, currency, remarks, unreached } = review;
  const doubts = doubtSentences(review);
  return (
    <>
      <h2 className="pr-8 text-base font-semibold" data-testid="review-sentence">
        {reviewSentence(review)}
      </h2>
      {doubts.length > 0 && (
        <ul aria-label="What is not known" className="mt-2 space-y-1 text-sm text-ember-ink">
          {doubts.map((each) => (
            <li key={each}>{each}</li>
          ))}
        </ul>
      )}
      {review.held.length > 0 && (
        <ul aria-label="Held already" className="mt-2 space-y-1 text-sm">
          {review.held.map((each) => (
            <li key={each.name}>{heldSentence(each, currency)}</li>
          ))}
        </ul>
      )}
      {columns.length > 0 && (
        <section className="mt-3">
          <h3 className="text-sm font-semibold">Otherwise</h3>
          <ul className="mt-1 border-t border-line text-sm">
            {columns.map(({ name, after, difference, doubts: open }) => (
              <li key={name} className="flex items-baseline gap-2 border-b border-line py-1">
                <span className="min-w-0 flex-1 break-words">
                  {name}
                  {open > 0 && (
                    <span className="block text-xs text-ember-ink">{`${open} not known then`}</span>
                  )}
                </span>
                <Amount value={after} currency={currency} />
                <span className="w-[96px] text-right">
                  <Difference value={difference} currency={currency} />
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Groups title="By kind" groups={totals.byKind} currency={currency} />
      <Groups title="By provider" groups={totals.byProvider} currency={currency} />
      <Groups title="By region" groups={totals.byRegion} currency={currency} />
      {unreached.length > 0 && (
        <p className="mt-3 text-sm text-soft">{`The load profile names what is not in the plan: ${unreached.join(', ')}.`}</p>
      )}
      {remarks.map((remark) => (
        <p key={remark} className="mt-2 text-sm text-soft">
          {remark}
        </p>
      ))}
      <p className="mt-3 text-xs text-soft">{`Read from a ${review.form}${review.map ? `, with the map ${review.map}` : ''}.`}</p>
    </>
  );
}

interface GroupsProps {
  readonly title: string;
  readonly groups: readonly GroupSum[];
  readonly currency: string;
}

function Groups({ title, groups, currency }: GroupsProps) {
  if (groups.length === 0) return null;
  return (
    <table className="mt-3 w-full text-sm">
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-0.5 font-normal">{title}</th>
          <th className="py-0.5 text-right font-normal">After</th>
          <th className="w-[96px] py-0.5 text-right font-normal">A month more</th>
        </tr>
      </thead>
      <tbody>
        {groups.map(({ key, name, after, difference }) => (
          <tr key={key} className="border-b border-line align-baseline">
            <td className="py-0.5 break-words">{name}</td>
            <td className="py-0.5 text-right">
              <Amount value={after} currency={currency} />
            </td>
            <td className="py-0.5 text-right">
              <Difference value={difference} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
