/** Gives the ledger the focus. */
export function toLedger(): void {
  document.querySelector<HTMLElement>('[role=grid]')?.focus();
}
