/** Questions that need no set-up: a line, or a pair of lines, over the one entry that the question turns on. */
'use client';
import { useMemo } from 'react';
import { readyFor, turnsOn } from '@/features/load/calc';
import { type Ready, allComponents, type Design, findComponent } from '@/engine/design';
import { curveSentence } from '@/features/load/words';
import { Empty } from '@/platform/ui/empty';
import type { PricingClient } from '@/features/design/worker/client';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useRoom } from '@/features/design/screen/room';
import { ScopeSelect } from '@/features/design/screen/scope-select';
import { useAsked } from '@/features/design/screen/use-asked';
import { SELECT } from './along-select';
import { CurveDrawn } from './curve-drawn';
import type { LoadAddress } from './load-address';

interface ReadyViewProps {
  readonly address: LoadAddress;
  readonly go: (change: Partial<LoadAddress>) => void;
}

const WORDS: Readonly<Record<Ready, string>> = {
  against: 'this line against another',
  committed: 'commitment against share of time running',
  classes: 'this class against the others of its kind',
  peaks: 'peaks against as many all month',
  alone: 'where allowances and tiers end',
};

export function ReadyView({ address, go }: ReadyViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  const lines = allComponents(design);
  const { line: chosen, other: second, entry } = address;
  const asked = address.asks ?? 'committed';
  const line = findComponent(design, chosen ?? '') ?? lines[0] ?? null;
  const possible = line ? readyFor(line, design) : [];
  const ready = possible.find((each) => each === asked) ?? possible[0] ?? 'alone';
  const other =
    lines.find(({ id }) => id === second && id !== line?.id) ??
    lines.find(({ id }) => id !== line?.id) ??
    null;
  const entries = line ? turnsOn(ready, line) : [];
  const turning = entries.find((each) => each.entry === entry) ?? entries[0] ?? null;
  const key =
    line && JSON.stringify([ready, line.id, ready === 'against' ? other?.id : null, turning?.entry]);
  const { now, trouble } = useReady(client, design, key);
  if (!line) {
    return (
      <Empty title="No line yet">
        A question is of a line, or of a pair of lines. Add some in the ledger first.
      </Empty>
    );
  }
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (now ? curveSentence(now) : 'Pricing all of it …')}
        </p>
        <ScopeSelect
          label="line"
          {...{ design }}
          value={`line ${line.id}`}
          onlyLines
          onChange={(of) => go({ line: of.slice(5) })}
        />
        <label className="flex items-center gap-1.5 text-sm text-soft">
          asks
          <select
            value={ready}
            onChange={(event) => go({ asks: event.target.value as Ready })}
            className={SELECT}
          >
            {possible.map((each) => (
              <option key={each} value={each}>
                {WORDS[each]}
              </option>
            ))}
          </select>
        </label>
        {ready === 'against' && other && (
          <ScopeSelect
            label="against"
            {...{ design }}
            value={`line ${other.id}`}
            onlyLines
            onChange={(of) => go({ other: of.slice(5) })}
          />
        )}
        {entries.length > 1 && turning && (
          <label className="flex items-center gap-1.5 text-sm text-soft">
            over
            <select
              value={turning.entry}
              onChange={(event) => go({ entry: event.target.value })}
              className={SELECT}
            >
              {entries.map((each) => (
                <option key={each.entry} value={each.entry}>
                  {each.label}
                </option>
              ))}
            </select>
          </label>
        )}
        <Keep
          ask={{
            shows: 'ready',
            ready,
            line: line.id,
            other: ready === 'against' ? (other?.id ?? null) : null,
            entry: turning?.entry ?? null,
          }}
          name={`${line.name}: ${WORDS[ready]}`.slice(0, 200)}
        />
      </div>
      {now && !trouble && (
        <CurveDrawn curve={now} byPowers={now.axis.scale === 'log'} title={`${line.name}, ${WORDS[ready]}`} />
      )}
    </div>
  );
}

/** `key`: the wish as text, the same while it asks the same. */
function useReady(client: PricingClient | null, design: Design, key: string | null) {
  const question = useMemo(() => {
    if (key === null) return null;
    const [ready, line, other = null, entry = null] = JSON.parse(key) as [Ready, string, string?, string?];
    return { ask: 'ready' as const, design, wish: { ready, line, other, entry } };
  }, [design, key]);
  return useAsked(client, question, 120);
}
