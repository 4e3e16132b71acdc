export type { Fact } from './facts.ts';
export { type Account, type LeftOut, type MadePage, makePage, type PageTools, type PageWishes, writtenMaterial } from './made-page.ts';
export { proposeTitles, titleOfName } from './titles.ts';
export { turnedBlock } from './turned-block.ts';
