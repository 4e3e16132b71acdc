import { CHECKS, KINDS, type Kind } from '@even-page/core/proof';

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
  return `# What Proof checks\n\nMade from the checks themselves by \`npx tsx scripts/write-checks.ts\`.\n\n${parts.join('\n\n')}\n`;
}
