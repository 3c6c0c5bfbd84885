/** How a line adds up, fetched when it is opened. */
'use client';
import { useState } from 'react';
import { callApi } from '@/platform/screen/call-api';
import type { PlainFigure } from '@/engine/trace';
import { TraceTree } from '@/platform/ui/trace-tree';

interface LineTraceProps {
  readonly token: string;
  readonly line: string;
  readonly name: string;
  readonly currency: string;
  readonly printed: string;
}

export function LineTrace({ token, line, name, currency, printed }: LineTraceProps) {
  const [open, setOpen] = useState(false);
  const [figure, setFigure] = useState<PlainFigure | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const toggle = (): void => {
    setOpen(!open);
    if (open || figure) return;
    setFault(null);
    callApi<PlainFigure>(`/api/shared/${token}/trace?line=${encodeURIComponent(line)}`).then(
      setFigure,
      (error: unknown) => setFault(error instanceof Error ? error.message : 'Try again.'),
    );
  };
  return (
    <div className="print:hidden">
      <button
        type="button"
        aria-expanded={open}
        aria-label={`How ${name} adds up`}
        onClick={toggle}
        className="rounded text-xs text-brand"
      >
        how it adds up
      </button>
      {open && fault && (
        <p role="alert" className="text-xs text-ember-ink">
          {fault}
        </p>
      )}
      {open && !figure && !fault && <p className="text-xs text-soft">Working it out …</p>}
      {open && figure && (
        <div className="my-1 w-[360px] max-w-[80vw]">
          <TraceTree figure={figure} currency={currency} printed={printed} />
        </div>
      )}
    </div>
  );
}
