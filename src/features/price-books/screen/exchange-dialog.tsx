/** The workspace's exchange rates by date; more are brought in as CSV. */
'use client';
import { useEffect, useRef, useState } from 'react';
import type { ExchangeRow } from '@/features/price-books/use/book-ports';
import { Button } from '@/platform/ui/button';
import { Dialog } from '@/platform/ui/dialog';
import { ErrorNote } from '@/platform/ui/error-note';
import { tell } from '@/platform/ui/toast';
import { ApiError, callApi } from '@/platform/screen/call-api';

export function ExchangeDialog({ open, onClose }: { readonly open: boolean; readonly onClose: () => void }) {
  return (
    <Dialog
      open={open}
      title="Exchange rates"
      description="Dated tables that designs take over; a design keeps the rates it was priced with"
      width={520}
      onClose={onClose}
    >
      {open && <Table />}
    </Dialog>
  );
}

function Table() {
  const [rows, setRows] = useState<readonly ExchangeRow[] | null>(null);
  const [trouble, setTrouble] = useState<ApiError | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const read = (): void =>
    void callApi<readonly ExchangeRow[]>('/api/exchange').then(setRows, (error: ApiError) =>
      setTrouble(error),
    );
  useEffect(read, []);
  const send = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    setTrouble(null);
    try {
      const { rows: count } = await callApi<{ rows: number }>('/api/exchange', {
        method: 'POST',
        body: chosen,
      });
      tell(`${count} exchange rates were taken in.`);
      read();
    } catch (error) {
      if (error instanceof ApiError) setTrouble(error);
      else throw error;
    }
  };
  const dates = [...new Set((rows ?? []).map((row) => row.date))];
  return (
    <div tabIndex={0} role="region" aria-label="Exchange rates" className="overflow-y-auto px-4 py-3 text-sm">
      {trouble && <ErrorNote message={trouble.message} faults={trouble.faults} more={trouble.more} />}
      {rows === null && !trouble && <p className="text-soft">Reading …</p>}
      {rows?.length === 0 && (
        <p className="text-soft">
          No rates yet. A CSV with the columns date, from, to, rate brings them in, one pair a row.
        </p>
      )}
      {dates.map((date) => (
        <section key={date} className="mb-3">
          <h3 className="border-b border-ink pb-1 font-mono text-xs">{date}</h3>
          <ul>
            {rows!
              .filter((row) => row.date === date)
              .map((row) => (
                <li key={`${row.from}${row.to}`} className="flex justify-between border-b border-line py-1">
                  <span>
                    1 {row.from} in {row.to}
                  </span>
                  <span className="tabular-nums">{row.rate}</span>
                </li>
              ))}
          </ul>
        </section>
      ))}
      <Button onClick={() => file.current?.click()}>Bring in a CSV</Button>
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        aria-label="Exchange rate file"
        className="hidden"
        onChange={(event) => {
          void send(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </div>
  );
}
