/** The product's mark: a wick. */
export function Mark() {
  return (
    <svg width="17" height="12" viewBox="0 0 17 12" aria-hidden="true" className="text-brand">
      <path d="M0 6h17" stroke="currentColor" strokeWidth="1.4" />
      <path d="M5.5 0v12" stroke="currentColor" strokeWidth="2.6" />
    </svg>
  );
}
