export { proposeDescription } from './description.ts';
export { htmlFile, markdownFile } from './files.ts';
export {
  type Answer,
  contentOf,
  createMessage,
  type Edition,
  findListed,
  isPostList,
  isWebAddress,
  type Message,
  outcomeOf,
  type SendOutcome,
  updateMessage,
} from './micropub.ts';
