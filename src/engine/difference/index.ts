export * from './amount-changes';
export * from './difference';
