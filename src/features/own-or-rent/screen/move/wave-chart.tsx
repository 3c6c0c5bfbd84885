/** Waves as bars by month, which the pointer drags and keys move. */
'use client';
import {
  DndContext,
  type DragMoveEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type KeyboardEvent, useId, useState } from 'react';
import { isSame } from '@/engine/design';
import { GENERAL, type Study, studyMonth, type Wave, withGuess } from '@/features/own-or-rent/calc';

const KEYS =
  'Left and right move the beginning, with Shift the time it takes, with Alt the time both sides run.';
const LEAST_MONTHS = 24;
const MOST_MONTHS = 84;
/** Pixels of a month. */
const MONTH = 26;
/** Pixels before a press becomes a drag. */
const DISTANCE = 3;

type Dates = 'from' | 'ramp' | 'beside';

interface WaveChartProps {
  readonly study: Study;
  readonly chosen: string;
  readonly onChoose: (id: string) => void;
  readonly onChange: (study: Study) => void;
  /** While a bar is dragged; null: it is not any more. */
  readonly onTry: (study: Study | null) => void;
}

export function WaveChart({ study: kept, chosen, onChoose, onChange, onTry }: WaveChartProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DISTANCE } }));
  const [tried, setTried] = useState<Study | null>(null);
  const id = useId();
  const study = tried ?? kept;
  const attempt = (next: Study | null): void => {
    setTried(next);
    onTry(next);
  };
  const dragged = ({ active, delta }: DragMoveEvent): Study =>
    moved(kept, String(active.id), Math.round(delta.x / MONTH));
  const ends = study.waves.map(({ from, ramp, beside }) =>
    [from, ramp, beside].reduce((sum, { likely }) => sum + Number(likely), 0),
  );
  const months = Math.min(study.years * 12, Math.max(LEAST_MONTHS, ...ends.map((end) => end + 4)));
  const preparation = Number(study.general.preparation?.likely ?? GENERAL.preparation.default);
  const first = Math.min(...study.waves.map(({ from }) => Number(from.likely)));
  return (
    <DndContext
      id={id}
      sensors={sensors}
      autoScroll={false}
      accessibility={{ screenReaderInstructions: { draggable: KEYS } }}
      onDragStart={({ active }) => onChoose(String(active.id).split('/')[0]!)}
      onDragMove={(event) => {
        const next = dragged(event);
        if (!isSame(next.waves, study.waves)) attempt(next);
      }}
      onDragEnd={(event) => {
        const next = dragged(event);
        attempt(null);
        if (!isSame(next.waves, kept.waves)) onChange(next);
      }}
      onDragCancel={() => attempt(null)}
    >
      <div tabIndex={0} role="region" aria-label="Chart of waves" className="overflow-x-auto px-[18px] pt-3">
        <div style={{ width: 190 + months * MONTH }}>
          <div className="flex border-b border-ink text-xs text-soft">
            <span className="w-[190px] shrink-0 py-1">Wave</span>
            {Array.from({ length: months }, (_, month) => (
              <span
                key={month}
                className="shrink-0 border-l border-line py-1 text-center"
                style={{ width: MONTH }}
              >
                {month % 3 === 0 ? studyMonth(study.start, month).slice(0, 3) : ''}
                {month % 12 === 0 && <span className="block">{studyMonth(study.start, month).slice(4)}</span>}
              </span>
            ))}
          </div>
          <div className="flex h-[34px] items-center border-b border-line text-sm text-soft">
            <span className="w-[190px] shrink-0">Preparation</span>
            <span className="relative h-full flex-1">
              <span
                className="absolute top-[10px] h-[14px] border border-dashed border-edge"
                style={{
                  left: Math.max(0, first - preparation) * MONTH,
                  width: Math.max(2, preparation * MONTH - 2),
                }}
              />
            </span>
          </div>
          {study.waves.map((wave) => (
            <WaveRow
              key={wave.id}
              {...{ wave, study, onChange }}
              isChosen={wave.id === chosen}
              onChoose={() => onChoose(wave.id)}
            />
          ))}
          <p className="flex flex-wrap gap-5 py-2 text-xs text-soft">
            <Key className="border border-dashed border-edge">preparation</Key>
            <Key className="bg-brand opacity-60">moving, more rented each month</Key>
            <Key className="border-2 border-brand">both sides run in full</Key>
          </p>
        </div>
      </div>
    </DndContext>
  );
}

