/** A text file's letters, and the encoding that they were read in. */
export interface DecodedText {
  readonly text: string;
  readonly encoding: 'UTF-8' | 'UTF-16' | 'Windows-1252';
}

const [CR, LF, TAB, SPACE] = [13, 10, 9, 32];

/**
 * Bytes of a folded text (RFC 5545, 3.1) with its lines as they are meant: a fold may stand within a letter of several bytes, so that it
 * is taken out before anything is decoded.
 */
function unfoldBytes(bytes: Uint8Array): Uint8Array {
  const out = new Uint8Array(bytes.length);
  let length = 0;
  for (let i = 0; i < bytes.length; i++) {
    const breakBytes = bytes[i] === CR && bytes[i + 1] === LF ? 2 : bytes[i] === LF || bytes[i] === CR ? 1 : 0;
    const next = bytes[i + breakBytes];
    if (breakBytes > 0 && (next === SPACE || next === TAB)) {
      i += breakBytes;
      continue;
    }
    out[length++] = bytes[i]!;
  }
  return out.subarray(0, length);
}

/** What stands in Windows-1252 where Latin-1 has controls, from 0x80 on; a blank where it has nothing. */
const BEYOND_LATIN_1 = '€ ‚ƒ„…†‡ˆ‰Š‹Œ Ž  ‘’“”•–—˜™š›œ žŸ';

/** Not every engine's decoder knows more of it than Latin-1. */
const decode1252 = (bytes: Uint8Array): string =>
  new TextDecoder('windows-1252')
    .decode(bytes)
    .replace(/[\u0080-\u009f]/g, (c) => BEYOND_LATIN_1[c.charCodeAt(0) - 0x80]!);

/**
 * The text of a calendar file: UTF-16 by its mark, else UTF-8, and what is no UTF-8 as Windows-1252, of which Latin-1 is a part (Encoding
 * Standard). Its folded lines are put together again.
 */
export function decodeCalendarText(bytes: Uint8Array): DecodedText {
  const [first, second] = bytes;
  if ((first === 0xff && second === 0xfe) || (first === 0xfe && second === 0xff))
    return {
      text: new TextDecoder(first === 0xff ? 'utf-16le' : 'utf-16be').decode(bytes).replace(/(\r\n|\r|\n)[ \t]/g, ''),
      encoding: 'UTF-16',
    };
  const unfolded = unfoldBytes(bytes);
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(unfolded), encoding: 'UTF-8' };
  } catch {
    return { text: decode1252(unfolded), encoding: 'Windows-1252' };
  }
}
