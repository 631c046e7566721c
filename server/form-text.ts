/** What a form says in a field, as text; empty where it says nothing or sends a file. */
export function formText(form: FormData, name: string): string {
  const value = form.get(name);
  return typeof value === 'string' ? value : '';
}