/** `handle`: the wave and which of its dates. */
function moved(study: Study, handle: string, months: number): Study {
  const [id, field] = handle.split('/') as [string, Dates];
  const now = study.waves.find((each) => each.id === id)?.[field].likely;
  if (now === undefined) return study;
  const next = Math.max(0, Math.min(MOST_MONTHS, Number(now) + months));
  return next === Number(now) ? study : withGuess(study, `waves/${id}/${field}`, { likely: String(next) });
}

function Key({ className, children }: { readonly className: string; readonly children: string }) {
  return (
    <span className="flex items-center gap-1.5">
      <span aria-hidden="true" className={`inline-block h-3 w-6 ${className}`} />
      {children}
    </span>
  );
}

interface WaveRowProps {
  readonly wave: Wave;
  readonly study: Study;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onChange: (study: Study) => void;
}

function WaveRow({ wave, study, isChosen, onChoose, onChange }: WaveRowProps) {
  const [from, ramp, beside] = [wave.from, wave.ramp, wave.beside].map(({ likely }) => Number(likely)) as [
    number,
    number,
    number,
  ];
  const { setNodeRef, listeners } = useDraggable({ id: `${wave.id}/from` });
  const names = wave.parts.map((id) => study.parts.find((part) => part.id === id)?.name ?? id).join(', ');
  const said = `begins in ${studyMonth(study.start, from)}, is moved within ${ramp} months, both sides run for ${beside} more, switched off in ${studyMonth(study.start, from + ramp + beside)}`;
  const onKey = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const field = event.shiftKey ? 'ramp' : event.altKey ? 'beside' : 'from';
    const next = moved(study, `${wave.id}/${field}`, step);
    if (next !== study) onChange(next);
  };
  return (
    <div className={`flex h-[38px] items-center border-b border-line text-sm ${isChosen ? 'bg-wash' : ''}`}>
      <span className="w-[190px] shrink-0 pr-2">
        <span className="block truncate font-medium">{wave.name}</span>
        {names !== wave.name && (
          <span className="block truncate text-xs text-soft">{names || 'nothing moves'}</span>
        )}
      </span>
      <span className="relative h-full flex-1">
        <button
          ref={setNodeRef}
          {...listeners}
          type="button"
          role="slider"
          aria-label={`Wave ${wave.name}`}
          aria-valuemin={0}
          aria-valuemax={MOST_MONTHS}
          aria-valuenow={from}
          aria-valuetext={said}
          title={said}
          onClick={onChoose}
          onFocus={onChoose}
          onKeyDown={onKey}
          className="absolute top-[7px] flex h-[24px] cursor-grab touch-none rounded"
          style={{ left: from * MONTH, width: Math.max(8, (ramp + beside) * MONTH) }}
        >
          <span className="h-full bg-brand opacity-60" style={{ width: ramp * MONTH }} />
          <span
            className="h-full border-2 border-brand"
            style={{ width: Math.max(beside * MONTH, ramp === 0 ? 8 : 0) }}
          />
        </button>
        <Edge id={`${wave.id}/ramp`} month={from + ramp} />
        {beside > 0 && <Edge id={`${wave.id}/beside`} month={from + ramp + beside} />}
      </span>
    </div>
  );
}

/** For the pointer alone: keys have the bar itself. */
function Edge({ id, month }: { readonly id: string; readonly month: number }) {
  const { setNodeRef, listeners } = useDraggable({ id });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      aria-hidden="true"
      data-testid={`edge-${id}`}
      className="absolute top-[7px] h-[24px] w-[9px] cursor-ew-resize touch-none"
      style={{ left: month * MONTH - 5 }}
    />
  );
}
