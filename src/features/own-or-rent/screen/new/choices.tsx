/** What a study may be made of, one a row. */
import type { ReactNode } from 'react';
import { writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';

export interface FleetChoice {
  readonly id: string;
  readonly title: string;
  readonly machines: number;
  readonly placements: number;
}

export function Choices({
  nothing,
  children,
}: {
  readonly nothing: string;
  readonly children: readonly ReactNode[];
}) {
  return children.length === 0 ? <p className="text-sm text-soft">{nothing}</p> : <ul>{children}</ul>;
}

interface ChoiceRowProps {
  readonly title: string;
  readonly detail: string;
  readonly onChoose: () => void;
  readonly disabled?: boolean;
}

export function ChoiceRow({ title, detail, onChoose, disabled }: ChoiceRowProps) {
  return (
    <li className="flex items-center gap-4 border-b border-line py-2">
      <span className="min-w-0 flex-1">
        <span className="block font-medium break-words">{title}</span>
        <span className="block text-xs text-soft">{detail}</span>
      </span>
      <Button disabled={disabled} onClick={onChoose} aria-label={`Make the study of ${title}`}>
        Make it
      </Button>
    </li>
  );
}

export const machinesText = (machines: number): string => `${writeNumber(String(machines))} machines`;
