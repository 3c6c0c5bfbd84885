/** How a study counts: its years, its start, cash or spread, tax, what stands there already; and what is held against what. */
'use client';
import type { Study } from '@/features/own-or-rent/calc';
import { Choice, Field } from '@/platform/ui/field';
import { TextEntry } from '@/platform/ui/text-entry';
import { Earlier } from './earlier';
import { useStudy } from './study-context';

const YEARS = ['3', '4', '5', '6', '7'].map((years) => [years, `${years} years`] as const);
const MOST_TITLE = 200;

export function Settings() {
  const { study, change } = useStudy();
  const set = (part: Partial<Study>): void => change({ ...study, ...part });
  const variants = study.variants.map(({ id, name }) => [id, name] as const);
  const [own, rent] = study.against;
  const fits = (title: string): string | null =>
    title.trim() === ''
      ? 'A study has a name. Type one.'
      : title.length > MOST_TITLE
        ? 'At most 200 characters.'
        : null;
  return (
    <div className="space-y-3">
      <h2 className="pr-8 text-base font-semibold">How it counts</h2>
      <TextEntry
        label="Name"
        text={study.title}
        maxLength={MOST_TITLE}
        preview={fits}
        commit={(title) => set({ title: title.trim() })}
        cancel={() => undefined}
      />
      <Choice
        label="Owned side"
        value={own}
        options={variants}
        onChange={(id) => set({ against: [id, rent] })}
      />
      <Choice
        label="Held against"
        value={rent}
        options={variants}
        onChange={(id) => set({ against: [own, id] })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Choice
          label="For"
          value={String(study.years)}
          options={YEARS}
          onChange={(years) => set({ years: Number(years) })}
        />
        <Field label="From">
          {(field) => (
            <input
              {...field}
              type="month"
              value={study.start}
              onChange={({ target }) => /^\d{4}-\d{2}$/.test(target.value) && set({ start: target.value })}
            />
          )}
        </Field>
      </div>
      <Choice
        label="Told as"
        value={study.basis}
        options={[
          ['spread', 'spread over what it buys'],
          ['cash', 'cash, when it leaves'],
        ]}
        hint={
          study.basis === 'spread'
            ? 'Hardware is written off evenly over its life; what is paid ahead, over its term.'
            : 'Purchases count in the month in which they are paid.'
        }
        onChange={(basis) => set({ basis })}
      />
      <Choice
        label="Tax on profit"
        value={study.tax}
        options={[
          ['none', 'left out'],
          ['spread', 'relieved by what is written off'],
          ['cash', 'relieved by what is paid'],
        ]}
        onChange={(tax) => set({ tax })}
      />
      <Tick
        label="Count what is left to write off of what stands there"
        hint="Spent in any case: it is the same on both sides until something is sold early."
        value={study.sunk}
        onChange={(sunk) => set({ sunk })}
      />
      <Tick
        label="Take off what things are worth at the end"
        hint="Of cash and of the worth today; spread, it is in the sums anyway."
        value={study.worthLeft}
        onChange={(worthLeft) => set({ worthLeft })}
      />
      <Earlier />
      <p className="border-t border-line pt-2 text-xs break-words text-soft">From: {study.origin}.</p>
      <p className="text-xs text-soft">Choose a figure of the table to see how it adds up.</p>
    </div>
  );
}

interface TickProps {
  readonly label: string;
  readonly hint: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}

function Tick({ label, hint, value, onChange }: TickProps) {
  return (
    <label className="flex items-start gap-2 text-sm">
      <input
        type="checkbox"
        className="mt-1 accent-(--brand)"
        checked={value}
        onChange={({ target }) => onChange(target.checked)}
      />
      <span>
        {label}
        <span className="block text-xs text-soft">{hint}</span>
      </span>
    </label>
  );
}
