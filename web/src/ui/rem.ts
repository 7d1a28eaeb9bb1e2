/** The browser's text size against the usual 16 px, as it was when the page was opened. */
const scale =
  typeof document === 'undefined'
    ? 1
    : (Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || 16) / 16;

/** Pixels of something that is so high at the usual text size: rows of long lists, which are drawn by their height. */
export const sized = (px: number): number => px * scale;
