import { readFileSync } from 'node:fs';

/** One thing that pages on a subject treat: headings for it, and paragraphs about it, by different hands. */
export type Told = { name: string; headings: string[]; paragraphs: string[] };

/** A subject of the invented web: the words it is looked for by, ways to begin, and what is told of it. */
export type Subject = { phrase: string; intros: string[]; told: Told[] };

/** The subjects, as subjects.txt has them: `# phrase`, `intro:`, `## name`, `h: heading | heading`, `- paragraph`. */
export const SUBJECTS: readonly Subject[] = read(readFileSync(new URL('subjects.txt', import.meta.url), 'utf8'));

function read(text: string): Subject[] {
  const subjects: Subject[] = [];
  for (const line of text.split('\n').filter(Boolean)) {
    const subject = subjects.at(-1)!;
    if (line.startsWith('# ')) subjects.push({ phrase: line.slice(2), intros: [], told: [] });
    else if (line.startsWith('## ')) subject.told.push({ name: line.slice(3), headings: [], paragraphs: [] });
    else if (line.startsWith('intro: ')) subject.intros.push(line.slice(7));
    else if (line.startsWith('h: ')) subject.told.at(-1)!.headings.push(...line.slice(3).split(' | '));
    else subject.told.at(-1)!.paragraphs.push(line.slice(2));
  }
  return subjects;
}
