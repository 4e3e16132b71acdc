#!/usr/bin/env node
// The command is TypeScript, run as it is through tsx.
import { register } from 'tsx/esm/api';

register();
const { run } = await import('../src/run.ts');
process.exitCode = await run(process.argv.slice(2));
