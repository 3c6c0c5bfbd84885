/** A small menu of actions behind a button. */
'use client';
import { DropdownMenu } from 'radix-ui';
import { Check, ChevronDown } from 'lucide-react';
import { Button } from './button';

export interface MenuItem {
  /** Where two may have the same words. */
  readonly key?: string;
  readonly label: string;
  readonly detail?: string;
  /** Set or not; the menu stays open. Absent: an act. */
  readonly checked?: boolean;
  readonly onSelect: () => void;
}

const ITEM = 'cursor-pointer rounded px-2 py-1 text-sm outline-none data-[highlighted]:bg-wash';

export function Menu({ label, items }: { readonly label: string; readonly items: readonly MenuItem[] }) {
  return (
    // What is ticked shows its effect beside the open menu.
    <DropdownMenu.Root modal={items.every(({ checked }) => checked === undefined)}>
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
          className="z-30 max-h-[min(60vh,440px)] min-w-[220px] overflow-y-auto rounded border border-edge bg-surface p-1"
        >
          {items.map((item) =>
            item.checked === undefined ? (
              <DropdownMenu.Item key={item.key ?? item.label} onSelect={item.onSelect} className={ITEM}>
                <Words item={item} />
              </DropdownMenu.Item>
            ) : (
              <DropdownMenu.CheckboxItem
                key={item.key ?? item.label}
                checked={item.checked}
                onCheckedChange={item.onSelect}
                onSelect={(event) => event.preventDefault()}
                className={`${ITEM} flex items-center justify-between gap-3`}
              >
                <span>
                  <Words item={item} />
                </span>
                <DropdownMenu.ItemIndicator>
                  <Check size={14} aria-hidden="true" />
                </DropdownMenu.ItemIndicator>
              </DropdownMenu.CheckboxItem>
            ),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Words({ item }: { readonly item: MenuItem }) {
  return (
    <>
      {item.label}
      {item.detail && <span className="block text-xs text-soft">{item.detail}</span>}
    </>
  );
}
