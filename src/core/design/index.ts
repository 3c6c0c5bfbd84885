export * from './design';
export * from './edit';
