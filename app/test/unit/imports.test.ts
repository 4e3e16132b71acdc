import { expect } from 'chai';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';

const ROOT = new URL('../../../', import.meta.url).pathname;
const CODE = ['core/src', 'app/src', 'cli/src', 'standins', 'bench', 'demo'];

/** The files of the code by their paths, with what each imports, types included. */
function importsOf(): Map<string, string[]> {
  const files = CODE.flatMap((folder) =>
    readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' }).map((file) => `${folder}/${file}`),
  );
  const code = files.filter((file) => /(?<!\.d)\.ts$|\.svelte$/.test(file) && !file.includes('node_modules') && !file.includes('/build/'));
  return new Map(code.map((file) => [file, targetsIn(file)]));
}

function targetsIn(file: string): string[] {
  const text = readFileSync(join(ROOT, file), 'utf8');
  const scripts = file.endsWith('.svelte') ? [...text.matchAll(/<script[^>]*>([^]*?)<\/script>/g)].map((m) => m[1]!).join('\n') : text;
  return ts.preProcessFile(scripts, true, true).importedFiles.flatMap(({ fileName }) => resolved(file, fileName) ?? []);
}

function resolved(from: string, name: string): string | null {
  const path = name.startsWith('.')
    ? join(dirname(from), name)
    : name.startsWith('$lib/')
      ? `app/src/lib/${name.slice(5)}`
      : name.startsWith('@even-page/core/')
        ? `core/src/${name.slice(16)}${name.slice(16).includes('/') ? '' : name === '@even-page/core/complaint' ? '' : '/index'}.ts`
        : '';
  return path && existsSync(join(ROOT, path)) && statSync(join(ROOT, path)).isFile() ? path : null;
}

/** Groups of files that import one another in a circle (Tarjan 1972). */
function circles(imports: ReadonlyMap<string, readonly string[]>): string[][] {
  const found: string[][] = [];
  const number = new Map<string, number>();
  const low = new Map<string, number>();
  const open: string[] = [];
  const visit = (file: string) => {
    number.set(file, number.size);
    low.set(file, number.get(file)!);
    open.push(file);
    for (const next of imports.get(file) ?? []) {
      if (!number.has(next)) visit(next);
      if (open.includes(next)) low.set(file, Math.min(low.get(file)!, low.get(next)!));
    }
    if (low.get(file) !== number.get(file)) return;
    const group = open.splice(open.indexOf(file));
    if (group.length > 1) found.push(group.sort());
  };
  for (const file of imports.keys()) if (!number.has(file)) visit(file);
  return found;
}

describe('the imports of the code', () => {
  it('go in no circle, types included', () => {
    const imports = importsOf();
    expect(imports.size).to.be.greaterThan(200);
    expect(imports.get('core/src/gather/formats.ts')).to.include('core/src/gather/docx.ts');
    expect(circles(imports)).to.deep.equal([]);
  });

  it('are found in a circle where there is one', () => {
    expect(
      circles(
        new Map([
          ['a', ['b']],
          ['b', ['c']],
          ['c', ['a']],
          ['d', ['a']],
        ]),
      ),
    ).to.deep.equal([['a', 'b', 'c']]);
  });
});
