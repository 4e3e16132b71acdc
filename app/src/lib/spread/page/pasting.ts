// What reads pasted words and pages; fetched after the editor stands there.
export { pastedHtml } from '@even-page/core/gather';
export { postFromMarkdown } from '@even-page/core/post/markdown';
