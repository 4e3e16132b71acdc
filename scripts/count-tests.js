// Adds up what the runners counted: what failed, once more by name, and the one line that says how it went. A stage, named
// to this program, that failed without a failed test (lint, types, a runner that did not start) counts as one failure.
import { existsSync, readFileSync } from 'node:fs';

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const parts = ['unit', 'durable', 'server', 'waiting'].map((part) => read(`test-results/${part}.json`));
const report = read('test-results/browser.json');
const browser = report?.stats;

const stages = process.argv.slice(2);

const sum = (name) => parts.reduce((all, part) => all + (part?.[name] ?? 0), 0);

const passed = sum('passes') + (browser ? browser.expected + browser.flaky : 0);
const tests = sum('failures') + (browser?.unexpected ?? 0);
const missing = [...parts, browser].filter((part) => !part).length;
const failed = Math.max(tests + missing, stages.length);

const specsOf = ({ suites = [], specs = [] }) => [...specs, ...suites.flatMap(specsOf)];
const specs = specsOf(report ?? {});
const titles = (status) => specs.filter(({ tests }) => tests.some((test) => test.status === status)).map(({ title }) => title);
for (const name of titles('flaky')) console.log(`passed the second time: ${name}`);
const names = [...stages, ...parts.flatMap((part) => part?.failed ?? []), ...titles('unexpected')];
for (const name of names) console.log(`failed: ${name}`);

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed ? 1 : 0;
