// Adds up what the runners counted: the one line that says how it went. A stage that failed without a failed
// test (lint, types, a runner that did not start) counts as one failure.
import { existsSync, readFileSync } from 'node:fs';

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const unit = read('test-results/unit.json');
const browser = read('test-results/browser.json')?.stats;

const passed = (unit?.passes ?? 0) + (browser?.expected ?? 0);
const tests = (unit?.failures ?? 0) + (browser ? browser.unexpected + browser.flaky : 0);
const missing = (unit ? 0 : 1) + (browser ? 0 : 1);
const failed = Math.max(tests + missing, Number(process.argv[2] ?? 0));

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed ? 1 : 0;
