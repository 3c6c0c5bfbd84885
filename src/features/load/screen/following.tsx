/** Which entries follow a formula, and binding another: checked while it is typed, with what it gives. */
'use client';
import { useId, useState } from 'react';
import {
  allComponents,
  type Design,
  type Edit,
  entriesOf,
  findComponent,
  followed,
  followEdits,
  followingOf,
  type NamedEntry,
  usualFormulas,
} from '@/engine/design';
import { sentenceFor, writeNumber } from '@/platform/words';
import type { Driver } from '@/engine/drivers';
import { type Cased, isRanged } from '@/engine/usage';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import { casedText } from '@/features/design/screen/cells/cases-text';

interface FollowingProps {
  readonly design: Design;
  readonly drivers: readonly Driver[];
  readonly apply: (edits: readonly Edit[]) => boolean;
}

export function Following({ design, drivers, apply }: FollowingProps) {
  const rows = allComponents(design).flatMap((component) =>
    followingOf(component).map((entry) => ({ component, entry })),
  );
  return (
    <section aria-label="What follows them">
      <h2 className="text-lg font-semibold">What follows them</h2>
      {rows.length === 0 && <p className="mt-1 text-sm text-soft">Nothing yet.</p>}
      <ul className="mt-1">
        {rows.map(({ component, entry }) => (
          <li key={`${component.id} ${entry.entry}`} className="border-b border-line py-1.5 text-sm">
            <div className="flex items-baseline justify-between gap-2">
              <span className="min-w-0 truncate font-medium" title={component.name}>
                {component.name}
              </span>
              <Button
                tone="bare"
                className="-mr-2.5 shrink-0"
                aria-label={`${entry.label} of ${component.name}: follow nothing`}
                onClick={() => apply(followEdits(component, entry.entry, null, drivers))}
              >
                Let go
              </Button>
            </div>
            <div className="text-soft">
              {entry.label} = <code className="font-mono text-xs break-words text-ink">{entry.formula}</code>
            </div>
            <Given {...{ component, entry, drivers }} />
          </li>
        ))}
      </ul>
      {drivers.length > 0 && <Bind {...{ design, drivers, apply }} />}
    </section>
  );
}

/** What a formula gives, or why it gives nothing. */
function Given({
  entry,
  drivers,
}: {
  readonly entry: {
    readonly label: string;
    readonly unit: string;
    readonly whole: boolean;
    readonly formula: string;
  };
  readonly drivers: readonly Driver[];
}) {
  const value = followed(entry, drivers);
  return value.ok ? (
    <div className="tabular-nums">{written(value.value, entry.unit)}</div>
  ) : (
    <div role="alert" className="text-ember-ink">
      {sentenceFor(value.issue)}
    </div>
  );
}

function written(value: Cased, unit: string): string {
  const text = casedText(value, (each) => writeNumber(each, undefined, 4));
  return `${text}${unit === '' ? '' : ` ${unit}`}${isRanged(value) ? ' (lean / likely / heavy)' : ''}`;
}

function Bind({ design, drivers, apply }: FollowingProps) {
  const [line, setLine] = useState('');
  const [entry, setEntry] = useState('');
  const [typed, setTyped] = useState('');
  const note = useId();
  const lines = allComponents(design);
  const component = findComponent(design, line) ?? lines[0];
  const entries = component ? entriesOf(component) : [];
  const chosen = entries.find((each) => each.entry === entry) ?? usuallyMeant(entries);
  if (!component || !chosen) return null;
  const value = typed.trim() === '' ? null : followed({ ...chosen, formula: typed.trim() }, drivers);
  const bind = (): void => {
    if (value?.ok && apply(followEdits(component, chosen.entry, typed.trim(), drivers))) setTyped('');
  };
  return (
    <form
      className="mt-3 space-y-1.5"
      aria-label="Let another entry follow"
      onSubmit={(event) => {
        event.preventDefault();
        bind();
      }}
    >
      <label className="block text-xs text-soft">
        Line
        <select
          value={component.id}
          onChange={(event) => {
            setLine(event.target.value);
            setEntry('');
          }}
          className={INPUT}
        >
          {lines.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="block text-xs text-soft">
        Entry
        <select value={chosen.entry} onChange={(event) => setEntry(event.target.value)} className={INPUT}>
          {entries.map((each) => (
            <option key={each.entry} value={each.entry}>
              {each.label}
              {each.unit && `, ${each.unit}`}
            </option>
          ))}
        </select>
      </label>
      <label className="block text-xs text-soft">
        Formula
        <input
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          placeholder={usualFormulas(chosen, drivers[0]!)[0]}
          maxLength={300}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={value !== null && !value.ok ? true : undefined}
          aria-describedby={note}
          className={`${INPUT} font-mono`}
        />
      </label>
      <p
        id={note}
        aria-live="polite"
        className={`text-xs ${value && !value.ok ? 'text-ember-ink' : 'text-soft'}`}
      >
        {value === null
          ? 'Numbers with their units in brackets, drivers by name, + − × ÷, min, max, ceil.'
          : value.ok
            ? `gives ${written(value.value, chosen.unit)}`
            : sentenceFor(value.issue)}
      </p>
      <div className="flex flex-wrap gap-1.5">
        {drivers
          .flatMap((driver) => usualFormulas(chosen, driver).slice(0, 1))
          .slice(0, 4)
          .map((formula) => (
            <Button key={formula} className="max-w-full font-mono !text-xs" onClick={() => setTyped(formula)}>
              <span className="truncate">{formula}</span>
            </Button>
          ))}
      </div>
      <Button type="submit" disabled={!value?.ok}>
        Let it follow
      </Button>
    </form>
  );
}

/** The main quantity rather than the count, where there is one. */
function usuallyMeant(entries: readonly NamedEntry[]): NamedEntry | undefined {
  return entries.find(({ entry }) => /^(usage|load)\//.test(entry)) ?? entries[0];
}
