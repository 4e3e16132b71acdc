import { expect } from 'chai';
import { INVENTED_WEB } from '../src/invented-web.ts';
import { resultList } from '../src/result-list.ts';

const ask = async (phrase: string, token?: string) => {
  const answer = await resultList({ token: 'secret' }).request(`http://results.test/results?q=${encodeURIComponent(phrase)}`, {
    headers: token ? { authorization: `Bearer ${token}` } : {},
  });
  return { status: answer.status, body: (await answer.json()) as { results: { address: string; title: string; words: string }[] } };
};

describe('the result list', () => {
  it('has a web of sixty pages, each by its own address and with words of its own', () => {
    expect(INVENTED_WEB).to.have.length(60);
    expect(new Set(INVENTED_WEB.map(({ path }) => path)).size).to.equal(60);
  });

  it('answers a phrase with ten addresses whose pages it serves', async () => {
    const { results } = (await ask('how to sharpen kitchen knives', 'secret')).body;
    expect(results).to.have.length(10);
    for (const { address, title } of results) {
      expect(title).to.match(/knife/);
      const page = await resultList().request(address);
      expect([page.status, (await page.text()).includes('<main>')]).to.deep.equal([200, true]);
    }
  });

  it('finds nothing where nothing is, and asks for its token', async () => {
    expect((await ask('zebra', 'secret')).body.results).to.deep.equal([]);
    expect((await ask('kitchen knife')).status).to.equal(401);
    expect((await resultList().request('http://results.test/pages/none/1')).status).to.equal(404);
  });
});
