import { expect } from 'chai';
import { ideasAsTable, ideasFromTable, linesOf, nearDoubles } from '../../src/write/index.ts';

const lines = (text: string) => ideasFromTable(text).ideas.map((i) => i.line);

describe('ideas from a table', () => {
  it('are read by the names of its columns, in any order, with commas, semicolons or tabs', () => {
    for (const sign of [',', ';', '\t']) {
      const { ideas } = ideasFromTable(
        [`Notes${sign}Title${sign}Link`, `Ask Wilf${sign}Three knots${sign}https://larkfield.example`].join('\n'),
      );
      expect(ideas).to.deep.equal([
        { line: 'Three knots', notes: 'Ask Wilf', subject: '', links: ['https://larkfield.example'], pictures: [], wishedFor: null },
      ]);
    }
  });
  it('are its first column where no column is named', () => {
    expect(lines('Three knots\nGlue in a cold hall\n')).to.deep.equal(['Three knots', 'Glue in a cold hall']);
  });
  it('keep line breaks and quotation marks inside cells (RFC 4180, 2.6 and 2.7)', () => {
    const { ideas } = ideasFromTable('idea,notes\r\n"A ""sharp"" one","first\r\nsecond"\r\n');
    expect(ideas[0]).to.include({ line: 'A "sharp" one', notes: 'first\r\nsecond' });
  });
  it('have dates in the usual ways, and name those that are none', () => {
    const { ideas, left } = ideasFromTable('idea,date\na,2027-02-28\nb,28.2.2027\nc,28/02/2027\nd,30.2.2027\ne,soon\nf,29.2.2028\n');
    expect(ideas.map((i) => i.wishedFor)).to.deep.equal(['2027-02-28', '2027-02-28', '2027-02-28', null, null, '2028-02-29']);
    expect(left).to.have.length(2);
  });
  it('too long for a line go on in their notes', () => {
    const [idea] = ideasFromTable(`idea\n${'x'.repeat(310)}\n`).ideas;
    expect(idea!.line + idea!.notes).to.equal('x'.repeat(310));
  });
  it('come back as they went out, and bring no formula into a spreadsheet', () => {
    const idea = { line: '=1+1', notes: 'a, "b"\nc', subject: 's', links: ['https://larkfield.example'], wishedFor: '2027-01-01' };
    const table = ideasAsTable([{ ...idea, written: '' }]);
    expect(table).to.contain("'=1+1");
    expect(ideasFromTable(table).ideas[0]).to.deep.include({ ...idea, line: "'=1+1" });
  });
});

describe('lines beside what is written', () => {
  it('are near what says nearly the same', () => {
    const titles = ['Cane a chair seat: the seven-step pattern', 'Rewire a lamp'];
    expect(nearDoubles(['The seven steps of caning a seat', 'Rewiring a lamp', 'Glue', ''], titles)).to.deep.equal([
      titles[0],
      titles[1],
      null,
      null,
    ]);
  });
  it('are read off a list, whatever its signs', () => {
    expect(linesOf('Here you are:\n\n- **One** [p1]\n2. “Two”\n* Three\n\nBye')).to.deep.equal(['One', 'Two', 'Three']);
  });
});
