/** What the texts of an inventory mean for a price: one row a text, the most frequent first. */
'use client';
import { writeNumber } from '@/platform/words';
import type { SystemChoice, Systems, SystemText } from '@/features/fleet/calc';

interface TextMeaningsProps {
  readonly texts: readonly SystemText[];
  readonly products: readonly string[];
  readonly meanings: Systems;
  readonly onMeanings: (meanings: Systems) => void;
}

const SHOWN = 200;

export function TextMeanings({ texts, products, meanings, onMeanings }: TextMeaningsProps) {
  const head = 'py-1 font-normal';
  return (
    <>
      <table className="mt-1 w-full text-sm">
        <thead>
          <tr className="text-left text-xs text-soft">
            <th scope="col" className={head}>
              As the inventory writes
            </th>
            <th scope="col" className={`${head} text-right`}>
              Machines
            </th>
            <th scope="col" className={`${head} pl-3`}>
              Means
            </th>
          </tr>
        </thead>
        <tbody>
          {texts.slice(0, SHOWN).map(({ text, machines, choice, isGuess }) => (
            <tr key={text} className="border-t border-line">
              <th scope="row" className="max-w-[220px] truncate py-0.5 text-left font-normal" title={text}>
                {text || 'not said'}
              </th>
              <td className="text-right tabular-nums">{writeNumber(String(machines))}</td>
              <td className="py-0.5 pl-3">
                <select
                  aria-label={`${text || 'not said'} means`}
                  value={valueOf(choice)}
                  onChange={(event) => {
                    const { [text]: _, ...others } = meanings;
                    const next = choiceOf(event.target.value);
                    onMeanings(next ? { ...others, [text]: next } : others);
                  }}
                  className={`h-7 w-full rounded border bg-surface px-1 text-sm ${choice ? 'border-edge' : 'border-dashed border-ember text-ember-ink'}`}
                >
                  <option value="">not mapped</option>
                  <option value="free">
                    no licence is paid{isGuess && choice?.is === 'free' ? ' (guess)' : ''}
                  </option>
                  {products.map((product) => (
                    <option key={product} value={`licensed ${product}`}>
                      licence: {product}
                    </option>
                  ))}
                  <option value="not-sold">cannot be rented</option>
                </select>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {texts.length > SHOWN && (
        <p className="mt-1 text-xs text-soft">
          The {SHOWN} most frequent of {writeNumber(String(texts.length))}; the others stay not mapped.
        </p>
      )}
    </>
  );
}

function valueOf(choice: SystemChoice | null): string {
  if (!choice) return '';
  return choice.is === 'licensed' ? `licensed ${choice.product}` : choice.is;
}

function choiceOf(value: string): SystemChoice | null {
  if (value === 'free' || value === 'not-sold') return { is: value };
  return value.startsWith('licensed ') ? { is: 'licensed', product: value.slice(9) } : null;
}
