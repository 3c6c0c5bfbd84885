/** Which money of a bill a request asks for. */
import type { CostBasis } from '@/features/bills/calc';
import { invalid } from '@/platform/use/app-error';

export function basisOf(request: Request): CostBasis {
  const basis = new URL(request.url).searchParams.get('basis') ?? 'effective';
  if (basis !== 'effective' && basis !== 'billed') throw invalid('The basis is effective or billed.');
  return basis;
}
