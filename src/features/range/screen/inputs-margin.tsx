/** What is not known exactly: each input, whether it is a guess or was measured, and what moves together. */
'use client';
import { useState } from 'react';
import { parseDecimal } from '@/engine/base';
import { type Edit, entriesOf, findComponent, measuredEntryEdits, withMeasured } from '@/engine/design';
import { sentenceFor, writeNumber } from '@/platform/words';
import type { UncertainInput } from '@/features/range/calc';
import { DRIVERS } from '@/engine/drivers';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import { useRoom } from '@/features/design/screen/room';
import { MovesTogether } from './moves-together';

interface InputsMarginProps {
  readonly inputs: readonly UncertainInput[] | null;
  /** Of the design itself: what is measured is entered there, and alternatives follow. */
  readonly isOwn: boolean;
}

export function InputsMargin({ inputs, isOwn }: InputsMarginProps) {
  return (
    <div className="space-y-5">
      <section aria-label="What is not known">
        <h2 className="text-lg font-semibold">What is not known</h2>
        <p className="mt-1 text-sm text-soft">
          Each is drawn between lean and heavy, likely most often. What was measured in a pilot, or read off a
          bill, is entered as such: its range narrows.
        </p>
        {inputs?.length === 0 && <p className="mt-2 text-sm">Nothing: every entry is one number.</p>}
        <ul className="mt-1">
          {inputs?.map((input) => (
            <InputRow key={`${input.component} ${input.entry}`} input={input} isOwn={isOwn} />
          ))}
        </ul>
      </section>
      {isOwn && inputs && inputs.length > 1 && <MovesTogether inputs={inputs} />}
    </div>
  );
}

function InputRow({ input, isOwn }: { readonly input: UncertainInput; readonly isOwn: boolean }) {
  const [open, setOpen] = useState(false);
  const { label, lean, likely, heavy, unit, known } = input;
  const number = (value: number): string => writeNumber(String(value));
  return (
    <li className="border-b border-line py-1.5 text-sm">
      <div className="flex items-baseline justify-between gap-2">
        <span className="min-w-0 font-medium break-words">{label}</span>
        <span className="shrink-0 text-xs text-soft">
          {known === 'guess' ? 'a guess' : known === 'measured' ? 'measured' : ''}
        </span>
      </div>
      <div className="flex items-baseline justify-between gap-2">
        <span className="text-soft tabular-nums">
          {number(lean)} / {number(likely)} / {number(heavy)} {unit}
        </span>
        {isOwn && (
          <Button tone="bare" className="-mr-2.5" aria-expanded={open} onClick={() => setOpen(!open)}>
            Measured …
          </Button>
        )}
      </div>
      {isOwn && open && <Measured input={input} onDone={() => setOpen(false)} />}
    </li>
  );
}

/** A measured value, and how far off it may be. */
function Measured({ input, onDone }: { readonly input: UncertainInput; readonly onDone: () => void }) {
  const { state, apply } = useRoom();
  const [value, setValue] = useState(String(input.likely));
  const [by, setBy] = useState('10');
  const [read, off] = [parseDecimal(value), parseDecimal(by)];
  const fault = !read.ok
    ? sentenceFor(read.issue)
    : !off.ok
      ? sentenceFor(off.issue)
      : read.value.isNegative() || off.value.isNegative() || off.value.greaterThan(100)
        ? 'A value of zero or more, off by 0 to 100 %.'
        : null;
  const take = (): void => {
    if (fault !== null || !read.ok || !off.ok) return;
    const edits = measuredEdits();
    if (edits && apply(edits)) onDone();
  };
  function measuredEdits(): readonly Edit[] | null {
    if (!read.ok || !off.ok) return null;
    const { design } = state;
    const share = off.value.dividedBy(100);
    const cased = withMeasured(read.value, share, input.whole);
    if (input.component === DRIVERS) {
      const drivers = (design.assumptions.drivers ?? []).map((each) =>
        each.name === input.entry ? { ...each, value: cased, measured: true } : each,
      );
      return [{ edit: 'set-assumption', field: 'drivers', value: drivers }];
    }
    const component = findComponent(design, input.component);
    if (!component || !entriesOf(component).some(({ entry }) => entry === input.entry)) return null;
    return measuredEntryEdits(component, input.entry, cased);
  }
  return (
    <form
      aria-label={`${input.label}, measured`}
      className="mt-1 space-y-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
    >
      <div className="grid grid-cols-2 gap-1.5">
        <label className="text-xs text-soft">
          measured{input.unit && `, ${input.unit}`}
          <input value={value} onChange={(event) => setValue(event.target.value)} className={INPUT} />
        </label>
        <label className="text-xs text-soft">
          off by at most, %
          <input value={by} onChange={(event) => setBy(event.target.value)} className={INPUT} />
        </label>
      </div>
      {fault && (
        <p role="alert" className="text-xs text-ember-ink">
          {fault}
        </p>
      )}
      <Button type="submit" disabled={fault !== null}>
        Enter it
      </Button>
    </form>
  );
}
