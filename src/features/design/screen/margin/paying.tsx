/** The same component under every way of paying: month, upfront, whole term, saving. */
'use client';
import type { Component, Design } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { writeMoney } from '@/platform/words';
import type { Term } from '@/engine/terms';
import type { PricingClient } from '@/features/design/worker/client';
import { LeavingEarly } from './leaving-early';
import { savingText, useTermRows } from '../pickers/term-picker';

interface PayingProps {
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly component: Component;
  readonly onChoose: (term: Term) => void;
}

export function Paying({ client, design, component, onChoose }: PayingProps) {
  const rows = useTermRows(client, design, component);
  const leaving = rows.find((row) => row.term === component.term)?.leaving;
  const money = (value: string | null): string => (value === null ? '' : writeMoney(value, design.currency));
  return (
    <div>
      <p className="text-sm text-soft">
        {design.currency} for all {component.count.likely} of them. The month counts upfront spread over the
        term.
      </p>
      <ul className="mt-2 border-t border-ink">
        {rows.map((row) => {
          const chosen = row.term === component.term;
          const upfront = Number(row.upfront ?? 0) > 0;
          return (
            <li key={row.term} className="border-b border-line">
              <button
                type="button"
                disabled={row.monthly === null}
                aria-pressed={chosen}
                onClick={() => onChoose(row.term)}
                className={`grid w-full grid-cols-[1fr_auto] gap-x-3 rounded px-1.5 py-1.5 text-left text-sm enabled:hover:bg-wash disabled:cursor-default ${chosen ? 'bg-wash' : ''}`}
              >
                <span className={chosen ? 'font-semibold' : ''}>
                  {describeTerm(row.term)}
                  {chosen && <span className="font-normal text-soft"> · chosen</span>}
                </span>
                <span className="text-right tabular-nums">
                  {row.monthly === null ? 'not sold' : money(row.monthly)}
                </span>
                {row.monthly !== null && row.term !== 'on-demand' && (
                  <>
                    <span className="text-xs text-soft">
                      {upfront
                        ? `${money(row.upfront)} upfront, then ${money(row.recurring)}`
                        : `${money(row.recurring)} each month`}
                      {row.wholeTerm !== null && (
                        <span className="block">whole term {money(row.wholeTerm)}</span>
                      )}
                    </span>
                    <SavingText saving={row.saving} />
                  </>
                )}
              </button>
            </li>
          );
        })}
      </ul>
      {leaving && <LeavingEarly leaving={leaving} currency={design.currency} />}
    </div>
  );
}

function SavingText({ saving }: { readonly saving: string | null }) {
  if (saving === null) return <span />;
  const more = saving.startsWith('-');
  return (
    <span className={`text-right text-xs ${more ? 'text-ember-ink' : 'text-tide'}`}>
      {savingText(saving)}
    </span>
  );
}
