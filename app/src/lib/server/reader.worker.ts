// Reads material off the server's own thread, so that a bad file ends with a sentence and not with the server.
import { parentPort } from 'node:worker_threads';
import { Complaint } from '@even-page/core/complaint';
import { gatherSeveral } from '@even-page/core/gather/several';
import type { Answer, Question } from './reader.ts';

parentPort!.on('message', async ({ bytes, name, reading }: Question) => {
  parentPort!.postMessage(await answerTo(bytes, name, reading));
});

async function answerTo(bytes: Uint8Array, name: string, reading: Question['reading']): Promise<Answer> {
  try {
    const files = await gatherSeveral(bytes, name, reading);
    return {
      files: files.map(({ draft, ...file }) => ({
        ...file,
        ...(draft ? { draft: { doc: draft.doc.toJSON() as object, details: draft.details } } : {}),
      })),
    };
  } catch (cause) {
    if (cause instanceof Complaint) return { complaint: cause.message };
    throw cause;
  }
}
