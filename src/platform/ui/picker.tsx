/** A short list to choose from, found by typing, at the place where it was opened. */
'use client';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { Check } from 'lucide-react';
import { type RefObject, useState } from 'react';
import { findScore } from './find-score';

export interface PickerItem {
  readonly value: string;
  readonly label: string;
  readonly detail?: string;
  /** At the right end: an amount, a share. */
  readonly aside?: string;
  readonly group?: string;
  readonly words?: string;
}

interface PickerProps {
  readonly open: boolean;
  readonly title: string;
  /** The element it opens at. */
  readonly anchor: RefObject<HTMLElement | null>;
  readonly items: readonly PickerItem[];
  readonly chosen: string | null;
  readonly typed?: string;
  readonly width?: number;
  readonly onChoose: (value: string) => void;
  readonly onClose: () => void;
}

export function Picker(props: PickerProps) {
  return (
    <Popover.Root open={props.open} onOpenChange={(open) => !open && props.onClose()}>
      <Popover.Anchor virtualRef={props.anchor as RefObject<HTMLElement>} />
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={2}
          collisionPadding={8}
          aria-label={props.title}
          style={{ width: props.width ?? 320 }}
          className="z-30 rounded border border-edge bg-surface"
        >
          <PickerList {...props} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function PickerList({ title, items, chosen, typed = '', onChoose }: PickerProps) {
  const [search, setSearch] = useState(typed);
  const groups = [...new Set(items.map((item) => item.group ?? ''))];
  return (
    <Command
      label={title}
      loop
      defaultValue={chosen ?? undefined}
      filter={(_, words, [label = '', ...others] = []) => findScore(words, label, others)}
    >
      <Command.Input
        value={search}
        onValueChange={setSearch}
        placeholder={title}
        aria-label={title}
        className="h-9 w-full border-b border-line bg-transparent px-3 text-sm outline-none"
      />
      <Command.List aria-label={title} className="max-h-[320px] overflow-y-auto py-1">
        <Command.Empty className="px-3 py-3 text-sm text-soft">Nothing here is called that.</Command.Empty>
        {groups.map((group) => (
          <Command.Group
            key={group}
            heading={group || undefined}
            className="[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:text-xs [&_[cmdk-group-heading]]:text-soft"
          >
            {items
              .filter((item) => (item.group ?? '') === group)
              .map((item) => (
                <Command.Item
                  key={item.value}
                  value={item.value}
                  keywords={[item.label, item.group ?? '', item.detail ?? '', item.words ?? '']}
                  onSelect={() => onChoose(item.value)}
                  className="mx-1 flex items-baseline gap-2 rounded px-2 py-1 text-sm data-[selected=true]:bg-wash"
                >
                  <span className="w-3.5 shrink-0 self-center">
                    {item.value === chosen && <Check size={14} className="text-brand" aria-label="chosen" />}
                  </span>
                  <span className="min-w-0 flex-1">
                    {item.label}
                    {item.detail && <span className="block text-xs text-soft">{item.detail}</span>}
                  </span>
                  {item.aside && <span className="text-sm text-soft tabular-nums">{item.aside}</span>}
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}
