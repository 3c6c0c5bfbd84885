/** Change reviews: what an infrastructure plan costs before and after, by resource. Source: pricing rules, "Change review". */
export { compileExpression, ExpressionFault, LONGEST_EXPRESSION } from './expression';
export type * from './extract';
export { extractOf } from './map-plan';
export * from './plan-model';
export * from './resource-map';
export * from './code-lines';
export * from './design-effect';
export * from './designs';
export * from './load-profile';
export type * from './model';
export * from './review';
export * from './held';
export * from './hold-limits';
export * from './limits';
export * from './line-matches';
export * from './remedy';
export * from './what-if';
