import { expect } from 'chai';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { postToHtml } from '@even-page/core/post/html';

describe('links to paid offers', () => {
  const doc = postFromMarkdown(
    'Cane is at [the shop](https://www.shop.example/cane), or [here](https://shop.example.org/) or [at ours](/cane).',
  );

  it('go out marked as sponsored, whatever part of the site they lead to, and others do not', () => {
    const html = postToHtml(doc, { paid: ['shop.example'] });
    expect(html).to.contain('<a href="https://www.shop.example/cane" rel="sponsored">');
    expect(html.match(/rel=/g)).to.have.length(1);
    expect(postToHtml(doc)).not.to.contain('rel=');
  });
});
