export { COMFORTABLE, type Comfort, neededContrast, SCREENS } from './comfort.ts';
export { type Colour, colourOf, contrast, over } from '../contrast.ts';
export { namedIn, readTheme, type Sheet, sheetAlone, type ToldTheme } from './read-theme.ts';
export { CONTENT, pageInTheme, plainTheme, type Theme } from './theme.ts';
