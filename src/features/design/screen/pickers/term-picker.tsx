/** How a server is paid: every way with what it costs here a month and what it saves. */
'use client';
import { type RefObject, useMemo } from 'react';
import type { Component, Design } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { writeMoney, writeShare } from '@/platform/words';
import { TERMS, type Term } from '@/engine/terms';
import { Picker } from '@/platform/ui/picker';
import type { PricingClient } from '@/features/design/worker/client';
import type { TermRow } from '@/features/design/worker/protocol';
import { useAsked } from '../use-asked';

interface TermPickerProps {
  readonly anchor: RefObject<HTMLElement | null>;
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly component: Component;
  readonly typed: string;
  readonly onChoose: (term: Term) => void;
  readonly onClose: () => void;
}

const NONE: readonly TermRow[] = [];

export function useTermRows(
  client: PricingClient | null,
  design: Design,
  component: Component,
): readonly TermRow[] {
  const question = useMemo(() => ({ ask: 'terms' as const, design, component }), [design, component]);
  return useAsked(client, question, 0).last ?? NONE;
}

/** "31.0 % less", "4.2 % more", "the same". */
export function savingText(saving: string | null): string {
  if (saving === null) return '';
  if (Number(saving) === 0) return 'the same';
  return saving.startsWith('-') ? `${writeShare(saving.slice(1))} more` : `${writeShare(saving)} less`;
}

export function TermPicker({ anchor, client, design, component, typed, onChoose, onClose }: TermPickerProps) {
  const rows = useTermRows(client, design, component);
  // Until the answer is there, the ways that nearly everything is sold under.
  const terms = rows.length > 0 ? rows.map((row) => row.term) : TERMS.slice(0, 7);
  const items = terms.map((term) => {
    const row = rows.find((each) => each.term === term);
    const paysOff = row?.breakEven ? `; pays off from ${writeShare(row.breakEven)} of the month` : '';
    const saving = term === 'on-demand' ? 'no commitment' : savingText(row?.saving ?? null);
    const detail = row?.why ?? `${saving}${paysOff}`;
    return {
      value: term,
      label: describeTerm(term),
      detail,
      aside: row?.monthly ? `${writeMoney(row.monthly, design.currency)}` : row ? 'not sold' : '',
    };
  });
  return (
    <Picker
      open
      title={`Paying, ${design.currency} a month`}
      anchor={anchor}
      items={items}
      chosen={component.term}
      typed={typed}
      width={360}
      onChoose={(value) => onChoose(value as Term)}
      onClose={onClose}
    />
  );
}
