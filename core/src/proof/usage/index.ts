export { usageReader, type UsagesByText } from './reader.ts';
export type { Usage, UsageRule } from './usage.ts';
export { usageOf } from './usage-of.ts';
