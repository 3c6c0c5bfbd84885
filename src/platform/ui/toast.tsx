/** Short notices with at most one act, for example to take something back. */
'use client';
import { Toaster as Sonner, toast } from 'sonner';

export function Toaster() {
  return (
    <Sonner
      position="bottom-center"
      offset={84}
      toastOptions={{
        unstyled: true,
        classNames: {
          toast:
            'flex w-[380px] items-center justify-between gap-4 rounded border border-ink bg-surface px-3.5 py-2.5 text-sm text-ink font-sans',
          actionButton: 'shrink-0 rounded px-2 py-1 font-medium text-brand hover:bg-wash',
        },
      }}
    />
  );
}

export function tell(message: string, act?: { readonly label: string; readonly run: () => void }): void {
  toast(message, {
    duration: act ? 10_000 : 4000,
    action: act ? { label: act.label, onClick: act.run } : undefined,
  });
}
