/** A bill laid against its design, for pages; once for a request. */
import 'server-only';
import { cache } from 'react';
import { context } from '@/app/wiring';
import type { CostBasis } from '@/core/bills';
import { viewBill } from '@/operations';
import { orNotFound } from './or-not-found';

export const openedBill = cache((id: string, basis: CostBasis = 'effective') =>
  orNotFound(viewBill(context(), id, basis)),
);
