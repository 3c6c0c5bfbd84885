export * from './alternator';
export type { AlternativeDesign } from './model';
