import type { Colour, Focus, Pixels, Rights } from '@even-page/core/dress';
import { Helper } from './helper.ts';

/** A file made of a picture: what for, its media type, its size in pixels. */
export type LightFile = Pixels & { purpose: string; format: string; bytes: Uint8Array };

/** A picture made light: its own size upright, the files made of it, and what it is found by. */
export type Light = Pixels & { type: string; files: LightFile[]; look: string; colour: Colour; rights: Rights };

export type Tried = LightFile;

type Original = { name: string; bytes: Uint8Array; quality: number };

/** What is to be cut out of a picture, and how large at most. */
export type Cut = Original & { purpose: string; shape: Pixels; focus: Focus };

export type PictureQuestion = ({ task: 'light' } & Original) | ({ task: 'try' } & Original) | ({ task: 'cut' } & Cut);
export type PictureAnswer = { light?: Light; tried?: Tried; cut?: LightFile[] };

const TOO_MUCH = 'This picture takes more work to show than there is time for: save it as a PNG where it was made, then bring that in.';

const worker = new Helper<PictureQuestion, PictureAnswer>(
  'pictures',
  {
    mostMs: 12_000,
    mostMb: 1500,
    tooLong: TOO_MUCH,
    tooLarge: TOO_MUCH,
    broken: 'This file is not a picture that can be shown: use a JPEG, PNG, WebP, GIF or AVIF file.',
  },
  2,
);

/** Makes a picture light. Throws a Complaint when the bytes are no picture, or more than can be worked on. */
export const makeLight = async (original: Original): Promise<Light> => (await worker.ask({ task: 'light', ...original })).light!;

/** One file of a picture at another quality, to be looked at. Throws like `makeLight`. */
export const tryQuality = async (original: Original): Promise<Tried> => (await worker.ask({ task: 'try', ...original })).tried!;

/** A picture cut to a shape. Throws like `makeLight`. */
export const cutShape = async (cut: Cut): Promise<LightFile[]> => (await worker.ask({ task: 'cut', ...cut })).cut!;
