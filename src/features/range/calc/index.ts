export * from './distribution';
export * from './effects';
export * from './factors';
export * from './inputs';
export type * from './model';
export * from './simulation';
