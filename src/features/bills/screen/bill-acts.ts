/** What may be done with a bill: brought in, deleted, its period closed and opened again. */
'use client';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { writeMoney, writeNumber } from '@/platform/words';
import type { ImportedBill } from '@/features/bills/use/bill-ports';
import { tell } from '@/platform/ui/toast';
import type { ImportKind } from '@/features/price-books/screen/import-store';
import { callApi } from '@/platform/screen/call-api';
import { toldIfFailed } from '@/platform/screen/told-acts';

export interface BroughtIn {
  readonly bills: readonly ImportedBill[];
}

export const BILL_IMPORT: ImportKind<BroughtIn> = {
  base: '/api/bills/import',
  place: '/bills',
  title: 'a bill',
  counted: 'rows',
  words: ({ bills }) => bills.map(importedWords).join(' '),
};

export function importedWords({ provider, from, rows, billed, currency, changed }: ImportedBill): string {
  const head = `${provider} from ${from}: ${writeNumber(String(rows))} rows, ${writeMoney(billed, currency)} ${currency}`;
  if (!changed) return `${head}.`;
  const more = Number(changed.billed);
  if (more === 0 && changed.rows === 0) return `${head}, as before.`;
  return `${head}; ${writeMoney(changed.billed.replace('-', ''), currency)} ${more < 0 ? 'less' : 'more'} than before.`;
}

const JSON_SENT = { 'content-type': 'application/json' } as const;

export function useBillActs() {
  const router = useRouter();
  return useMemo(() => {
    const act = (path: string, init: RequestInit, words: string): Promise<void> =>
      toldIfFailed(async () => {
        await callApi(path, init);
        router.refresh();
        if (words) tell(words);
      });
    return {
      open: (id: string): void => router.push(`/bills/${id}`),
      remove: (id: string, name: string): void =>
        void act(
          `/api/bills/${id}`,
          { method: 'DELETE' },
          `“${name}” was deleted. Its file can be brought in again.`,
        ),
      close: (id: string, note: string): Promise<void> =>
        act(
          `/api/bills/${id}/closing`,
          { method: 'PUT', headers: JSON_SENT, body: JSON.stringify({ note }) },
          'The period is closed.',
        ),
      reopen: (id: string): Promise<void> =>
        act(`/api/bills/${id}/closing`, { method: 'DELETE' }, 'The period is open again.'),
      link: (id: string, design: string | null): Promise<void> =>
        act(
          `/api/bills/${id}/design`,
          { method: 'PUT', headers: JSON_SENT, body: JSON.stringify({ design }) },
          '',
        ),
    };
  }, [router]);
}
