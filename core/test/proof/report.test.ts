import { expect } from 'chai';
import type { Finding } from '@even-page/core/proof';
import { figuresOf, proofReport } from '@even-page/core/proof';
import { postFromMarkdown } from '@even-page/core/post/markdown';

const finding = (says: string, gravity: Finding['gravity']): Finding => ({
  ...{ key: says, check: 'dead link', kind: 'links', says, hint: 'Mend it.', gravity, why: '', words: '', place: null },
});
const report = (findings: Finding[], left: (Finding & { reason: string })[] = [], title = 'Chairs') => {
  const figures = figuresOf(postFromMarkdown('The lamp table meets on Friday. Bring the lamp and its bulb.'));
  return proofReport({ title, when: '7 November, 10:05', findings, left, figures });
};

describe('a report of a proof', () => {
  it('says how many findings there are, and lists them by gravity with what to do', () => {
    const said = report([finding('“A” leads to nothing', 'must'), finding('“B” leads elsewhere now', 'look')]);
    expect(said).to.contain('<p>2 findings, 1 of them must be fixed.</p>');
    expect(said.indexOf('“A” leads')).to.be.within(said.indexOf('Must be fixed</h2>'), said.indexOf('Worth a look</h2>'));
    expect(said.indexOf('“B” leads')).to.be.above(said.indexOf('Worth a look</h2>'));
    expect(said).to.contain('<td>Mend it.</td><td>Links</td>');
    expect(said).to.contain('7 November, 10:05. 12 words');
  });

  it('says that no check found anything only where nothing was left either', () => {
    expect(report([])).to.contain('0 findings: no check found anything.');
    const left = report([], [{ ...finding('“A” leads to nothing', 'must'), reason: 'Back on Monday' }]);
    expect(left).to.contain('0 findings: what was found and left as it is stands below.');
    expect(left).to.contain('<td>Back on Monday</td>');
    expect(report([], [{ ...finding('“A” leads to nothing', 'must'), reason: '' }])).to.contain('<td>No reason was given.</td>');
  });

  it('shows words of a post as words', () => {
    expect(report([finding('“<script>” is not closed', 'look')], [], '<b>Chairs</b>')).to.not.match(/<script>|<b>/);
  });
});
