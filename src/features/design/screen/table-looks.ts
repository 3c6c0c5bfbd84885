/** Plain tables of views beside the ledger. */
export const HEAD = 'border-b border-ink px-2 py-1 text-xs font-medium text-soft first:pl-0';
export const CELL = 'border-b border-line px-2 py-1 first:pl-0';
export const NUMBER = 'border-b border-line px-2 py-1 text-right whitespace-nowrap tabular-nums';
