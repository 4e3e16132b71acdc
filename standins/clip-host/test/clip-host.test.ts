import { expect } from 'chai';
import { oembedAddress, readOembed } from '@even-page/core/dress';
import { clipHost } from '../src/clip-host.ts';
import { HALL_CLIPS } from '../src/hall-clips.ts';

describe('the clip host', () => {
  const [clip] = HALL_CLIPS as [(typeof HALL_CLIPS)[number]];

  it('offers its clips for embedding, from the page to the player', async () => {
    const host = clipHost(HALL_CLIPS);
    const page = `http://clips.test/clips/${clip.name}`;
    const html = await (await host.request(page)).text();
    const offered = oembedAddress(html, page);
    const hosted = readOembed(await (await host.request(offered!)).json(), page);
    expect(hosted).to.include({ title: clip.title, player: `http://clips.test/player/${clip.name}`, width: 640, height: 360 });
    expect(await (await host.request(hosted!.player)).text()).to.contain(`/media/${clip.name}`);
    expect((await host.request(hosted!.still)).headers.get('content-type')).to.equal('image/png');
  });

  it('gives a range of its media file, and notes what it was asked for', async () => {
    const host = clipHost(HALL_CLIPS);
    const part = await host.request(`/media/${clip.name}`, { headers: { range: 'bytes=10-19' } });
    expect([part.status, (await part.arrayBuffer()).byteLength]).to.deep.equal([206, 10]);
    expect((await host.request(`/media/${clip.name}`, { headers: { range: 'bytes=999999999-' } })).status).to.equal(416);
    for (const path of ['/clips/none', '/player/none', '/media/none', '/stills/none.png', '/oembed?url=x'])
      expect((await host.request(path)).status, path).to.equal(404);
    expect(host.asked).to.include('/clips/none');
  });
});
