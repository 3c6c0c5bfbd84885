/** The same change, otherwise, as columns: chosen from what its books sell. */
'use client';
import { X } from 'lucide-react';
import { useRef } from 'react';
import { describeTerm } from '@/engine/terms';
import { Menu, type MenuItem } from '@/platform/ui/menu';
import type { NamedWhatIf, Offered, PlainWhatIf } from '@/features/review/worker/review-protocol';
import { ExportReview } from './export-review';
import { useReview } from './review-context';

/** More columns are not read. */
const MOST = 6;

export function WhatIfs() {
  const { answer, whatIfs, setWhatIfs, newer } = useReview();
  const file = useRef<HTMLInputElement>(null);
  const offered = answer.answer?.offered;
  const has = (change: PlainWhatIf): boolean =>
    whatIfs.some((each) => JSON.stringify(each.change) === JSON.stringify(change));
  const toggle = (each: NamedWhatIf): void =>
    setWhatIfs(
      has(each.change)
        ? whatIfs.filter(({ change }) => JSON.stringify(change) !== JSON.stringify(each.change))
        : [...whatIfs, each].slice(-MOST),
    );
  const all = offered ? choicesOf(offered, newer) : [];
  const read = async (chosen: File | undefined): Promise<void> => {
    if (chosen) toggle({ name: chosen.name, change: { is: 'profile', text: await chosen.text() } });
  };
  return (
    <div className="ml-auto flex flex-wrap items-center gap-2">
      {whatIfs.map((each) => (
        <button
          key={each.name}
          type="button"
          onClick={() => toggle(each)}
          aria-label={`Take the column “${each.name}” away`}
          className="inline-flex h-7 items-center gap-1 rounded border border-edge px-2 text-sm hover:bg-wash"
        >
          {each.name}
          <X size={13} aria-hidden="true" />
        </button>
      ))}
      <input
        ref={file}
        type="file"
        accept=".yaml,.yml"
        aria-label="Another load profile"
        className="hidden"
        onChange={(event) => {
          void read(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      <Menu
        label="What if"
        items={[
          ...all.map((each): MenuItem => ({
            key: JSON.stringify(each.change),
            label: each.name,
            checked: has(each.change),
            onSelect: () => toggle(each),
          })),
          { label: 'Another load profile …', checked: false, onSelect: () => file.current?.click() },
        ]}
      />
      <ExportReview />
    </div>
  );
}

function choicesOf({ terms, regions }: Offered, newer: ReturnType<typeof useReview>['newer']): NamedWhatIf[] {
  return [
    { name: 'Heavy case', change: { is: 'case', case: 'heavy' } },
    { name: 'Lean case', change: { is: 'case', case: 'lean' } },
    ...(newer ? [{ name: 'Newest price books', change: { is: 'books' as const, pins: newer } }] : []),
    ...terms
      .filter((term) => term !== 'on-demand')
      .map((term) => ({ name: sentence(describeTerm(term)), change: { is: 'term' as const, term } })),
    ...regions.map(({ book, region, name }) => ({
      name: `In ${name}`,
      change: { is: 'region' as const, book, region },
    })),
  ];
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
