import { readFileSync } from 'node:fs';
import { Validator } from '@seriousme/openapi-schema-validator';
import { expect } from 'chai';
import sharp from 'sharp';
import { parse } from 'yaml';
import { DRAWINGS } from '../src/drawings.ts';
import { stock } from '../src/stock.ts';

type Found = {
  total: number;
  page: number;
  pages: number;
  pictures: { id: string; title: string; files: { address: string; width: number }[] }[];
};

const search = async (query: string, app = stock()) => (await (await app.request(`/pictures?${query}`)).json()) as Found;

describe('the picture stock', () => {
  it('has sixty drawings and more, each of its own name', () => {
    expect(DRAWINGS.length).to.be.at.least(60);
    expect(new Set(DRAWINGS.map((d) => d.name)).size).to.equal(DRAWINGS.length);
  });

  it('is searched by words in any form, the best first', async () => {
    expect((await search('q=chairs')).pictures[0]!.title).to.equal('Chair');
    expect((await search('q=sharpening+knives')).pictures.map((p) => p.title)).to.include('Whetstone');
    expect((await search('q=zeppelin')).total).to.equal(0);
  });

  it('is paged without a gap or a double', async () => {
    const first = await search('per=30');
    const ids = new Set<string>();
    for (let page = 1; page <= first.pages; page++) for (const { id } of (await search(`per=30&page=${page}`)).pictures) ids.add(id);
    expect(ids.size).to.equal(first.total);
    expect((await search('per=30&page=99')).page).to.equal(first.pages);
  });

  it('gives each in its sizes', async () => {
    const [{ files }] = (await search('q=umbrella')).pictures as [Found['pictures'][number]];
    const app = stock();
    for (const { address, width } of files) {
      const answer = await app.request(new URL(address).pathname);
      expect((await sharp(Buffer.from(await answer.arrayBuffer())).metadata()).width).to.equal(width);
    }
    for (const path of ['/files/999-small.jpg', '/files/x', '/pictures/999']) expect((await app.request(path)).status, path).to.equal(404);
  });

  it('asks for its token where it has one', async () => {
    const app = stock({ token: 'secret' });
    expect((await app.request('/pictures')).status).to.equal(401);
    expect((await app.request('/pictures', { headers: { authorization: 'Bearer secret' } })).status).to.equal(200);
  });

  // OpenAPI 3.1.0, by a validator of the specification.
  it('is spoken to as its description says', async () => {
    const description = parse(readFileSync(new URL('../../../docs/stock.openapi.yaml', import.meta.url), 'utf8')) as {
      components: { schemas: { Picture: { required: string[] } } };
    };
    expect((await new Validator().validate(description)).valid).to.equal(true);
    const [picture] = (await search('q=lamp')).pictures;
    expect(picture).to.include.all.keys(description.components.schemas.Picture.required);
  });
});
