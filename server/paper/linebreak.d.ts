declare module 'linebreak' {
  /** Where lines may break (UAX 14): positions in the text, ascending. */
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required?: boolean } | null;
  }
}
