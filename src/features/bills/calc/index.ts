/** Bills: what is charged, held against what was designed. Source: pricing rules, "Bills". */
export * from './variance';
export * from './projection';
export * from './bill';
export * from './bill-unit';
export * from './expected';
export * from './lay';
export type { LaidBill, LaidMeter, LaidPart, LaidSums } from './laid';
export * from './rules';
export * from './draft-rules';
export * from './measured';
export * from './relations';
export * from './expected-rows';
export * from './completeness';
export * from './group-things';
export * from './allowances';
export * from './commitments';
export * from './back-test';
export * from './paid-rates';
