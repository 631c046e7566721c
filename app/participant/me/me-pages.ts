import type { ReactNode } from 'react';

/** What is said when a part was saved. */
export type Note = (part: string) => ReactNode;

/** The pages on which someone says what fits them. */
export const ME_PAGES = {
  kit: { title: 'My kit', short: 'Kit' },
  health: { title: 'What I avoid', short: 'Avoid' },
  messages: { title: 'My messages', short: 'Messages' },
  days: { title: 'My days', short: 'Days' },
} as const;

export type MePage = keyof typeof ME_PAGES;

export const readMePage = (name = 'kit'): MePage | undefined =>
  Object.hasOwn(ME_PAGES, name) ? (name as MePage) : undefined;

export const mePath = (base: string, page: MePage): string => (page === 'kit' ? `${base}/me` : `${base}/me/${page}`);

const PAGE_OF: Readonly<Record<string, MePage>> = {
  kit: 'kit',
  spares: 'health',
  care: 'health',
  forget: 'health',
  messages: 'messages',
};

/** The page that a part of the forms stands on. */
export const pageOfPart = (part: string): MePage => (Object.hasOwn(PAGE_OF, part) ? PAGE_OF[part]! : 'days');
