// The Spread is a workbench that lives in the browser: editor, workers, selection.
export const ssr = false;
