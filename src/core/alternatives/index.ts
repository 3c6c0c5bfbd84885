export * from './alternator';
export type { AlternativeDesign, ChangeOutcome, LineOutcome } from './model';
