import { data } from 'react-router';
import type { ParsedJson } from '../../core/exchange/parse-json.ts';
import { parseJson } from '../../core/exchange/parse-json.ts';
import { BODY_BYTES } from './limits/limits.ts';
import type { StatusKind } from '../../words/en/statuses.ts';
import { STATUS_WORDS } from '../../words/en/statuses.ts';

/** Fields that any form of ours can have, many times over. */
const MAX_FIELDS = 2_000;

/** Ends a request with a status and a page of that kind; a field that is at fault is named. */
export function refuse(
  status: number,
  kind: StatusKind,
  field?: { readonly name: string; readonly message: string },
): never {
  const { title, text } = STATUS_WORDS[kind];
  throw data(
    field
      ? { kind, field: field.name, message: field.message, errors: { [field.name]: field.message } }
      : { kind, message: `${title}. ${text}` },
    { status },
  );
}

/** A body as it was read. */
interface Body {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly type: string;
}

/** Reads at most `limitBytes`, whatever was announced; 413 above that, 400 where it doesn't arrive whole. */
async function readBody(request: Request, limitBytes: number): Promise<Body> {
  if (Number(request.headers.get('content-length') ?? 0) > limitBytes) refuse(413, 'too-large');
  const parts: Uint8Array[] = [];
  let length = 0;
  try {
    for await (const part of (request.body ?? []) as AsyncIterable<Uint8Array>) {
      length += part.byteLength;
      if (length > limitBytes) break;
      parts.push(part);
    }
  } catch {
    return refuse(400, 'unreadable');
  }
  if (length > limitBytes) refuse(413, 'too-large');
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.byteLength;
  }
  return { bytes, type: request.headers.get('content-type') ?? '' };
}

/** What can't be stored, in words; undefined where a text can be kept as it is. */
export function unkeepable(text: string): string | undefined {
  if (text.includes('\0'))
    return 'There is a character in it that is none (NUL); write it anew, or paste it as plain text.';
  if (!text.isWellFormed()) return 'There is half a character in it, as of an emoji cut in two; remove it.';
  return undefined;
}

export interface ReadForm {
  readonly form: FormData;
  readonly bytes: number;
}

/** Reads a form of at most `limitBytes`. What is no form is a 400, as is a field with what can't be kept, which is named. */
export async function readForm(request: Request, limitBytes: number = BODY_BYTES.form): Promise<ReadForm> {
  const { bytes, type } = await readBody(request, limitBytes);
  if (!/^(application\/x-www-form-urlencoded|multipart\/form-data)\b/i.test(type)) refuse(400, 'unreadable');
  let form: FormData;
  try {
    form = await new Response(bytes, { headers: { 'content-type': type } }).formData();
  } catch {
    return refuse(400, 'unreadable');
  }
  let count = 0;
  for (const [name, value] of form) {
    const message = unkeepable(name) ?? (typeof value === 'string' ? unkeepable(value) : undefined);
    if (message) refuse(400, 'field', { name: name.replace(/[^\w-]/g, '').slice(0, 40) || 'a field', message });
    if (++count > MAX_FIELDS) refuse(400, 'unreadable');
  }
  return { form, bytes: bytes.byteLength };
}

/** Reads a JSON body of at most `limitBytes`. */
export async function readJson(request: Request, limitBytes: number): Promise<{ read: ParsedJson; bytes: number }> {
  const { bytes } = await readBody(request, limitBytes);
  return { read: parseJson(new TextDecoder().decode(bytes)), bytes: bytes.byteLength };
}
