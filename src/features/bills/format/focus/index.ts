/** Bills in FOCUS form. */
export type { BillSink, SunkRow } from './bill-reader';
export type { Conformance } from './conformance';
export { type BillRead, readBill } from './read-bill';
