export * from './dimension';
export * from './format';
export * from './legal';
export * from './money';
export * from './parse';
export { parseNumber } from './number';
export * from './words';
