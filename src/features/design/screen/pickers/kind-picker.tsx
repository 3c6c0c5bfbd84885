/** What kind of thing to write on the next line; starred components first. */
'use client';
import { type RefObject, useEffect, useState } from 'react';
import { type Kind, kindOf, KINDS } from '@/engine/books';
import type { Component } from '@/engine/design';
import type { LibraryItem } from '@/features/design/use/library-ports';
import { Picker } from '@/platform/ui/picker';
import { callApi } from '@/platform/screen/call-api';

interface KindPickerProps {
  readonly anchor: RefObject<HTMLElement | null>;
  readonly typed: string;
  readonly onChoose: (kind: Kind) => void;
  readonly onStarred: (component: Component) => void;
  /** Asks questions first. */
  readonly onForms: () => void;
  readonly onClose: () => void;
}

const STARRED = 'starred/';
const FORMS = 'forms';

export function KindPicker({ anchor, typed, onChoose, onStarred, onForms, onClose }: KindPickerProps) {
  const [starred, setStarred] = useState<readonly LibraryItem[]>([]);
  useEffect(() => {
    let current = true;
    callApi<readonly LibraryItem[]>('/api/library?what=component').then(
      (found) => current && setStarred(found),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, []);
  const items = [
    ...starred.map(({ id, name, body }) => ({
      value: `${STARRED}${id}`,
      label: name,
      detail: kindOf((body as Component).kind).label,
      group: 'Starred',
    })),
    {
      value: FORMS,
      label: 'Not sure? Answer questions first',
      detail: 'forms of the same capacity, priced side by side',
      group: 'Help to choose',
    },
    ...KINDS.map((kind) => ({
      value: kind.kind,
      label: kind.label,
      detail: kind.purpose,
      group: kind.serviceCategory,
    })),
  ];
  return (
    <Picker
      open
      title="What comes next?"
      anchor={anchor}
      items={items}
      chosen={null}
      typed={typed}
      width={380}
      onChoose={(value) => {
        const kept = starred.find(({ id }) => value === `${STARRED}${id}`);
        if (value === FORMS) onForms();
        else if (kept) onStarred(kept.body as Component);
        else onChoose(value as Kind);
      }}
      onClose={onClose}
    />
  );
}
