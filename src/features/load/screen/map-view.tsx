/** Two things that vary: which side costs least where, drawn and as a table. */
'use client';
import { useMemo } from 'react';
import type { Along } from '@/engine/design';
import { type LoadMap, usualAxis } from '@/features/load/calc';
import { mapSentence } from '@/features/load/words';
import { readAlong, writeAlong } from '@/features/load/format/along-text';
import { Empty } from '@/platform/ui/empty';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { AlongSelect } from './along-select';
import { BesideTicks } from './beside-ticks';
import type { LoadAddress } from './load-address';
import { MapDrawn } from './map-drawn';

interface MapViewProps {
  readonly address: LoadAddress;
  readonly go: (change: Partial<LoadAddress>) => void;
}

export function MapView({ address, go }: MapViewProps) {
  const { state, client } = useRoom();
  const { design } = state;
  const all = useMemo(() => (design.alternatives ?? []).map(({ id }) => id), [design.alternatives]);
  const second = design.assumptions.drivers?.find(
    ({ name }) => writeAlong({ of: 'driver', name }) !== writeAlong(address.along),
  );
  const up: Along = address.up ?? (second ? { of: 'driver', name: second.name } : { of: 'traffic' });
  const key = JSON.stringify([writeAlong(address.along), writeAlong(up), address.beside ?? all]);
  const question = useMemo(() => {
    const [across, upwards, sides] = JSON.parse(key) as [string, string, string[]];
    if (across === upwards || sides.length === 0) return null;
    return {
      ask: 'load-map' as const,
      design,
      across: readAlong(across)!,
      up: readAlong(upwards)!,
      sides,
    };
  }, [design, key]);
  const { last, trouble } = useAsked(client, question, 120);
  const same = writeAlong(address.along) === writeAlong(up);
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-[18px]">
      <p role="status" className="text-base" data-testid="answer">
        {trouble ??
          (question === null
            ? same
              ? 'Choose two different things that vary.'
              : 'A map needs an alternative beside the design.'
            : last
              ? mapSentence(last)
              : 'Pricing 3 600 places a side …')}
      </p>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line py-2">
        <AlongSelect
          label="across"
          {...{ design }}
          value={address.along}
          onChange={(along) => go({ along, range: null })}
        />
        <AlongSelect label="upwards" {...{ design }} value={up} onChange={(next) => go({ up: next })} />
        <BesideTicks design={design} beside={address.beside ?? all} onChange={(beside) => go({ beside })} />
      </div>
      {all.length === 0 && (
        <Empty title="Nothing to put beside the design">
          A map shows which of several designs costs least where. Make an alternative first, in
          “Alternatives”.
        </Empty>
      )}
      {question && last && (
        <MapDrawn
          map={last}
          title={design.title}
          own={[ownPlace(address.along, last, 'across'), ownPlace(up, last, 'up')]}
        />
      )}
    </div>
  );

  function ownPlace(along: Along, map: LoadMap, which: 'across' | 'up'): number | null {
    const axis = usualAxis(along, design);
    const at = axis?.now.find(({ label }) => label === 'likely' || label === 'planned')?.at;
    return at !== undefined && at >= map[which].from && at <= map[which].to ? at : null;
  }
}
