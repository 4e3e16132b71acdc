/** One file of a picture: where it is and how many pixels wide. */
export type PictureFileAt = { address: string; width: number };

/** A picture as it is where the page goes: its light files, the one for readers that show no WebP, its size in pixels, and its credit. */
export type DressedPicture = {
  files: readonly PictureFileAt[];
  fallback: string;
  width: number;
  height: number;
  credit: string;
};

/** A clip as it is where the page goes: a media file, or the frame of a host that was asked for it. */
export type DressedClip = {
  kind: 'video' | 'audio' | 'frame';
  address: string;
  width: number;
  height: number;
  captions: string;
};

/** What is known, where the page goes, of the pictures and clips it names. What nothing is known of goes out as it is named. */
export type Dress = {
  /** `row` is the shape it has in a row, cut around its focus. */
  picture?(src: string, shape: 'whole' | 'row'): DressedPicture | null;
  clip?(address: string): DressedClip | null;
  /** The hosts that pay for being linked to. */
  paid?: readonly string[];
  /** Whether the page stays in the house, to be looked at. */
  isHere?: boolean;
};
