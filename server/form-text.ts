import { parseId, parseRevision } from './parse-number.ts';
import { refuse } from './read-body.ts';

/** What a form says in a field, as text; empty where it says nothing or sends a file. */
export function formText(form: FormData, name: string): string {
  const value = form.get(name);
  return typeof value === 'string' ? value : '';
}

const outOfDate = 'This isn’t what the page sends; load it again.';

/** The id in a field; 400 with the field named where it is none. */
export const formId = (form: FormData, name: string): number =>
  parseId(form.get(name)) ?? refuse(400, 'field', { name, message: outOfDate });

/** The revision in a field; 400 with the field named where it is none. */
export const formRevision = (form: FormData): number =>
  parseRevision(form.get('revision')) ?? refuse(400, 'field', { name: 'revision', message: outOfDate });
