/** Deeper than any document of ours, and shallow enough for whatever walks it. */
export const MAX_JSON_DEPTH = 64;

export type ParsedJson =
  { readonly status: 'read'; readonly value: unknown } | { readonly status: 'refused'; readonly message: string };

/**
 * Parses JSON from outside: nested at most 64 deep, every text in it whole (no half characters, no NUL), so that it can be
 * walked, printed and stored. Linear in its length; an empty text is refused like any other that is no JSON.
 */
export function parseJson(source: string): ParsedJson {
  if (isTooDeep(source))
    return { status: 'refused', message: `It is nested more than ${MAX_JSON_DEPTH} deep; that is no file of ours.` };
  let value: unknown;
  try {
    value = JSON.parse(source.replace(/^\ufeff/, ''));
  } catch {
    return {
      status: 'refused',
      message: source.includes('\0')
        ? 'It is no text in UTF-8; save it as UTF-8 and try again.'
        : 'It can’t be read as JSON; a bracket or a quotation mark may be missing.',
    };
  }
  if (!source.includes('\\u') && source.isWellFormed()) return { status: 'read', value };
  return hasBrokenText(value)
    ? { status: 'refused', message: 'A text in it has half a character, or a NUL; take that out.' }
    : { status: 'read', value };
}

/** Counts brackets outside texts, without parsing: a parser that recurses would be the one to break. */
function isTooDeep(source: string): boolean {
  let depth = 0;
  let inText = false;
  for (let i = 0; i < source.length; i++) {
    const c = source.charCodeAt(i);
    if (inText) {
      if (c === 0x5c) i++;
      else if (c === 0x22) inText = false;
    } else if (c === 0x22) inText = true;
    else if (c === 0x5b || c === 0x7b) {
      if (++depth > MAX_JSON_DEPTH) return true;
    } else if (c === 0x5d || c === 0x7d) depth--;
  }
  return false;
}

function hasBrokenText(value: unknown): boolean {
  if (typeof value === 'string') return value.includes('\0') || !value.isWellFormed();
  if (Array.isArray(value)) return value.some(hasBrokenText);
  if (typeof value === 'object' && value !== null)
    return Object.entries(value).some(([key, v]) => hasBrokenText(key) || hasBrokenText(v));
  return false;
}
