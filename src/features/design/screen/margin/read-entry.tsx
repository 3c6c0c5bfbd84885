/** A text that means something else: read as it is typed, refused with a sentence, committed as what it means. */
'use client';
import type { Result } from '@/engine/base';
import { sentenceFor } from '@/platform/words';
import { TextEntry, type TextEntryProps } from '@/platform/ui/text-entry';

interface ReadEntryProps<T> extends Pick<
  TextEntryProps,
  'label' | 'text' | 'placeholder' | 'hint' | 'maxLength'
> {
  readonly read: (text: string) => Result<T>;
  readonly onRead: (value: T) => void;
  /** Shows the change while it is typed; null takes it back. */
  readonly onTyped?: (value: T | null) => void;
}

export function ReadEntry<T>({ read, onRead, onTyped, ...entry }: ReadEntryProps<T>) {
  return (
    <TextEntry
      {...entry}
      preview={(text) => {
        const next = read(text);
        onTyped?.(next.ok ? next.value : null);
        return next.ok ? null : sentenceFor(next.issue);
      }}
      commit={(text) => {
        const next = read(text);
        if (next.ok) onRead(next.value);
      }}
      cancel={() => onTyped?.(null)}
    />
  );
}
