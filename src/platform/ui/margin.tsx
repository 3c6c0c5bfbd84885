/** The margin beside the ledger, where the book explains itself. It can be closed and never covers the ledger. */
'use client';
import { PanelRightClose, PanelRightOpen } from 'lucide-react';
import type { ReactNode } from 'react';

interface MarginProps {
  readonly label: string;
  readonly open: boolean;
  readonly onToggle: () => void;
  readonly children: ReactNode;
}

/** Half over the edge, so that it never covers what scrolls beneath it. */
const ON_THE_EDGE =
  'top-1.5 -left-3 border border-edge p-0.5 max-[700px]:-top-3 max-[700px]:right-4 max-[700px]:left-auto';

export function Margin({ label, open, onToggle, children }: MarginProps) {
  const Icon = open ? PanelRightClose : PanelRightOpen;
  return (
    <aside
      aria-label={label}
      className={`relative shrink-0 border-l border-line bg-page max-[700px]:border-t max-[700px]:border-l-0 ${open ? 'w-[348px] max-[1100px]:w-[308px] max-[700px]:h-[46%] max-[700px]:w-full' : 'w-9 max-[700px]:h-9 max-[700px]:w-full'}`}
    >
      <button
        type="button"
        onClick={onToggle}
        aria-expanded={open}
        aria-label={open ? 'Close the margin' : 'Open the margin'}
        className={`absolute z-10 rounded bg-page text-soft hover:bg-wash ${open ? ON_THE_EDGE : 'top-2 right-1.5 p-1'}`}
      >
        <Icon size={16} aria-hidden="true" />
      </button>
      {open && (
        <div tabIndex={0} role="region" aria-label={label} className="h-full overflow-y-auto px-[18px] py-3">
          {children}
        </div>
      )}
    </aside>
  );
}
