import PostalMime, { type Attachment } from 'postal-mime';
import { withLetters } from './decode.ts';
import { draftOf } from './draft.ts';
import type { Format, GatheredPicture } from './formats.ts';
import { plainPassages } from './plain-text.ts';
import { readRich } from './rich.ts';
import { postFromPlain } from './plain-draft.ts';

const HEADER = /^(?:from|to|cc|subject|date|message-id|mime-version|received|return-path|delivered-to|content-type|reply-to|x-[\w-]+):/i;

/** A mail (RFC 5322 with MIME): its body, the HTML one where it has one, and its pictures; the subject is its title. */
export const mail: Format = {
  kind: 'mail',
  fits: ({ text, name }) => {
    const head = text()
      .slice(0, 8000)
      .split(/\n\s*\n/)[0]!;
    const headers = head.replace(/\n[ \t]+/g, ' ').split('\n');
    const known = headers.filter((line) => HEADER.test(line)).length;
    return known >= (/\.(?:eml|mht|mhtml)$/i.test(name) ? 1 : 3) && known >= headers.length / 2;
  },
  read: async ({ bytes }, reading) => {
    const message = await PostalMime.parse(bytes, { attachmentEncoding: 'arraybuffer' });
    // The reader leaves it to the engine, which takes Windows-1252 for Latin-1.
    const [subject, written, page] = [message.subject, message.text, message.html].map((text) => text && withLetters(text));
    const title = subject?.trim();
    const attached = message.attachments.filter((a) => a.mimeType.startsWith('image/'));
    const details = title ? { title } : {};
    if (page) {
      const own = new Map(
        attached.flatMap((a) => (a.contentId ? [[`cid:${a.contentId.replace(/^<|>$/g, '')}`, pictureOf(a)] as const] : [])),
      );
      // Pictures that the words do not call for follow them.
      const loose = attached.filter((a) => !a.contentId || !page.includes(a.contentId.replace(/^<|>$/g, '')));
      const beside = new Map([...own, ...loose.map((a, i) => [`attached:${i}`, pictureOf(a)] as const)]);
      const after = loose.map((a, i) => `<p><img src="attached:${i}" alt="${(a.filename ?? '').replace(/"/g, '')}"></p>`).join('');
      return readRich('mail', withoutReply(page) + after, reading, { details, pictures: beside });
    }
    const words = (written ?? '').replace(/\r\n?/g, '\n').replace(/\n-- \n[^]*$/, '\n');
    if (reading === 'plain') return { source: { kind: 'mail', passages: plainPassages(words), ...details } };
    const { doc, pictures } = postFromPlain(words, attached.map(pictureOf));
    return { ...draftOf('mail', doc, details), ...(pictures.length ? { pictures } : {}) };
  },
};

const pictureOf = ({ filename, content, mimeType }: Attachment): GatheredPicture => ({
  name: filename || `picture.${mimeType.split('/')[1]}`,
  bytes: new Uint8Array(content as ArrayBuffer),
});

// What a mail answers to, quoted below it, is another mail.
const withoutReply = (html: string) => html.replace(/<blockquote[^>]*type=["']?cite[^]*?<\/blockquote>/gi, '');
