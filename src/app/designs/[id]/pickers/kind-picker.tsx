/** What kind of thing to write on the next line. */
'use client';
import type { RefObject } from 'react';
import { type Kind, KINDS } from '@/core/books';
import { Picker } from '@/ui/picker';

interface KindPickerProps {
  readonly anchor: RefObject<HTMLElement | null>;
  readonly typed: string;
  readonly onChoose: (kind: Kind) => void;
  readonly onClose: () => void;
}

export function KindPicker({ anchor, typed, onChoose, onClose }: KindPickerProps) {
  const items = KINDS.map((kind) => ({
    value: kind.kind,
    label: kind.label,
    detail: kind.purpose,
    group: kind.serviceCategory,
  }));
  return (
    <Picker
      open
      title="What comes next?"
      anchor={anchor}
      items={items}
      chosen={null}
      typed={typed}
      width={380}
      onChoose={(value) => onChoose(value as Kind)}
      onClose={onClose}
    />
  );
}
