import { CHECKS, KINDS, type Kind, WHAT_COUNTS } from '@even-page/core/proof';

const cell = (text: string) => text.replaceAll('|', '\\|');

/** Every check of Proof by what it is about, as Markdown. */
export function checksTable(): string {
  const parts = (Object.keys(KINDS) as Kind[]).map((kind) => {
    const rows = CHECKS.filter((check) => check.kind === kind).map(
      ({ name, gravity, why, source }) =>
        `| ${cell(name)} | ${gravity === 'must' ? 'must be fixed' : 'worth a look'} | ${cell(why)} | ${cell(source)} |`,
    );
    return [`## ${KINDS[kind]}`, '', '| check | how grave | why it matters | source |', '| --- | --- | --- | --- |', ...rows].join('\n');
  });
  const rules = Object.entries(WHAT_COUNTS).map(([name, { says }]) => `| ${name} | ${cell(says)} |`);
  const answers = [
    '## What counts',
    '',
    'Four answers of the writer (who reads it, how formal, what kind of text, what it should do) say which rules of language count; the grade asked for (8, 10 or 12) and the longest sentence (30, 40 or 45 words) follow them too.',
    '',
    '| rule | counts |',
    '| --- | --- |',
    ...rules,
  ].join('\n');
  return `# What Proof checks\n\nMade from the checks themselves by \`npx tsx scripts/write-checks.ts\`.\n\n${parts.join('\n\n')}\n\n${answers}\n`;
}
