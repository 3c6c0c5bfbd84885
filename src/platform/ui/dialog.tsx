/** A dialog on Radix: focus is kept inside, Esc closes, focus returns to where it was. */
'use client';
import { Dialog as Radix } from 'radix-ui';
import { X } from 'lucide-react';
import type { ReactNode } from 'react';

interface DialogProps {
  readonly open: boolean;
  readonly title: string;
  readonly description?: string;
  readonly width?: number;
  /** Where the first control must not be pressed by accident: the dialog itself has the focus first. */
  readonly quiet?: boolean;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

export function Dialog({ open, title, description, width = 460, quiet, onClose, children }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-20 bg-veil" />
        <Radix.Content
          style={{ width, maxWidth: 'calc(100vw - 32px)' }}
          onOpenAutoFocus={(event) => {
            if (!quiet) return;
            event.preventDefault();
            (event.currentTarget as HTMLElement).focus();
          }}
          aria-describedby={description ? undefined : ''}
          className="fixed top-[9vh] left-1/2 z-30 flex max-h-[82vh] -translate-x-1/2 flex-col rounded border border-edge bg-surface"
        >
          <div className="flex items-start justify-between gap-4 border-b border-ink px-4 pt-3 pb-2.5">
            <div>
              <Radix.Title className="text-base font-semibold">{title}</Radix.Title>
              {description && (
                <Radix.Description className="text-sm text-soft">{description}</Radix.Description>
              )}
            </div>
            <Radix.Close className="rounded p-1 text-soft hover:bg-wash" aria-label="Close">
              <X size={16} aria-hidden="true" />
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
