/** A small menu of actions behind a button. */
'use client';
import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { Button } from './button';

export interface MenuItem {
  readonly label: string;
  readonly detail?: string;
  readonly onSelect: () => void;
}

export function Menu({ label, items }: { readonly label: string; readonly items: readonly MenuItem[] }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button>
          {label}
          <ChevronDown size={14} aria-hidden="true" />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-30 min-w-[220px] rounded border border-edge bg-surface p-1"
        >
          {items.map((item) => (
            <DropdownMenu.Item
              key={item.label}
              onSelect={item.onSelect}
              className="cursor-pointer rounded px-2 py-1 text-sm outline-none data-[highlighted]:bg-wash"
            >
              {item.label}
              {item.detail && <span className="block text-xs text-soft">{item.detail}</span>}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
