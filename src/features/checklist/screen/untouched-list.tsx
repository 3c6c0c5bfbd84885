/** Guesses and defaults nobody has touched, by the money behind them. */
'use client';
import { untouchedOf } from '@/features/checklist/calc';
import type { Design } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import { Amount } from '@/platform/ui/amount';

const SHOWN = 20;

interface UntouchedListProps {
  readonly design: Design;
  readonly summary: DesignSummary;
  readonly onShow: (component: string) => void;
}

export function UntouchedList({ design, summary, onShow }: UntouchedListProps) {
  const all = untouchedOf(design, summary);
  if (all.length === 0) return null;
  const title = `Guesses and untouched defaults: ${all.length}, the most money first`;
  return (
    <section aria-label={title} className="mt-3">
      <h2 className="border-b border-ink px-[18px] py-1.5 text-sm font-semibold">{title}</h2>
      <ul>
        {all.slice(0, SHOWN).map(({ id, name, monthly, what }) => (
          <li
            key={id}
            className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.6fr)_110px] gap-x-6 border-b border-line px-[18px] py-1.5 text-sm"
          >
            <button
              type="button"
              onClick={() => onShow(id)}
              className="truncate rounded text-left text-brand"
            >
              {name}
            </button>
            <span className="text-soft">{what.join(', ')}</span>
            <span className="text-right">
              <Amount value={monthly} currency={design.currency} />
            </span>
          </li>
        ))}
      </ul>
      {all.length > SHOWN && (
        <p className="px-[18px] py-1.5 text-xs text-soft">
          and {all.length - SHOWN} with less money behind them
        </p>
      )}
    </section>
  );
}
