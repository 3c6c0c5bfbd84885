/** A further revision is one of the same book: what its earlier revisions say must stay true. */
import { decimal } from '@/engine/base';
import { AppError } from '@/platform/use/app-error';

interface Identity {
  readonly provider: string;
  readonly currency: string;
  readonly monthHours: string;
}

/** Refused with `conflict`, by field. */
export function requireSameBook(known: Identity, next: Identity & { readonly key: string }): void {
  const faults = (['provider', 'currency', 'monthHours'] as const).flatMap((field) => {
    const same =
      field === 'monthHours' ? decimal(known[field]).equals(next[field]) : known[field] === next[field];
    const message = `is ${next[field]}, and in the revisions that are here ${known[field]}`;
    return same ? [] : [{ path: `book.${field}`, message }];
  });
  if (faults.length === 0) return;
  const message = `A price book “${next.key}” is here already and is another one. Give this one a key of its own.`;
  throw new AppError('conflict', message, { faults });
}
