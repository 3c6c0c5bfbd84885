export * from './assert-never';
export * from './cut';
export * from './decimal';
export * from './expression';
export * from './issue';
export * from './random';
export * from './result';
