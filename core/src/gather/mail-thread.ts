import { wordCount } from '../language/words.ts';

/** A line of a mail: its words, and how deep it is quoted (0 for the mail's own). */
export type MailLine = { text: string; depth: number };

// What the mails a mail answers begin with, in the languages of the programs that write them (common practice, no source).
const FROM = '(?:From|Von|De|Da|Van|Fr[aå]n|Fra|Od)';
const OTHER =
  '(?:Sent|Date|To|Cc|Subject|Reply-To|Gesendet|Datum|An|Betreff|Envoy[eé]|Date d’envoi|[AÀ]|Objet|Enviado(?: el)?|Fecha|Para|Asunto|Inviato|Data|A|Oggetto|Verzonden|Aan|Onderwerp|Skickat|Till|[ÄA]mne|Sendt|Til|Emne|Assunto)';
const FROM_LINE = new RegExp(`^\\*?${FROM}\\s?:\\*? \\S`, 'i');
const HEAD_LINE = new RegExp(`^\\*?(?:${FROM}|${OTHER})\\s?:\\*?(?:\\s|$)`, 'i');
const FEWEST_HEAD_LINES = 3;

// "On Tuesday, Odile wrote:", which may run over two lines; or "Odile wrote in" above the name of the message (RFC 5322, 3.6.4).
const WROTE =
  /(?:^\s*<[^\s<>]+@[^\s<>]+>|\bwrote|\bwrites|\bschrieb(?: .*)?|\bécrit|\bescribió|\bha scritto|\bschreef(?: .*)?|\bescreveu|\bskrev(?: .*)?)\s?:\s*$/i;
const OPENS_WROTE = /^(?:On|Am|Le|El|Il|Op|Em|Den|W dniu|Le)\b.{0,200}$|^.{1,100}\bwrote in$/;

const WHEN = /\d{1,2}[:.]\d{2}|@/;

const RULE = /^(?:-{2,}|_{5,}|={5,})\s*[^-_=]{0,60}?\s*(?:-{2,}|_{5,}|={5,})?$/;
const FORWARDED =
  /\b(?:forwarded (?:message|mail)|begin forwarded|weitergeleitete nachricht|message (?:réexpédié|transféré)|mensaje reenviado|messaggio inoltrato|doorgestuurd bericht|mensagem encaminhada)\b/i;

// RFC 3676, section 4.3: two dashes and a space; many programs lose the space.
const SIGNATURE = /^-- ?$/;
const SENT_FROM =
  /^(?:Sent (?:from|via|with|using) (?:my |the )?\S.{0,40}|Get \S.{0,30} for \S.{0,20}|Von meinem .{2,30} gesendet|Envoyé de mon .{2,30}|Enviado desde mi .{2,30}|Inviato da.{2,30}|Verzonden vanaf mijn .{2,30})$/;

// A quotation so short is what the words below it answer; a longer one is the mail itself once more.
const QUOTED_WORDS = 60;
// With fewer words of its own a mail only passes another on.
const PASSES_ON = 8;

/**
 * Which lines of a mail are its own: not the mails it answers, quoted below or above or set off by their headers, not its
 * signature. A short quotation with words below it stays, as what they answer. A mail that only passes another on is that one.
 */
export function ownLines(given: readonly MailLine[]): boolean[] {
  let lines = given;
  const own = lines.map(() => true);
  const drop = (from: number, to: number) => own.fill(false, from, to);
  const words = (from: number, to: number) =>
    lines.slice(from, to).reduce((sum, l, i) => (own[from + i] ? sum + wordCount(l.text) : sum), 0);
  let start = 0;
  for (let block = headBlock(lines, start); block; block = headBlock(lines, start)) {
    const isPassedOn =
      words(start, block.from) < PASSES_ON ||
      FORWARDED.test(
        lines
          .slice(block.from, block.to)
          .map((l) => l.text)
          .join('\n'),
      );
    drop(block.from, isPassedOn ? block.to : lines.length);
    // What is passed on counts as the mail's own.
    const { depth } = lines[block.from]!;
    if (isPassedOn) lines = lines.map((line, i) => (i < block.to ? line : { ...line, depth: Math.max(0, line.depth - depth) }));
    start = isPassedOn ? block.to : lines.length;
  }
  dropQuotations(lines, own);
  dropSignatures(lines, own);
  // Of a mail that says nothing by itself, what it quotes is what there is.
  return own.some((is, i) => is && lines[i]!.text.trim()) ? own : lines.map((l) => !!l.text.trim());
}

