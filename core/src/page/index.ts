export type { Fact } from './facts.ts';
export { type Account, type LeftOut, type MadePage, makePage, type PageTools, type PageWishes, writtenMaterial } from './made-page.ts';
export { titleOfName } from './titles.ts';
export { turnedBlock } from './turned-block.ts';
