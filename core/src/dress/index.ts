export { pictureFileName, withPictureFiles } from './picture-files.ts';
