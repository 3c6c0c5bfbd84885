export { changeFeed } from './change-feed';
export { connect } from './connect';
export * from './migrate';
export * from './repositories';
export * from './workspace-repository';
export type { Database } from './schema';
