import type { Check } from '../check.ts';
import { article } from './article.ts';
import { askedLength } from './asked-length.ts';
import { byline } from './byline.ts';
import { category } from './category.ts';
import { clipCaptions } from './clip-captions.ts';
import { contraction } from './contraction.ts';
import { cover } from './cover.ts';
import { crammedPhrase } from './crammed-phrase.ts';
import { deadLink } from './dead-link.ts';
import { denial } from './denial.ts';
import { descriptionLength } from './description-length.ts';
import { description } from './description.ts';
import { doubleSpaces } from './double-spaces.ts';
import { emptyHeading } from './empty-heading.ts';
import { emptySection } from './empty-section.ts';
import { emptyWordsHeading } from './empty-words-heading.ts';
import { faintText } from './faint-text.ts';
import { foreignPassage } from './foreign-passage.ts';
import { grammar } from './grammar.ts';
import { headingLevel } from './heading-level.ts';
import { hedge } from './hedge.ts';
import { insensitive } from './insensitive.ts';
import { lineSpacing } from './line-spacing.ts';
import { linkWords } from './link-words.ts';
import { listNumbers } from './list-numbers.ts';
import { longParagraph } from './long-paragraph.ts';
import { longSentence } from './long-sentence.ts';
import { lostPlace } from './lost-place.ts';
import { missingPart } from './missing-part.ts';
import { misspelling } from './misspelling.ts';
import { mixedSpelling } from './mixed-spelling.ts';
import { movedLink } from './moved-link.ts';
import { noLinks } from './no-links.ts';
import { nothingToRest } from './nothing-to-rest.ts';
import { oneFont } from './one-font.ts';
import { ownPost } from './own-post.ts';
import { pageHeading } from './page-heading.ts';
import { pageWeight } from './page-weight.ts';
import { pageWords } from './page-words.ts';
import { paidLink } from './paid-link.ts';
import { paleText } from './pale-text.ts';
import { passive } from './passive.ts';
import { phraseInDetails } from './phrase-in-details.ts';
import { phraseOnPage } from './phrase-on-page.ts';
import { pictureRights } from './picture-rights.ts';
import { pictureTextWell } from './picture-text-well.ts';
import { pictureText } from './picture-text.ts';
import { placeholder } from './placeholder.ts';
import { postWords } from './post-words.ts';
import { readingGrade } from './reading-grade.ts';
import { repeatedHeading } from './repeated-heading.ts';
import { repeatedWord } from './repeated-word.ts';
import { silentLink } from './silent-link.ts';
import { slugWords } from './slug-words.ts';
import { slug } from './slug.ts';
import { standfirst } from './standfirst.ts';
import { stockPhrase } from './stock-phrase.ts';
import { strayMarkup } from './stray-markup.ts';
import { summary } from './summary.ts';
import { tableHead } from './table-head.ts';
import { textSize } from './text-size.ts';
import { wideTitle } from './title-width.ts';
import { title } from './title.ts';
import { unfinishedSentence } from './unfinished-sentence.ts';
import { unsafeLink } from './unsafe-link.ts';
import { unsaidFigure } from './unsaid-figure.ts';
import { unsaidName } from './unsaid-name.ts';
import { unsaidQuotation } from './unsaid-quotation.ts';
import { widerThanScreen } from './wider-than-screen.ts';
import { wordCountInRange } from './word-count.ts';

/** Every check there is, by what it is about. */
export const CHECKS: readonly Check[] = [
  ...[title, standfirst, description, summary, byline, slug, cover, category, missingPart, wordCountInRange],
  ...[emptyHeading, repeatedHeading, emptySection, placeholder, strayMarkup, unfinishedSentence, listNumbers, doubleSpaces],
  ...[unsaidFigure, unsaidName, unsaidQuotation, denial],
  ...[pageWords, pageHeading, postWords],
  ...[readingGrade, longSentence, longParagraph, nothingToRest],
  ...[misspelling, mixedSpelling, grammar, repeatedWord, article, stockPhrase, passive, hedge, contraction, insensitive],
  ...[phraseInDetails, phraseOnPage, crammedPhrase, wideTitle, descriptionLength, slugWords, emptyWordsHeading, askedLength],
  ...[unsafeLink, deadLink, silentLink, movedLink, lostPlace, paidLink, noLinks, ownPost],
  ...[pictureText, pictureTextWell, pictureRights, pageWeight],
  ...[headingLevel, tableHead, linkWords, foreignPassage, clipCaptions, faintText],
  ...[widerThanScreen, lineSpacing, textSize, paleText, oneFont],
];