/** The next block of headers of another mail, with the rule or the sentence above it. */
function headBlock(lines: readonly MailLine[], start: number): { from: number; to: number } | null {
  const said = (i: number) => lines[i]?.text.trim() ?? '';
  for (let i = start; i < lines.length; i++) {
    if (!FROM_LINE.test(said(i))) continue;
    let to = i;
    let heads = 0;
    for (; to < lines.length; to++) {
      if (HEAD_LINE.test(said(to))) heads++;
      // A long list of receivers runs on, and a blank line may stand in between.
      else if (said(to) && !(heads && /@|;|^\s/.test(lines[to]!.text))) break;
      else if (!said(to) && !HEAD_LINE.test(said(to + 1))) break;
    }
    if (heads < FEWEST_HEAD_LINES) continue;
    let from = i;
    for (let k = i - 1; k >= start && (!said(k) || RULE.test(said(k)) || FORWARDED.test(said(k))); k--) from = k;
    return { from, to };
  }
  return null;
}

/** Takes quotations out: those deep down or long, and those nothing stands below; with the line that says who wrote them. */
function dropQuotations(lines: readonly MailLine[], own: boolean[]): void {
  const isBlank = (i: number) => !lines[i]!.text.trim();
  for (let i = 0; i < lines.length; i++) {
    if (!own[i] || lines[i]!.depth === 0 || isBlank(i)) continue;
    let to = i;
    for (let k = i; k < lines.length && (lines[k]!.depth > 0 || isBlank(k)); k++) if (!isBlank(k)) to = k + 1;
    const quoted = lines.slice(i, to);
    const words = quoted.reduce((sum, l) => sum + (l.depth === 1 ? wordCount(l.text) : 0), 0);
    const signed = lines.findIndex((l, k) => k >= to && l.depth === 0 && SIGNATURE.test(l.text));
    const isAnswered = lines.slice(to, signed < 0 ? undefined : signed).some((l, k) => own[to + k] && l.depth === 0 && l.text.trim());
    const from = wroteAbove(lines, i);
    own.fill(false, from, i);
    if (!isAnswered || words > QUOTED_WORDS) own.fill(false, i, to);
    else quoted.forEach((l, k) => (own[i + k] &&= l.depth < 2));
    i = to - 1;
  }
  // Where the quotation has no sign of its own, a line with who wrote it, and when, says that all below is one.
  const at = lines.findIndex((l, i) => own[i] && l.depth === 0 && WROTE.test(l.text) && WHEN.test(`${lines[i - 1]?.text ?? ''} ${l.text}`));
  if (at > 0) own.fill(false, wroteAbove(lines, at + 1), lines.length);
}

/**
 * The lines of a plain mail with how deep each is quoted: by ">" (RFC 3676, section 4.5), or by "|" below a line that says who
 * wrote it.
 */
export function quotedLines(texts: readonly string[]): MailLine[] {
  let isBarred = false;
  return texts.map((text) => {
    isBarred = saysWhoWrote(text) || (isBarred && (!text.trim() || /^ ?\|/.test(text)));
    const marks = (isBarred ? /^ ?(?:\| ?)+/ : /^(?:> ?)+/).exec(text)?.[0] ?? '';
    return { text: text.slice(marks.length), depth: marks.replaceAll(' ', '').length };
  });
}

/** Whether a line says who wrote what is quoted below it. */
export const saysWhoWrote = (line: string): boolean => WROTE.test(line);

/** Where the line begins that says who wrote what is quoted from a line on; the line itself where there is none. */
function wroteAbove(lines: readonly MailLine[], at: number): number {
  let last = at - 1;
  while (last >= 0 && !lines[last]!.text.trim()) last--;
  if (last < 0 || lines[last]!.depth > 0 || !WROTE.test(lines[last]!.text)) return at;
  const before = lines[last - 1];
  if (!OPENS_WROTE.test(lines[last]!.text.trim()) && before?.depth === 0 && OPENS_WROTE.test(before.text.trim())) return last - 1;
  return last;
}

function dropSignatures(lines: readonly MailLine[], own: boolean[]): void {
  let isSigned = false;
  lines.forEach((line, i) => {
    if (own[i] && line.depth === 0 && SIGNATURE.test(line.text)) isSigned = true;
    else if (!own[i] && line.text.trim()) isSigned = false;
    if (isSigned) own[i] = false;
  });
  // What a program puts under a mail is its last line, or the last above what it answers.
  lines.forEach((line, i) => {
    const next = lines.findIndex((l, k) => k > i && own[k] && l.text.trim());
    if (own[i] && next < 0 && SENT_FROM.test(line.text.trim())) own[i] = false;
  });
}
