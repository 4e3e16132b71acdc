// Starts the built application: on the loopback address unless HOST says otherwise, and with a plain sentence
// in place of a stack trace when it cannot start.
import { fileURLToPath } from 'node:url';

process.env.HOST ||= '127.0.0.1';
process.env.PORT ||= '4600';
process.env.ORIGIN ||= `http://${process.env.HOST}:${process.env.PORT}`;
process.env.BODY_SIZE_LIMIT ||= '32M';
process.env.EVEN_PAGE_HELPERS ||= fileURLToPath(new URL('build/helpers', import.meta.url));

const say = (words) => {
  console.error(words);
  process.exit(1);
};

if (!/^https?:\/\/[^/?#]+$/.test(process.env.ORIGIN) || !URL.canParse(process.env.ORIGIN))
  say(`ORIGIN is the address people use, as http://192.168.1.20:4600, without anything behind it; it is “${process.env.ORIGIN}”.`);
if (!/^\d{1,5}$/.test(process.env.PORT) || Number(process.env.PORT) > 65535)
  say(`PORT is a number up to 65535; it is “${process.env.PORT}”.`);

// What the machine answers when the server cannot listen or write, and what to do about it.
const MACHINE = {
  EADDRINUSE: `Port ${process.env.PORT} is in use. Stop what runs there, or choose another: PORT=4601 npm start`,
  EADDRNOTAVAIL: `This machine has no address ${process.env.HOST}: leave HOST away, or give one of its own.`,
  ENOTFOUND: `This machine has no address ${process.env.HOST}: leave HOST away, or give one of its own.`,
  EACCES: 'The data folder, or the port, may not be used by this user: choose others with EVEN_PAGE_DATA and PORT.',
  EPERM: 'The data folder belongs to another user: choose one of your own with EVEN_PAGE_DATA.',
  ENOTDIR: 'EVEN_PAGE_DATA names a file where a folder is wanted: choose another place.',
  EEXIST: 'EVEN_PAGE_DATA names a file where a folder is wanted: choose another place.',
  EROFS: 'The data folder lies on a disk that cannot be written to: choose another place with EVEN_PAGE_DATA.',
  ENOSPC: 'The disk is full, so nothing could be kept: make room, then start again.',
};

const sentenceFor = (cause) =>
  cause?.name === 'Complaint' || cause?.name === 'ValidationError'
    ? cause.message
    : (MACHINE[cause?.code] ?? (cause?.cause && sentenceFor(cause.cause)));

// What is left is for whoever mends it: the kind of error and its places, not its words, which may be somebody's.
const trouble = (cause) =>
  [cause?.name, cause?.code, ...(cause?.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line))].join('\n');

process.once('uncaughtException', (cause) => say(sentenceFor(cause) ?? trouble(cause)));

try {
  await import('./build/index.js');
} catch (cause) {
  say(sentenceFor(cause) ?? trouble(cause));
}
