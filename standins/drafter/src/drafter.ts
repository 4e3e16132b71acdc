import { readFileSync } from 'node:fs';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { ValidationError } from 'yup';
import { readSubjects } from '@even-page/core/shape';
import { type DraftRequest, draftRequestSchema, type TaskName } from '@even-page/core/write';
import { markdownOf, restsOf } from './page-of.ts';
import type { Task } from './task.ts';
import { check } from './tasks/check.ts';
import { ideas } from './tasks/ideas.ts';
import { outline } from './tasks/outline.ts';
import { REWRITES } from './tasks/rewrites.ts';
import { section } from './tasks/section.ts';
import { titles } from './tasks/titles.ts';
import { whole } from './tasks/whole.ts';

const TASKS: Record<TaskName, Task> = { section, whole, outline, titles, ideas, check, ...REWRITES };

/** How it can be told to misbehave, for tests: once each time it is asked. */
export const MISBEHAVIOURS = ['slow', 'cut off', 'wrong form', 'invents a number', 'drops a link', 'answers a page', 'never ends'] as const;
export type Misbehaviour = (typeof MISBEHAVIOURS)[number];

const known = readSubjects(new Uint8Array(readFileSync(new URL('../../../core/data/subjects.bin', import.meta.url))));

// Words come in small parts, as from a service that thinks of them one by one.
const WORDS_A_PART = 12;
const SLOW_MS = 400;
// A request that is larger was not made by the application.
const MOST_BODY = 32 * 1024 * 1024;

/**
 * A drafter that works by rules: it takes what the material says, as it says it, in the order, length and form asked for.
 * @param paceMs how long it waits between two parts of its text
 */
export function drafter({ paceMs = 0, token }: { paceMs?: number; token?: string } = {}): Hono {
  const app = new Hono();
  let misbehaves: Misbehaviour[] = [];

  app.use(async (c, next) => {
    if (token && c.req.header('authorization') !== `Bearer ${token}`) return c.json({ message: 'This request carries no valid key.' }, 401);
    return next();
  });

  app.get('/about', (c) => c.json({ name: 'Bench drafter', limit: { unit: 'words', most: 120_000 } }));

  // For tests: what it does wrong the next times, in that order.
  app.put('/misbehaviour', async (c) => {
    const { next } = (await c.req.json()) as { next: Misbehaviour[] };
    misbehaves = next.filter((one) => MISBEHAVIOURS.includes(one));
    return c.json({});
  });

  app.post('/drafts', async (c) => {
    let request: DraftRequest;
    try {
      const text = await c.req.text();
      if (text.length > MOST_BODY) return c.json({ message: 'This request is too large.' }, 413);
      request = await draftRequestSchema.validate(JSON.parse(text), { stripUnknown: true });
    } catch (cause) {
      return c.json({ message: cause instanceof ValidationError ? cause.errors[0] : 'The request is no JSON.' }, 400);
    }
    const how = misbehaves.shift();
    if (how === 'answers a page') return c.html('<!doctype html><title>Sign in</title><p>Please sign in.');
    return streamSSE(c, async (stream) => {
      const say = (event: string, data: object) => stream.writeSSE({ event, data: JSON.stringify(data) });
      const write = async (text: string) => {
        for (const part of text.match(new RegExp(`(?:\\s*\\S+){1,${WORDS_A_PART}}\\s*`, 'g')) ?? []) {
          if (stream.aborted) return;
          await say('text', { text: part });
          const wait = how === 'slow' ? SLOW_MS : paceMs;
          if (wait) await new Promise((resolve) => setTimeout(resolve, wait));
        }
      };
      let blocks = 0;
      for (const made of TASKS[request.task](request, known)) {
        if (stream.aborted) return;
        if ('note' in made) {
          await say('note', { says: made.note });
          continue;
        }
        if (blocks++) await say('text', { text: '\n\n' });
        await write(spoilt(how === 'wrong form' ? wrongForm(markdownOf(made)) : markdownOf(made), blocks, how));
        if (how === 'cut off') return stream.close();
        const passages = restsOf(made);
        if (passages.length) await say('rests', { passages });
      }
      while (how === 'never ends' && !stream.aborted) await write(' and so on and so on and so on and so on');
      await say('done', {});
    });
  });

  return app;
}

/** What a drafter that invents, or forgets, makes of its first words. */
function spoilt(text: string, block: number, how: Misbehaviour | undefined): string {
  if (how === 'invents a number' && block === 1) return `${text} Most people use 37 degrees.`;
  if (how === 'drops a link') return text.replace(/\[([^\]]*)\]\([^)]*\)/g, '$1');
  return text;
}

const wrongForm = (text: string): string => text.replace(/^(?:\d+\.|[-*]) /gm, '').replace(/^\|.*$/gm, (row) => row.replaceAll('|', ' '));
