import britishRules from 'dictionary-en-gb/files/index.aff?url';
import britishWords from 'dictionary-en-gb/files/index.dic?url';
import americanRules from 'dictionary-en/files/index.aff?url';
import americanWords from 'dictionary-en/files/index.dic?url';
import marksAddress from '@even-page/core/data/marks.bin?url';
import subjectsAddress from '@even-page/core/data/subjects.bin?url';
import worthAddress from '@even-page/core/data/worth.bin?url';
import type { DictionaryFiles } from '@even-page/core/language/speller';
import { readSubjects, type Subjects } from '@even-page/core/shape';
import { type MarksModel, readModel, readWorth, type WorthModel } from '@even-page/core/tidy';

/** A file fetched when it is first asked for; what failed on its way is asked for again. */
function fetched<T>(address: string, read: (bytes: Uint8Array) => T): () => Promise<T> {
  let file: Promise<T> | undefined;
  return () => {
    file ??= fetch(address).then(async (response) => read(new Uint8Array(await response.arrayBuffer())));
    file.catch(() => (file = undefined));
    return file;
  };
}

export const marksModel = fetched<MarksModel>(marksAddress, readModel);
export const subjects = fetched<Subjects>(subjectsAddress, readSubjects);
const worth = fetched<WorthModel>(worthAddress, readWorth);

/** What wording and sections are made by; what cannot be fetched is done without. */
export const knowledge = async () => ({ subjects: await subjects().catch(() => null), worth: await worth().catch(() => null) });

const asText = (bytes: Uint8Array) => new TextDecoder().decode(bytes);
const files = {
  British: { aff: fetched(britishRules, asText), dic: fetched(britishWords, asText) },
  American: { aff: fetched(americanRules, asText), dic: fetched(americanWords, asText) },
};

/** The files of both dictionaries. */
export async function dictionaries(): Promise<Record<'British' | 'American', DictionaryFiles>> {
  const both = async ({ aff, dic }: (typeof files)['British']) => ({ aff: await aff(), dic: await dic() });
  return { British: await both(files.British), American: await both(files.American) };
}
