#!/usr/bin/env node
// The command is TypeScript, run as it is through tsx.
import { register } from 'tsx/esm/api';

register();
const { run } = await import('../src/run.ts');
const { status, out, err } = await run(process.argv.slice(2));
process.stderr.write(err);
process.exitCode = status;
// A reader that stops early, such as head, is no failure.
process.stdout.on('error', (error) => {
  if (error.code !== 'EPIPE') throw error;
});
process.stdout.write(out);
