// Prints the figures of speed, each beside a reference measured in the same run, and keeps them in
// docs/benchmarks.md with --write. Run: npm run bench (the application must be built).
import { cpus } from 'node:os';
import { readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import config from '../playwright.config.ts';
import { startServer } from '../app/test/running-server.ts';
import { deskFigures, demoFolder, drop, screenFigures, startFigures } from './application.ts';
import { coreFigures } from './core.ts';
import { table, type Figure } from './measure.ts';
import { typingFigures } from './typing.ts';

const figures: Figure[] = [...(await coreFigures())];
const folder = await demoFolder();
figures.push(...(await startFigures(folder)));
const browser = await chromium.launch(config.use!.launchOptions);
const server = await startServer({ data: folder });
figures.push(...(await screenFigures(browser, server)), ...(await typingFigures(browser, server)));
await browser.close();
await server.stop();
figures.push(...(await deskFigures(folder)));
drop(folder);

const report = `${table(figures)}\n\nMeasured with Node.js ${process.versions.node} on ${cpus().length} cores.`;
console.log(report);

if (process.argv.includes('--write')) {
  const path = new URL('../docs/benchmarks.md', import.meta.url);
  const page = readFileSync(path, 'utf8');
  writeFileSync(
    path,
    page.replace(/(?<=<!-- figures -->\n\n)[^]*?(?=\n\n<!-- end -->)/, () => report),
  );
}
process.exitCode = figures.some((f) => f.most !== undefined && f.value > f.most) ? 1 : 0;
