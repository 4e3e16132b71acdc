import { readFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { Complaint } from '@even-page/core/complaint';
import { gather } from '@even-page/core/gather/formats';
import { check } from './commands/check.ts';
import type { Command } from './commands/command.ts';
import { post } from './commands/post.ts';
import { read } from './commands/read.ts';
import { shape } from './commands/shape.ts';
import { tidy } from './commands/tidy.ts';

const COMMANDS: Record<string, Command> = { read, tidy, shape, post, check };

const HELP = `even-page: material in, a clean post out

  even-page read FILE                 the passages of a file, with their times
  even-page tidy FILE                 its words as clean prose
  even-page shape FILE                its sections      [--sections N]
  even-page post FILE --to md|html    the post it makes [--sections N]
  even-page check FILE                what a proof finds in it

  --json    the same as data
  FILE -    standard input
`;

const OPTIONS = {
  json: { type: 'boolean' },
  sections: { type: 'string' },
  to: { type: 'string' },
  help: { type: 'boolean', short: 'h' },
} as const;

/** Runs one command line (without node and script); returns the exit status: 0, or 2 after one sentence on stderr. */
export async function run(argv: string[]): Promise<number> {
  try {
    const { values, positionals } = parseArgs({ args: argv, options: OPTIONS, allowPositionals: true });
    const [name, file, ...more] = positionals;
    if (values.help || !name) {
      process.stdout.write(HELP);
      return name || values.help ? 0 : 2;
    }
    const command = COMMANDS[name];
    if (!command) throw new Complaint(`There is no command "${name}": use read, tidy, shape, post or check.`);
    if (!file || more.length) throw new Complaint(`Name one file, or - for standard input: even-page ${name} FILE.`);
    const { source, draft } = gather(bytesOf(file), file === '-' ? '' : basename(file));
    const sections = values.sections === undefined ? undefined : sectionCount(values.sections);
    const to = values.to ?? 'md';
    if (to !== 'md' && to !== 'html') throw new Complaint('A post goes to md or html: use --to md or --to html.');
    const { data, text } = command({ source, draft, sections, to });
    await print(values.json ? `${JSON.stringify(data, null, 2)}\n` : text);
    return 0;
  } catch (error) {
    const sentence = complaintOf(error);
    if (sentence === null) throw error;
    process.stderr.write(`even-page: ${sentence}\n`);
    return 2;
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

function sectionCount(value: string): number {
  const count = Number(value);
  if (!Number.isInteger(count) || count < 1 || count > 200) throw new Complaint('--sections takes a whole number from 1 to 200.');
  return count;
}

function print(text: string): Promise<void> {
  return new Promise((resolve) => process.stdout.write(text, () => resolve()));
}
