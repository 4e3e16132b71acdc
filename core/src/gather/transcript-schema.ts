import { array, number, object, string, type InferType } from 'yup';

const spokenSchema = object({
  text: string().required(),
  startMs: number().min(0).required(),
  endMs: number().min(0).required(),
  speaker: string().optional(),
});

/** What a transcriber answers: words with times in milliseconds. */
export const transcriptSchema = object({ title: string().optional(), words: array(spokenSchema.required()).required() });
export type Transcript = InferType<typeof transcriptSchema>;
