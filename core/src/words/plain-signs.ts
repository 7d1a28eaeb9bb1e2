/** Signs that turn the direction of what follows, or show nothing: in a file they make one text look like another. */
const UNSEEN = /[\u061c\u200b-\u200f\u202a-\u202e\u2060-\u2069\ufeff]/g;

/**
 * A name as it may stand in a file: what no format allows is left out (control signs but a new line and a tab, halves of signs, U+FFFE), and so
 * is what turns the direction of reading.
 */
export const plainSigns = (text: string): string =>
  text
    .replace(/[\p{Cc}\p{Cs}\ufffe\uffff]/gu, (sign) => (sign === '\n' || sign === '\t' ? sign : ''))
    .replace(UNSEEN, '');
