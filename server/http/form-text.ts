import { foldToLine, foldToLines } from '../../core/letters.ts';
import { parseId, parseRevision } from './parse-number.ts';
import { refuse } from './read-body.ts';

const written = (form: FormData, name: string): string => {
  const value = form.get(name);
  return typeof value === 'string' ? value : '';
};

/** What a form says in a field of one line; empty where it says nothing or sends a file. Whatever breaks a line is a blank. */
export const formText = (form: FormData, name: string): string => foldToLine(written(form, name));

/** What a form says in a field of several lines, or as a document. */
export const formLines = (form: FormData, name: string): string => foldToLines(written(form, name));

const outOfDate = 'This isn’t what the page sends; load it again.';

/** The id in a field; 400 with the field named where it is none. */
export const formId = (form: FormData, name: string): number =>
  parseId(form.get(name)) ?? refuse(400, 'field', { name, message: outOfDate });

/** The revision in a field; 400 with the field named where it is none. */
export const formRevision = (form: FormData): number =>
  parseRevision(form.get('revision')) ?? refuse(400, 'field', { name: 'revision', message: outOfDate });
