import type { Focus, Pixels, Rights } from '@even-page/core/dress';

/** A picture as the server knows it. */
export type Picture = Pixels & {
  src: string;
  name: string;
  type: string;
  bytes: number;
  originalBytes: number;
  alt: string;
  rights: Rights;
  credit: string;
  focus: Focus;
  quality: number;
  colour: string;
};

/** What its host said of a clip. */
export type FoundClip = {
  address: string;
  kind: 'video' | 'audio' | 'frame';
  player: string;
  title: string;
  author: string;
  provider: string;
  width: number;
  height: number;
  still: string;
};
