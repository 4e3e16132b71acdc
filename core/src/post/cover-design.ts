import { array, boolean, number, object, string, type InferType } from 'yup';

const colour = string()
  .matches(/^#[0-9a-f]{6}$/i, 'A colour is six hexadecimal digits.')
  .defined();

/** A picture on a cover: which, the point of it that is never cut off, and whether it is cut out of its background already. */
const picture = object({
  src: string().defined().max(300),
  focus: object({ x: number().min(0).max(1).defined(), y: number().min(0).max(1).defined() }).defined(),
  isCutOut: boolean().defined().default(false),
});

/** What a cover is made of, so that it can be drawn again: its template, its words, its colours and pictures. */
export const coverDesignSchema = object({
  template: string().defined().max(60),
  size: string().oneOf(['cover', 'square', 'tall'], 'A cover is wide, square or tall.').defined().default('cover'),
  title: string().defined().max(300),
  byline: string().defined().max(200).default(''),
  colours: object({ ground: colour, ink: colour, accent: colour }).defined(),
  pictures: array(picture.defined()).defined().default([]).max(2, 'A cover has at most two pictures.'),
}).noUnknown();

export type CoverDesign = InferType<typeof coverDesignSchema>;
