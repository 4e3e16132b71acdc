// Starts the built application: on the loopback address unless HOST says otherwise, and with a plain sentence
// in place of a stack trace when it cannot start.
import { fileURLToPath } from 'node:url';

process.env.HOST ||= '127.0.0.1';
process.env.PORT ||= '4600';
process.env.ORIGIN ||= `http://${process.env.HOST}:${process.env.PORT}`;
process.env.BODY_SIZE_LIMIT ||= '32M';
process.env.EVEN_PAGE_READER ||= fileURLToPath(new URL('build/reader.js', import.meta.url));

try {
  await import('./build/index.js');
} catch (cause) {
  const isPlain = cause.name === 'Complaint' || cause.name === 'ValidationError';
  console.error(isPlain ? cause.message : cause);
  process.exit(1);
}
