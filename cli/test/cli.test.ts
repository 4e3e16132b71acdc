import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { run } from '../src/run.ts';

const ROOT = new URL('../../', import.meta.url).pathname;
const TALK = `${ROOT}demo/material/knife-evening.srt`;
const LOG = `${ROOT}demo/material/mending-log.md`;

const json = async (...args: string[]) => JSON.parse((await run([...args, '--json'])).out);
const spawned = (args: string[], input: string) => spawnSync('npx', ['even-page', ...args], { cwd: ROOT, input, encoding: 'utf8' });

describe('even-page on the command line', () => {
  it('reads a file into passages numbered from 0, with times', async () => {
    const { passages, kind, durationMs } = await json('read', TALK);
    expect(kind).to.equal('captions-srt');
    expect(passages[0]).to.include({ index: 0, startMs: 2600 });
    expect(passages.at(-1).index).to.equal(passages.length - 1);
    expect(durationMs / 60_000).to.be.within(35, 45);
  });

  it('tidies into text, sentences, paragraphs and edits', async () => {
    const { text, sentences, paragraphs, edits } = await json('tidy', TALK);
    expect(paragraphs.join('\n\n')).to.equal(text);
    expect(sentences.join(' ')).to.equal(text.replace(/\s+/g, ' '));
    expect(edits[0]).to.have.all.keys('kind', 'from', 'to', 'before', 'after', 'reason');
  });

  it('shapes into sections that cover every passage once', async () => {
    const { sections } = await json('shape', TALK, '--sections', '9');
    const { passages } = await json('read', TALK);
    expect(sections).to.have.length(9);
    expect(sections[0].firstPassage).to.equal(0);
    expect(sections.at(-1).lastPassage).to.equal(passages.length - 1);
    sections.slice(1).forEach((s: { firstPassage: number }, i: number) => expect(s.firstPassage).to.equal(sections[i].lastPassage + 1));
    for (const s of sections) expect(s).to.have.all.keys('heading', 'headings', 'startMs', 'firstPassage', 'lastPassage', 'words');
  });

  it('keeps the headings a draft has', async () => {
    const { sections } = await json('shape', LOG);
    expect(sections.map((s: { heading: string }) => s.heading)).to.include.members([
      'What came through the door',
      'What went home working',
    ]);
  });

  it('keeps the lists and tables of material without headings', async () => {
    const table = `${ROOT}core/test/samples/sizes.csv`;
    expect((await run(['post', table])).out).to.contain('| No. 4 | 2,75 mm | kitchen chairs');
    const { stdout } = spawned(['post', '-'], 'Bring these:\n\n- a saw\n- a friend\n- an hour\n');
    expect(stdout).to.contain('- a saw\n- a friend\n- an hour');
  });

  it('reads an archive file after file, and the captions inside a recording', async () => {
    const archive = (await run(['post', `${ROOT}core/test/samples/handout.zip`])).out;
    expect(archive).to.match(/# The steps[^]*\| No\. 4 \| 2,75 mm/);
    const { passages, kind } = await json('read', `${ROOT}demo/recordings/caning-first-steps.webm`);
    expect(kind).to.equal('recording');
    expect(passages[0].startMs).to.be.within(590, 630);
    expect((await run(['read', `${ROOT}core/test/samples/tone.wav`])).err).to.match(/^even-page: This recording has no captions inside/);
  });

  it('makes a post as Markdown with front matter and as HTML', async () => {
    expect((await run(['post', LOG, '--to', 'md'])).out).to.match(/^---\ntitle: What the mending log taught us/);
    expect((await run(['post', TALK, '--to', 'html'])).out).to.match(/^<!doctype html>[^]*<h2>/);
  });

  it('makes written prose of talk, of the length asked for, told as asked, with title and description', async () => {
    const { details, account, text } = await json('post', TALK);
    expect(details.title.length).to.be.greaterThan(5);
    expect(details.description.length).to.be.within(20, 160);
    expect(account.words).to.be.at.most(1500);
    expect(account.changed).to.be.greaterThan(20);
    expect(text).to.match(/^1\. /m);
    expect((await json('post', TALK, '--length', '500')).account.words).to.be.at.most(500);
    const said = await json('post', TALK, '--as-said');
    expect([said.account.person, said.account.changed]).to.deep.equal(['as-said', 0]);
    expect((await json('post', TALK, '--person', 'we')).account.person).to.equal('we');
  });

  it('checks a post', async () => {
    const { findings, figures } = await json('check', LOG);
    expect(findings.map((f: { check: string }) => f.check)).to.include('heading level');
    expect(figures.words).to.be.greaterThan(300);
  });

  it('holds a post against its material, and reads its grammar', async () => {
    const at = join(mkdtempSync(join(tmpdir(), 'even-page-')), 'post.md');
    writeFileSync(at, '# The lamp\n\nGerald Thwaite should of known: the lamp has 37 screws.\n');
    const checks = async (...args: string[]) => (await json('check', at, ...args)).findings.map((f: { check: string }) => f.check);
    const alone = await checks();
    expect(alone).to.include('grammar').and.not.include('figure nobody said');
    expect(await checks('--material', TALK)).to.include.members(['figure nobody said', 'name nobody said']);
    writeFileSync(`${at}.txt`, 'Gerald Thwaite took out 37 screws of the lamp.');
    expect(await checks('--material', TALK, '--material', `${at}.txt`)).to.not.include.oneOf(['figure nobody said', 'name nobody said']);
    // A list item rests on what was said, not on the passage of the post that has its number.
    writeFileSync(at, '# The lamp\n\n1. Soak it.\n2. Take out 37 screws.\n');
    writeFileSync(`${at}.txt`, `${'The bench is free.\n\n'.repeat(9)}Take out 37 screws.`);
    expect(await checks('--material', `${at}.txt`)).to.not.include('figure nobody said');
    expect((await run(['check', at, '--material', 'nowhere.srt'])).err).to.equal('even-page: There is no file "nowhere.srt".\n');
  });

  it('finds what a page made of talk says besides the talk: nothing', async () => {
    const { findings } = await json('check', TALK);
    expect(findings.filter((f: { kind: string }) => f.kind === 'truth')).to.deep.equal([]);
    expect(findings.map((f: { check: string }) => f.check)).to.not.include('title');
  });

  it('runs as a program and reads standard input', async () => {
    const { status, stdout } = spawned(['tidy', '-'], 'Um, the the lamp .');
    expect(stdout).to.equal('The lamp.\n');
    expect(status).to.equal(0);
  });

  it('ends with 2 and one clear sentence when something is wrong', async () => {
    const wrong = [
      ['read', 'nowhere.srt'],
      ['read', ROOT],
      ['fly', TALK],
      ['read'],
      ['shape', TALK, '--sections', 'many'],
      ['post', TALK, '--to', 'pdf'],
      ['post', TALK, '--person', 'they'],
      ['post', TALK, '--length', 'some'],
      ['read', TALK, '--loud'],
    ];
    for (const args of wrong) {
      const { status, out, err } = await run(args);
      expect([status, out], args.join(' ')).to.deep.equal([2, '']);
      expect(err, args.join(' ')).to.match(/^even-page: [^\n]+\.\n$/);
    }
    const { status, stderr } = spawned(['read', '-'], '');
    expect(status).to.equal(2);
    expect(stderr).to.match(/even-page: This file is empty[^\n]+\.\n$/);
  });
});
