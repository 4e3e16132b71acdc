import { createReadStream, statSync } from 'node:fs';
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { html, raw } from 'hono/html';

/** A clip of the host: its name in addresses, its title, its maker, the file it plays and its still. */
export type HostedClip = { name: string; title: string; author: string; file: string; still: string };

/**
 * A host of clips: a page for each that offers itself for embedding (oEmbed 1.0), the player for a frame, which starts where a
 * media fragment says, and the media file. It notes what it was asked for.
 */
export function clipHost(clips: readonly HostedClip[]): Hono & { asked: string[] } {
  const asked: string[] = [];
  const app = new Hono();
  const clipOf = (name: string) => clips.find((clip) => clip.name === name);

  app.use(async (c, next) => {
    asked.push(new URL(c.req.url).pathname);
    await next();
  });

  app.get('/clips/:name', (c) => {
    const clip = clipOf(c.req.param('name'));
    if (!clip) return c.notFound();
    const origin = new URL(c.req.url).origin;
    const address = encodeURIComponent(`${origin}/clips/${clip.name}`);
    return c.html(
      html`<!doctype html>
        <html lang="en">
          <head>
            <meta charset="utf-8" />
            <title>${clip.title}</title>
            <link rel="alternate" type="application/json+oembed" href="${origin}/oembed?format=json&url=${address}" title="${clip.title}" />
          </head>
          <body>
            <h1>${clip.title}</h1>
            <p>by ${clip.author}</p>
            <video controls src="/media/${clip.name}" width="640"></video>
          </body>
        </html>`,
    );
  });

  app.get('/oembed', (c) => {
    const origin = new URL(c.req.url).origin;
    const clip = clips.find((one) => c.req.query('url') === `${origin}/clips/${one.name}`);
    if (!clip) return c.json({}, 404);
    if (c.req.query('format') === 'xml') return c.body(null, 501);
    const { name, title, author } = clip;
    return c.json({
      ...{ type: 'video', version: '1.0', title, author_name: author, author_url: origin },
      ...{ provider_name: 'Larkfield Clips', provider_url: origin },
      ...{ thumbnail_url: `${origin}/stills/${name}.png`, thumbnail_width: 640, thumbnail_height: 360 },
      html: `<iframe width="640" height="360" src="${origin}/player/${name}" title="${title}" allowfullscreen></iframe><script src="${origin}/track.js"></script>`,
      ...{ width: 640, height: 360 },
    });
  });

  app.get('/player/:name', (c) => {
    const clip = clipOf(c.req.param('name'));
    if (!clip) return c.notFound();
    // The fragment is the frame's own: it is handed to the media file (Media Fragments URI 1.0).
    const start = "document.querySelector('video').src = '/media/" + clip.name + "' + location.hash";
    return c.html(
      html`<!doctype html>
        <html lang="en">
          <head>
            <meta charset="utf-8" />
            <title>${clip.title}</title>
            <style>
              html,
              body,
              video {
                margin: 0;
                width: 100%;
                height: 100%;
                background: #111;
              }
            </style>
          </head>
          <body>
            <video controls autoplay muted playsinline></video>
            <script>
              ${raw(start)};
            </script>
          </body>
        </html>`,
    );
  });

  app.get('/stills/:file', (c) => {
    const clip = clipOf(c.req.param('file').replace(/\.png$/, ''));
    return clip ? c.body(streamOf(clip.still), 200, { 'content-type': 'image/png' }) : c.notFound();
  });

  app.get('/media/:name', (c) => {
    const clip = clipOf(c.req.param('name'));
    if (!clip) return c.notFound();
    const { size } = statSync(clip.file);
    const range = /^bytes=(\d+)-(\d*)$/.exec(c.req.header('range') ?? '');
    const headers = { 'content-type': 'video/webm', 'accept-ranges': 'bytes' };
    if (!range) return c.body(streamOf(clip.file), 200, { ...headers, 'content-length': String(size) });
    const [from, to] = [Number(range[1]), range[2] ? Math.min(size - 1, Number(range[2])) : size - 1];
    if (from > to) return c.body(null, 416, { 'content-range': `bytes */${size}` });
    return c.body(streamOf(clip.file, from, to), 206, {
      ...headers,
      'content-length': String(to - from + 1),
      'content-range': `bytes ${from}-${to}/${size}`,
    });
  });

  app.get('/track.js', (c) => c.body('', 200, { 'content-type': 'text/javascript' }));

  return Object.assign(app, { asked });
}

const streamOf = (file: string, start?: number, end?: number) =>
  Readable.toWeb(createReadStream(file, start === undefined ? {} : { start, end })) as ReadableStream;
