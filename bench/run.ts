// Prints the figures of speed and of quality, each beside a reference measured in the same run, and keeps them in
// docs/benchmarks.md with --write. Run: npm run bench; with --gather, --road, --tidy, --shape, --drafting, --dress, --proof, --yardstick or --figures (of speed) only those.
import { cpus } from 'node:os';
import { readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import config from '../playwright.config.ts';
import { startServer } from '../app/test/running-server.ts';
import { deskFigures, demoFolder, drop, screenFigures, startFigures } from './application.ts';
import { coreFigures } from './core.ts';
import { draftingFigures } from './drafting.ts';
import { dressFigures } from './dress.ts';
import { gatherFigures } from './gather.ts';
import { isMet, table, type Figure } from './measure.ts';
import { proofFigures } from './proof.ts';
import { yardstickFigures } from './yardstick.ts';
import { qualityFigures } from './quality.ts';
import { headingFigures } from './headings.ts';
import { roadFigures } from './road.ts';
import { shapeFigures } from './shape.ts';
import { typingFigures } from './typing.ts';

const STEPS = {
  gather: gatherFigures,
  road: roadFigures,
  tidy: qualityFigures,
  shape: async () => [...(await shapeFigures()), ...(await headingFigures())],
  drafting: draftingFigures,
  dress: dressFigures,
  proof: proofFigures,
  yardstick: yardstickFigures,
  figures: speedFigures,
};

const only = Object.keys(STEPS).filter((step) => process.argv.includes(`--${step}`));
const all: Figure[] = [];
for (const [step, measure] of Object.entries(STEPS)) {
  if (only.length && !only.includes(step)) continue;
  const found = await measure();
  keepReport(step, found);
  all.push(...found);
}
process.exitCode = all.every(isMet) ? 0 : 1;

async function speedFigures(): Promise<Figure[]> {
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
  return figures;
}

/** Prints figures, and with --write puts them where docs/benchmarks.md has a place of their name. */
function keepReport(name: string, measured: readonly Figure[]): void {
  const report = `${table(measured)}\n\nMeasured with Node.js ${process.versions.node} on ${cpus().length} cores.`;
  console.log(report);
  if (!process.argv.includes('--write')) return;
  const path = new URL('../docs/benchmarks.md', import.meta.url);
  const page = readFileSync(path, 'utf8');
  writeFileSync(
    path,
    page.replace(new RegExp(`(?<=<!-- ${name} -->\\n\\n)[^]*?(?=<!-- end -->)`), () => `${report}\n\n`),
  );
}
