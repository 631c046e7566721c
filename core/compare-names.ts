const collator = new Intl.Collator('en');

/** The order of names in a list, as people look for them: letters with marks beside those without, capitals beside small ones. */
export const compareNames = (a: { readonly name: string }, b: { readonly name: string }): number =>
  collator.compare(a.name, b.name);
