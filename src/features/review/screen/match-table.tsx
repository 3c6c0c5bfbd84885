/** Which line of the code is which line of the design: found where only one is alike, and said by people else. */
'use client';
import { useState } from 'react';
import type { LineMatch } from '@/features/review/calc';
import { INPUT } from '@/platform/ui/field';
import type { EffectAnswer, EffectLine } from '@/features/review/worker/review-protocol';

/** More are not drawn at once. */
const SHOWN = 200;

interface MatchTableProps {
  readonly effect: EffectAnswer;
  readonly onMatch: (line: string, match: LineMatch) => void;
}

export function MatchTable({ effect, onMatch }: MatchTableProps) {
  const { lines, components } = effect;
  const [all, setAll] = useState(false);
  const wanted = lines.filter((line) => all || line.isChanged || line.match.is === 'line');
  const unmatched = lines.filter(({ match }) => match.is === 'none').length;
  return (
    <section aria-label="Which line is which" className="mt-6 max-w-[1000px]">
      <div className="flex flex-wrap items-baseline gap-3">
        <h2 className="text-sm font-semibold">Which line of the code is which of the design</h2>
        <label className="flex items-center gap-1.5 text-sm text-soft">
          <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
          those that do not change, too
        </label>
      </div>
      <p className="text-xs text-soft">
        {`Found where only one is alike; what you say stays for the next change. ${unmatched === 0 ? 'All have their line.' : `${unmatched} have none and stay out of the design.`}`}
      </p>
      <table className="mt-2 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className="py-1 pr-3 font-normal">In the code</th>
            <th className="py-1 pr-3 font-normal">What it says</th>
            <th className="w-[280px] py-1 font-normal">In the design</th>
          </tr>
        </thead>
        <tbody>
          {wanted.slice(0, SHOWN).map((line) => (
            <tr key={line.id} className="border-b border-line align-top">
              <td className="max-w-[320px] py-1 pr-3 font-mono text-xs wrap-anywhere">
                {line.id}
                {line.resources > 1 && <span className="text-soft">{` × ${line.resources}`}</span>}
              </td>
              <td className="py-1 pr-3 break-words">
                <Said line={line} />
              </td>
              <td className="py-1">
                <MatchChoice line={line} components={components} onMatch={onMatch} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {wanted.length > SHOWN && (
        <p className="mt-1 text-sm text-soft">{`and ${wanted.length - SHOWN} more`}</p>
      )}
    </section>
  );
}

interface MatchChoiceProps extends Pick<MatchTableProps, 'onMatch'> {
  readonly line: EffectLine;
  readonly components: EffectAnswer['components'];
}

/** Only lines of its own kind: a server does not become a database by a match. */
function MatchChoice({ line, components, onMatch }: MatchChoiceProps) {
  const own = components.filter(({ kind }) => kind === line.kind);
  const sections = [...new Set(own.map(({ section }) => section))];
  return (
    <select
      aria-label={`${line.id} in the design`}
      className={INPUT}
      value={valueOf(line.match)}
      onChange={(event) => onMatch(line.id, matchOf(event.target.value))}
    >
      <option value="none">not in it</option>
      <option value="new">a new line</option>
      {sections.map((section) => (
        <optgroup key={section} label={section}>
          {own
            .filter((each) => each.section === section)
            .map(({ id, name }) => (
              <option key={id} value={`line ${id}`}>
                {name}
              </option>
            ))}
        </optgroup>
      ))}
    </select>
  );
}

function Said({ line }: { readonly line: EffectLine }) {
  const { before, after, isChanged, isOpen } = line;
  if (isOpen) return <span className="text-ember-ink">not known, so nothing of it is taken over</span>;
  if (!isChanged) return <span className="text-soft">{after}</span>;
  return (
    <>
      {before && <span className="block text-soft line-through">{before}</span>}
      <span>{after || 'gone'}</span>
    </>
  );
}

const valueOf = (match: LineMatch): string => (match.is === 'line' ? `line ${match.line}` : match.is);

function matchOf(value: string): LineMatch {
  if (value === 'new' || value === 'none') return { is: value };
  return { is: 'line', line: value.slice('line '.length) };
}
