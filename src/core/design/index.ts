export * from './any-of-kind';
export * from './design';
export * from './edit';
export * from './edit-target';
export * from './edits-between';
export * from './kind-rules';
export * from './sizes';
export * from './taken-place';
