import PostalMime, { type Attachment } from 'postal-mime';
import { withLetters } from './decode.ts';
import { draftOf } from './draft.ts';
import { isNamedAs, type Format, type Gathered, type GatheredPicture } from './format.ts';
import { element } from '../post/element.ts';
import { wordCount } from '../language/words.ts';
import { find, parseHtml } from './hast.ts';
import { keepOwn } from './mail-page.ts';
import { ownLines, quotedLines } from './mail-thread.ts';
import { plainPassages } from './plain-text.ts';
import { readTree } from './rich.ts';
import { postFromPlain } from './plain-draft.ts';
import { structureWholeOrPlain } from './readings.ts';

const HEADER = /^(?:from|to|cc|subject|date|message-id|mime-version|received|return-path|delivered-to|content-type|reply-to|x-[\w-]+):/i;

/** A mail (RFC 5322 with MIME): its body, the HTML one where it has one, and its pictures; the subject is its title. */
export const mail: Format = {
  kind: 'mail',
  label: 'mail',
  extensions: ['eml', 'mht', 'mhtml'],
  readings: structureWholeOrPlain('Whole mail'),
  fits: ({ text, name }) => {
    const head = text()
      .slice(0, 8000)
      .split(/\n\s*\n/)[0]!;
    const headers = head.replace(/\n[ \t]+/g, ' ').split('\n');
    const known = headers.filter((line) => HEADER.test(line)).length;
    return known >= (isNamedAs(mail, name) ? 1 : 3) && known >= headers.length / 2;
  },
  read: async ({ bytes }, reading) => {
    const message = await PostalMime.parse(bytes, { attachmentEncoding: 'arraybuffer', rfc822Attachments: true });
    // The reader leaves it to the engine, which takes Windows-1252 for Latin-1.
    const [subject, written, page] = [message.subject, message.text, message.html].map((text) => text && withLetters(text));
    const title = subject?.replace(/^(?:(?:re|fwd?|aw|wg|tr|rv|sv|vs|antw)\s*(?:\[\d+\])?:\s*)+/i, '').trim();
    const images = message.attachments.filter((a) => a.mimeType.startsWith('image/'));
    const attached = message.attachments.filter((a) => !images.includes(a) && !NO_DOCUMENT.test(a.mimeType)).map(attachedFile);
    const details = title ? { title } : {};
    const also = (gathered: Gathered, left: readonly string[]): Gathered => {
      const words = left.reduce((sum, line) => sum + wordCount(line), 0);
      const notes = [
        ...(gathered.notes ?? []),
        ...(words >= FEWEST_TOLD
          ? [`What this mail answers, and its signature, stayed out: ${words} words. “Whole mail” brings it in.`]
          : []),
      ];
      return { ...gathered, ...(notes.length ? { notes } : {}), ...(attached.length ? { attached } : {}) };
    };
    if (page) {
      const own = new Map(
        images.flatMap((a) => (a.contentId ? [[`cid:${a.contentId.replace(/^<|>$/g, '')}`, pictureOf(a)] as const] : [])),
      );
      // Pictures that the words do not call for follow them.
      const loose = images.filter((a) => !a.contentId || !page.includes(a.contentId.replace(/^<|>$/g, '')));
      const beside = new Map([...own, ...loose.map((a, i) => [`attached:${i}`, pictureOf(a)] as const)]);
      const tree = parseHtml(page);
      const left = reading === 'whole' ? [] : keepOwn(tree);
      const body = find(tree, (node) => node.tagName === 'body') ?? tree;
      body.children.push(...loose.map((a, i) => element('p', [element('img', [], { src: `attached:${i}`, alt: a.filename ?? '' })])));
      return also(readTree('mail', tree, reading, { details, pictures: beside }), left);
    }
    const lines = (written ?? '').replace(/\r\n?/g, '\n').split('\n');
    const isOwn = reading === 'whole' ? lines.map(() => true) : ownLines(quotedLines(lines));
    const words = lines.filter((_, i) => isOwn[i]).join('\n');
    const left = lines.filter((_, i) => !isOwn[i]);
    if (reading === 'plain') return also({ source: { kind: 'mail', passages: plainPassages(words), ...details } }, left);
    const { doc, pictures } = postFromPlain(words, images.map(pictureOf));
    return also({ ...draftOf('mail', doc, details), ...(pictures.length ? { pictures } : {}) }, left);
  },
};

// What programs put beside a mail for other programs: signatures of keys, the way to a calendar.
const NO_DOCUMENT =
  /^(?:application\/(?:pgp-\w+|(?:x-)?pkcs7-\w+|ms-tnef|ics)|text\/(?:calendar|(?:x-)?vcard)|message\/(?:delivery-status|disposition-notification))$/;
// A signature alone is not worth a word.
const FEWEST_TOLD = 12;

const attachedFile = ({ filename, content, mimeType }: Attachment): GatheredPicture => ({
  name: filename || (mimeType === 'message/rfc822' ? 'mail.eml' : `attached.${mimeType.split('/')[1]}`),
  bytes: new Uint8Array(content as ArrayBuffer),
});

const pictureOf = ({ filename, content, mimeType }: Attachment): GatheredPicture => ({
  name: filename || `picture.${mimeType.split('/')[1]}`,
  bytes: new Uint8Array(content as ArrayBuffer),
});
