/** What a film's address may be, in words for the coach. */
export const FILM_RULE = 'A film is an address that begins with https:// or http://, of at most 300 letters.';

/** Whether a text is an address that people may be given as a link; it is never fetched. */
export const isFilmAddress = (text: string): boolean =>
  text.length <= 300 && /^https?:\/\/[^\s<>"]+$/.test(text) && URL.canParse(text);
