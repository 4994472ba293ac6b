export * from './address';
export * from './apply';
export * from './command';
export * from './diff';
export * from './make';
export * from './merge';
export * from './undo';
export * from './recordOf';
