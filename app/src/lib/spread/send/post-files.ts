// What writes the files of a post, fetched when one is wanted.
export { proofReport } from '@even-page/core/proof';
export { htmlFile, markdownFile } from '@even-page/core/send';
export { OUTLINE_FILES, outlineFile } from '@even-page/core/shape';
export { zipSync } from 'fflate';
