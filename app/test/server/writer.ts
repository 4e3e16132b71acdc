import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import postgres from 'postgres';
import type { EditChange } from '../../../core/src/tidy/edit.ts';
import type { RunningServer } from '../running-server.ts';

const MATERIAL = new URL('../../../demo/material/', import.meta.url);

/** A file of the demo's material. */
export const fileOf = (name: string) => new File([readFileSync(new URL(name, MATERIAL))], name);

/** A form with files under one name; without any, an empty request. */
export function form(field: string, ...files: File[]) {
  if (!files.length) return { method: 'POST' };
  const body = new FormData();
  for (const file of files) body.append(field, file);
  return { method: 'POST', body };
}

type Standing = { version: number; doc: object; details: object };
type Change = { details?: object; doc?: object; edits?: EditChange[]; base?: number; key?: string; step?: string };

/** What a writer's browser does to a server. */
export const writer = (server: () => RunningServer) => ({
  bring: async (...files: File[]) => (await (await server().call('/pieces', form('material', ...files))).json()).id as string,
  read: async (id: string) => (await server().call(`/pieces/${id}`)).json(),
  list: async (query = '') => (await (await server().call(`/pieces${query}`)).json()).rows,
  save: (id: string, piece: Standing, change: Change = {}) =>
    server().call(`/pieces/${id}/save`, {
      method: 'PUT',
      body: {
        key: change.key ?? randomUUID(),
        base: change.base ?? piece.version,
        doc: change.doc ?? piece.doc,
        details: { ...piece.details, ...change.details },
        step: change.step ?? 'write',
        edits: change.edits ?? [],
      },
    }),
});

/**
 * The databases the server is tested on, each with settings for a fresh one: the embedded one, and a PostgreSQL
 * server where the test script started one (TEST_DATABASE_URL).
 */
export const ENGINES: { name: string; fresh: () => Promise<Record<string, string>> }[] = [
  { name: 'the embedded database', fresh: async () => ({}) },
  ...(process.env.TEST_DATABASE_URL
    ? [{ name: 'a PostgreSQL server', fresh: async () => ({ DATABASE_URL: await freshDatabase(process.env.TEST_DATABASE_URL!) }) }]
    : []),
];

async function freshDatabase(url: string): Promise<string> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const client = postgres(url);
  await client.unsafe(`create database ${name}`);
  await client.end();
  const fresh = new URL(url);
  fresh.pathname = name;
  return fresh.href;
}
