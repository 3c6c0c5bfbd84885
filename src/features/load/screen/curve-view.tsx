/** One curve: its question, its answer in a sentence, the drawing, and the same as tables. */
'use client';
import { useMemo, useState } from 'react';
import { curveSentence, lowered } from '@/features/load/words';
import { amountOf } from '@/features/saved-questions/calc';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useRoom } from '@/features/design/screen/room';
import { ScopeSelect } from '@/features/design/screen/scope-select';
import { useAsked } from '@/features/design/screen/use-asked';
import { AlongSelect } from './along-select';
import { BesideTicks } from './beside-ticks';
import { CurveDrawn } from './curve-drawn';
import { type LoadAddress, scopeOf } from './load-address';
import { RangeEntry } from './range-entry';

const POINTS = 160;

interface CurveViewProps {
  readonly address: LoadAddress;
  readonly go: (change: Partial<LoadAddress>) => void;
}

export function CurveView({ address, go }: CurveViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  /** Null: as the axis is. */
  const [chosen, setChosen] = useState<boolean | null>(null);
  const { along, range, of } = address;
  const all = useMemo(() => (design.alternatives ?? []).map(({ id }) => id), [design.alternatives]);
  const key = JSON.stringify([along, range, address.beside ?? all, of]);
  const question = useMemo(() => {
    const [asked, wanted, sides, what] = JSON.parse(key) as [
      LoadAddress['along'],
      LoadAddress['range'],
      string[],
      string,
    ];
    return {
      ask: 'curve' as const,
      design,
      along: asked,
      range: wanted,
      sides,
      what: amountOf(scopeOf(what)),
      points: POINTS,
    };
  }, [design, key]);
  const { last, trouble } = useAsked(client, question, 120);
  const byPowers = chosen ?? last?.axis.scale === 'log';
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (last ? curveSentence(last) : 'Pricing all of it …')}
        </p>
        <AlongSelect
          label="over"
          {...{ design }}
          value={along}
          onChange={(next) => go({ along: next, range: null })}
        />
        {last && <RangeEntry axis={last.axis} onChange={(next) => go({ range: next })} />}
        <ScopeSelect label="of" {...{ design }} value={of} onChange={(next) => go({ of: next })} />
        <label className="flex items-center gap-1.5 text-sm text-soft">
          <input
            type="checkbox"
            checked={byPowers}
            onChange={(event) => setChosen(event.target.checked)}
            className="accent-brand"
          />
          amounts by powers of ten
        </label>
        <BesideTicks design={design} beside={address.beside ?? all} onChange={(beside) => go({ beside })} />
        <Keep
          ask={{ shows: 'curve', along, range, beside: address.beside ?? all, of: scopeOf(of) }}
          name={last ? `The month over ${lowered(last.axis.title)}` : 'The month over its load'}
        />
      </div>
      {last && !trouble && <CurveDrawn curve={last} byPowers={byPowers} title={design.title} />}
    </div>
  );
}
