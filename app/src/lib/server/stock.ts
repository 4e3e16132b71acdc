import { array, number, object, string, type InferType } from 'yup';
import { Complaint } from '@even-page/core/complaint';
import { licenceNamed, type Rights } from '@even-page/core/dress';
import { boundedJson } from './bounded.ts';
import { environment } from './environment.ts';
import type { Person } from './person.ts';
import { addPicture, type Picture } from './pictures.ts';
import { MOST_BYTES } from '$lib/limits.ts';

const fileSchema = object({
  address: string().url().required().max(2000),
  width: number().integer().min(1).required(),
  height: number().integer().min(1).required(),
});

const pictureSchema = object({
  id: string().required().max(200),
  title: string().defined().max(300),
  words: array(string().defined()).defined().default([]),
  maker: string().defined().max(200),
  licence: string().defined().max(300),
  page: string().defined().max(2000),
  files: array(fileSchema.defined()).min(1).required(),
});

const answerSchema = object({
  total: number().integer().min(0).required(),
  page: number().integer().min(1).required(),
  pages: number().integer().min(1).required(),
  pictures: array(pictureSchema.defined()).required(),
});

type StockAnswer = InferType<typeof answerSchema>;
type StockPicture = StockAnswer['pictures'][number];

/** A picture of the stock as it is offered: with its rights in our terms, and its size at the largest. */
export type Offered = { id: string; title: string; maker: string; rights: Rights; width: number; height: number; thumb: string };

const NO_ANSWER = 'The picture stock does not answer. Try again in a moment; what is on the page is safe.';
const MOST_MS = 10_000;
const MOST_ANSWER = 2 * 1024 * 1024;

function ask(address: string): Promise<Response> {
  const { STOCK_TOKEN } = environment;
  return fetch(address, {
    signal: AbortSignal.timeout(MOST_MS),
    redirect: 'error',
    headers: { accept: 'application/json, image/*', ...(STOCK_TOKEN ? { authorization: `Bearer ${STOCK_TOKEN}` } : {}) },
  }).catch((cause: unknown) => {
    throw new Complaint(NO_ANSWER, { cause });
  });
}

async function searched(words: string, page: number): Promise<StockAnswer> {
  if (!environment.STOCK_URL) throw new Complaint('No picture stock is set up here (STOCK_URL).');
  const address = new URL('pictures', environment.STOCK_URL.replace(/\/?$/, '/'));
  for (const [name, value] of Object.entries({ q: words, page: String(page), per: '24' })) address.searchParams.set(name, value);
  const response = await ask(address.href);
  const body = await boundedJson(response, MOST_ANSWER);
  if (response.status === 401 || response.status === 403)
    throw new Complaint('The picture stock does not accept the token it is set up with.');
  if (!response.ok || !answerSchema.isValidSync(body)) throw new Complaint(NO_ANSWER);
  return answerSchema.cast(body);
}

const rightsOf = ({ licence, maker, page }: StockPicture): Rights => ({
  licence: licenceNamed(licence),
  credit: maker,
  source: page,
  holder: '',
});

/** A page of what the stock has for some words. Throws a Complaint when it does not answer. */
export async function searchStock(
  words: string,
  page: number,
): Promise<{ total: number; page: number; pages: number; pictures: Offered[] }> {
  const { pictures, ...where } = await searched(words, page);
  return {
    ...where,
    pictures: pictures.map((picture) => {
      const { width, height } = largestOf(picture);
      return {
        id: picture.id,
        title: picture.title,
        maker: picture.maker,
        rights: rightsOf(picture),
        width,
        height,
        thumb: smallestOf(picture).address,
      };
    }),
  };
}

const largestOf = ({ files }: StockPicture) => files.reduce((best, file) => (file.width > best.width ? file : best));
const smallestOf = ({ files }: StockPicture) => files.reduce((best, file) => (file.width < best.width ? file : best));

/** Where a picture was offered: the words and the page of the search it stood on. */
export type Offer = { id: string; words: string; page: number };

async function offered({ id, words, page }: Offer): Promise<StockPicture> {
  const found = (await searched(words, page)).pictures.find((picture) => picture.id === id);
  if (!found) throw new Complaint('The stock no longer offers this picture: search again.');
  return found;
}

/** A file of the stock: readers’ and writers’ browsers never ask the stock themselves. Throws a Complaint when it is no picture of the stock. */
export async function stockFile(address: string): Promise<{ type: string; bytes: Buffer }> {
  // A stock that sends somebody elsewhere is not followed.
  if (!environment.STOCK_URL || new URL(address).origin !== new URL(environment.STOCK_URL).origin) throw new Complaint(NO_ANSWER);
  const response = await ask(address);
  const type = response.headers.get('content-type') ?? '';
  if (!response.ok || !/^image\/(?:jpeg|png|webp|gif|avif)$/.test(type)) throw new Complaint(NO_ANSWER);
  const parts: Uint8Array[] = [];
  let size = 0;
  for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
    if ((size += part.length) > MOST_BYTES) throw new Complaint('This picture of the stock is larger than 25 MB.');
    parts.push(part);
  }
  return { type, bytes: Buffer.concat(parts) };
}

/** Takes a picture of the stock in, with its rights. Throws a Complaint when the stock does not answer. */
export async function takeFromStock(person: Person, offer: Offer): Promise<Picture> {
  const picture = await offered(offer);
  const { bytes } = await stockFile(largestOf(picture).address);
  return addPicture(person, { name: picture.title, bytes, alt: picture.title, rights: rightsOf(picture) });
}
