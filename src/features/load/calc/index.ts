export * from './along';
export * from './bends';
export * from './curve';
export * from './fame';
export * from './grid';
export * from './map';
export type * from './model';
export * from './over';
export * from './ready';
