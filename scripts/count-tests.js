// Adds up what the runners counted: the one line that says how it went. A stage that failed without a failed
// test (lint, types, a runner that did not start) counts as one failure.
import { existsSync, readFileSync } from 'node:fs';

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const parts = ['unit', 'durable', 'server', 'waiting'].map((part) => read(`test-results/${part}.json`));
const browser = read('test-results/browser.json')?.stats;

const sum = (name) => parts.reduce((all, part) => all + (part?.[name] ?? 0), 0);

const passed = sum('passes') + (browser?.expected ?? 0);
const tests = sum('failures') + (browser ? browser.unexpected + browser.flaky : 0);
const missing = [...parts, browser].filter((part) => !part).length;
const failed = Math.max(tests + missing, Number(process.argv[2] ?? 0));

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed ? 1 : 0;
