/** What ledger and checklist stand in: the margin beside them, the tally line below. */
'use client';
import type { ReactNode } from 'react';
import { Margin } from '@/platform/ui/margin';
import { useRoom } from './room';
import { Tally } from './tally';
import { WHOLE_DESIGN } from './use-cursor';

export function DesignBody({
  margin,
  children,
}: {
  readonly margin: ReactNode;
  readonly children: ReactNode;
}) {
  const { state, pricing, bookList, client, setPlace, marginOpen, toggleMargin } = useRoom();
  return (
    <>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        <div className="relative flex min-h-0 min-w-0 flex-1">{children}</div>
        <Margin label="Margin" open={marginOpen} onToggle={toggleMargin}>
          {margin}
        </Margin>
      </div>
      <Tally
        {...{ pricing, bookList, client }}
        design={state.design}
        version={state.version}
        onOpen={() => setPlace((before) => ({ ...before, subject: WHOLE_DESIGN }))}
      />
    </>
  );
}
