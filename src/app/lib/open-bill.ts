/** A bill laid against its design, for pages; once for a request. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import { viewBill } from '@/features/bills/use/bill-view';
import { orNotFound } from './or-not-found';

export interface BillPage {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** `money` is what the address says. */
export const openedBill = (id: string, money?: string | string[]) =>
  opened(id, money === 'billed' ? 'billed' : 'effective');

const opened = cache((id: string, basis: 'billed' | 'effective') =>
  orNotFound(viewBill(context(), id, basis)),
);
