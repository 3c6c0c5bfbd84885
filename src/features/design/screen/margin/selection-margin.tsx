/** The margin of several selected lines: what they come to together, and what can be set for all of them at once. */
'use client';
import { useState } from 'react';
import { addAll, Decimal } from '@/engine/base';
import type { Component, Design, Edit } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import type { DesignSummary } from '@/engine/summary';
import { TERMS, type Term } from '@/engine/terms';
import type { Running } from '@/engine/usage';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { Menu } from '@/platform/ui/menu';
import { tell } from '@/platform/ui/toast';
import type { PricingClient } from '@/features/design/worker/client';
import { added, suggestedForLines } from '@/features/compare/screen/new-alternative';
import { placeEdits } from '../place-edits';
import { copyAll, moveAll, multiplyAll, payAll, removeAll, runAll } from '../selection/bulk-edits';
import type { BookInfo } from '../book-list';

interface SelectionMarginProps {
  readonly components: readonly Component[];
  readonly design: Design;
  readonly summary: DesignSummary | null;
  readonly client: PricingClient | null;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => boolean;
  readonly onFillDown: () => void;
  readonly onDone: () => void;
}

const PATTERNS: readonly (readonly [string, Running])[] = [
  ['always', { pattern: 'always' }],
  [
    'office hours, 10 h × 22 d',
    { pattern: 'days', hoursPerDay: { likely: '10' }, daysPerMonth: { likely: '22' } },
  ],
  ['150 hours a month', { pattern: 'hours', hoursPerMonth: { likely: '150' } }],
];

export function SelectionMargin(props: SelectionMarginProps) {
  const { components, design, summary, bookList, client, apply, onFillDown, onDone } = props;
  const [factor, setFactor] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const chosen = new Set(components.map((each) => each.id));
  const lines = summary?.sections.flatMap((section) => section.lines) ?? [];
  const printed = lines.flatMap((line) =>
    chosen.has(line.id) && line.printed !== null ? [new Decimal(line.printed)] : [],
  );
  const move = async (text: string): Promise<void> => {
    const [book = '', region = ''] = text.split('\n');
    if (!client || !book) return;
    const all = await Promise.all(
      components.map((each) => placeEdits(client, design, each, { book, region }, bookList)),
    );
    // Books are pinned once.
    const edits = all.flat();
    const pin = edits.find((edit) => edit.edit === 'pin-books');
    apply([...(pin ? [pin] : []), ...edits.filter((edit) => edit.edit !== 'pin-books')]);
  };
  const multiply = (): void => {
    const edits = multiplyAll(components, factor.trim());
    setFault(edits ? null : 'A number above zero, such as 2 or 0.3.');
    if (edits && apply(edits)) setFactor('');
  };
  const choose = (
    label: string,
    options: readonly (readonly [value: string, text: string])[],
    onChoose: (value: string) => void,
  ) => (
    <Field label={label}>
      {(field) => (
        <select {...field} value="" onChange={(event) => onChoose(event.target.value)}>
          <option value="" disabled>
            leave as it is
          </option>
          {options.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold">{components.length} lines selected</h2>
      <p className="mt-1 text-sm">
        <Amount value={addAll(printed).toString()} currency={design.currency} strong /> {design.currency} a
        month
        {printed.length < components.length && (
          <span className="text-ember-ink">, {components.length - printed.length} not priced</span>
        )}
      </p>
      <h3 className="mt-4 mb-2 border-b border-ink pb-1 text-sm font-semibold">Set for all of them</h3>
      <div className="space-y-3">
        {choose(
          'Where',
          bookList.flatMap((book) =>
            book.regions.map(
              (region) => [`${book.key}\n${region.code}`, `${book.title}, ${region.name}`] as const,
            ),
          ),
          (value) => void move(value),
        )}
        {choose(
          'Way of paying',
          TERMS.map((term) => [term, describeTerm(term)] as const),
          (value) => apply(payAll(components, value as Term)),
        )}
        {choose(
          'Running',
          PATTERNS.map(([text]) => [text, text] as const),
          (value) => apply(runAll(components, PATTERNS.find(([text]) => text === value)![1])),
        )}
        {choose(
          'Section',
          design.sections.map((section) => [section.id, section.name] as const),
          (value) => apply(moveAll(components, value)),
        )}
        <form
          className="flex items-end gap-1.5"
          onSubmit={(event) => {
            event.preventDefault();
            multiply();
          }}
        >
          <Field label="Counts times" fault={fault}>
            {(field) => (
              <input
                {...field}
                value={factor}
                maxLength={12}
                placeholder="0.3"
                onChange={(event) => setFactor(event.target.value)}
              />
            )}
          </Field>
          <Button type="submit">Multiply</Button>
        </form>
      </div>
      <h3 className="mt-4 mb-2 border-b border-ink pb-1 text-sm font-semibold">What if</h3>
      <Menu
        label="As an alternative"
        items={suggestedForLines(design, components, bookList).map((each) => ({
          label: each.detail,
          onSelect: () => {
            if (apply([added(design, each, crypto.randomUUID())])) {
              tell(`“${each.name}” stands among the alternatives now.`);
            }
          },
        }))}
      />
      <div className="mt-4 flex flex-wrap gap-2">
        <Button onClick={onFillDown} title="Ctrl D">
          Fill the column down
        </Button>
        <Button onClick={() => apply(copyAll(components, design, () => crypto.randomUUID()))}>
          Copy below
        </Button>
        <Button
          onClick={() => {
            if (apply(removeAll(components))) onDone();
          }}
        >
          Remove
        </Button>
      </div>
      <p className="mt-4 text-xs text-soft">
        Shift and an arrow selects more, Ctrl and a click single lines, Esc none.
      </p>
    </div>
  );
}
