import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { Complaint } from '@even-page/core/complaint';
import { readModel, readWorth, usualHouse } from '@even-page/core/tidy';
import { readSubjects } from '@even-page/core/shape';
import { check } from './commands/check.ts';
import type { Command, Request } from './commands/command.ts';
import { materialOf } from './one-material.ts';
import { post } from './commands/post.ts';
import { read } from './commands/read.ts';
import { shape } from './commands/shape.ts';
import { tidy } from './commands/tidy.ts';

const MODEL = new URL('../../core/data/marks.bin', import.meta.url);
const SUBJECTS = new URL('../../core/data/subjects.bin', import.meta.url);
const WORTH = new URL('../../core/data/worth.bin', import.meta.url);
const COMMANDS: Record<string, Command> = { read, tidy, shape, post, check };

const HELP = `even-page: material in, a clean post out

  even-page read FILE                 the passages of a file, with their times
  even-page tidy FILE                 its words as clean prose
  even-page shape FILE                its sections      [--sections N]
  even-page post FILE --to md|html    the post it makes [--sections N]
  even-page check FILE                what a proof finds in it; ends with 1 when
                                     something must be fixed
                                     [--material FILE, what it was made of]

  Talk becomes written prose, of a post's length:
  --as-said        its words as they were said
  --length N|all   so many words at most, or all that belongs in a post
  --person P       told to "you", by "we" or "i", or as-said

  --names "A, B"   names and terms as they are spelt, to find where they were heard wrong
  --json           the same as data
  FILE -           standard input
`;

const OPTIONS = {
  json: { type: 'boolean' },
  sections: { type: 'string' },
  to: { type: 'string' },
  names: { type: 'string' },
  length: { type: 'string' },
  person: { type: 'string' },
  material: { type: 'string', multiple: true },
  'as-said': { type: 'boolean' },
  help: { type: 'boolean', short: 'h' },
} as const;

/** What a command line came to: the exit status (0; 1 when something must be fixed; or 2 with one sentence in `err`) and what it prints. */
export type Result = { status: 0 | 1 | 2; out: string; err: string };

/** Runs one command line, given without node and script. */
export async function run(argv: string[]): Promise<Result> {
  try {
    const { values, positionals } = parseArgs({ args: argv, options: OPTIONS, allowPositionals: true });
    const [name, file, ...more] = positionals;
    if (values.help) return { status: 0, out: HELP, err: '' };
    if (!name) return { status: 2, out: '', err: HELP };
    const command = COMMANDS[name];
    if (!command) throw new Complaint(`There is no command "${name}": use read, tidy, shape, post or check.`);
    if (!file || more.length) throw new Complaint(`Name one file, or - for standard input: even-page ${name} FILE.`);
    const to = values.to ?? 'md';
    if (to !== 'md' && to !== 'html') throw new Complaint('A post goes to md or html: use --to md or --to html.');
    const fileName = file === '-' ? '' : basename(file);
    const { source, draft } = await materialOf(bytesOf(file), fileName);
    const names = (values.names ?? '')
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean);
    const tools = {
      house: { ...usualHouse(), names },
      model: readModel(readFileSync(MODEL)),
      subjects: readSubjects(readFileSync(SUBJECTS)),
      worth: readWorth(readFileSync(WORTH)),
    };
    const gathered = await Promise.all((values.material ?? []).map((name) => materialOf(bytesOf(name), basename(name))));
    const material = gathered.map((one) => one.source);
    const { data, text, mustBeFixed } = await command({ source, draft, fileName, wishes: wishesOf(values), to, tools, material });
    return { status: mustBeFixed ? 1 : 0, out: values.json ? `${JSON.stringify(data, null, 2)}\n` : text, err: '' };
  } catch (error) {
    const sentence = complaintOf(error);
    if (sentence === null) throw error;
    return { status: 2, out: '', err: `even-page: ${sentence}\n` };
  }
}

function complaintOf(error: unknown): string | null {
  if (error instanceof Complaint) return error.message;
  const code = (error as NodeJS.ErrnoException).code ?? '';
  if (code.startsWith('ERR_PARSE_ARGS')) return (error as Error).message.split('. ')[0]!.replace(/\.?$/, '.');
  return null;
}

function bytesOf(file: string): Uint8Array {
  try {
    return readFileSync(file === '-' ? 0 : file);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOENT') throw new Complaint(`There is no file "${file}".`);
    if (code === 'EISDIR') throw new Complaint(`"${file}" is a folder: name a file in it.`);
    throw new Complaint(`The file "${file}" cannot be read (${code}).`);
  }
}

const PERSONS = ['you', 'we', 'i', 'as-said'] as const;

/** What was asked of the page. Throws a Complaint when it makes no sense. */
function wishesOf(values: { sections?: string; length?: string; person?: string; 'as-said'?: boolean }): Request['wishes'] {
  const person = values['as-said'] ? 'as-said' : PERSONS.find((p) => p === values.person?.toLowerCase());
  if (values.person !== undefined && !person) throw new Complaint('--person takes you, we, i or as-said.');
  return {
    ...(values.sections === undefined ? {} : { sections: sectionCount(values.sections) }),
    ...(values.length === undefined ? {} : { length: wordsWanted(values.length) }),
    ...(person ? { person } : {}),
  };
}

function wordsWanted(value: string): number | 'all' {
  if (value === 'all') return 'all';
  const words = Number(value);
  if (!Number.isInteger(words) || words < 1 || words > 200_000)
    throw new Complaint('--length takes a number of words up to 200,000, or all.');
  return words;
}

function sectionCount(value: string): number {
  const count = Number(value);
  if (!Number.isInteger(count) || count < 1 || count > 200) throw new Complaint('--sections takes a whole number from 1 to 200.');
  return count;
}
