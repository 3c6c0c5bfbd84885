/** Shared looks of the report's tables. */
export const HEADING = 'mt-8 border-b border-ink pb-1 text-lg font-semibold break-after-avoid';
export const HEAD = 'border-b border-ink py-1 text-left text-xs font-normal text-soft';
export const CELL = 'border-b border-line py-1 pr-3 align-top';
