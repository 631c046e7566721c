/** What a page says where something else than its content has to be told: by kind, in a coach's own plain words. */
export const STATUS_WORDS = {
  link: {
    title: 'This link doesn’t open anything',
    text: 'It may have been replaced by a newer one, or a letter got lost on the way. Look for the latest message from your coach, or ask for a new link.',
  },
  missing: { title: 'There is nothing here', text: 'The page may have moved, or it belongs to someone else.' },
  closed: { title: 'Not open yet', text: 'This day opens on its morning, at your own hour.' },
  early: {
    title: 'Its hour hasn’t come yet',
    text: 'This day opens on its morning, at your own hour. What you kept on your phone stays there, and is sent then.',
  },
  offline: {
    title: 'There is no network just now',
    text: 'Go back and try again when there is. What you logged is safe on this phone, and is sent by itself.',
  },
  origin: {
    title: 'This came from another page',
    text: 'Nothing was changed. Go back to Ysodos and try again from there.',
  },
  role: {
    title: 'You read here',
    text: 'Nothing was changed. Changing, sending and exporting are for coaches; ask an owner of this workspace to make you one.',
  },
  unreadable: {
    title: 'That can’t be read',
    text: 'The address or the form arrived in a shape that means nothing here. Nothing was changed; go back and try again.',
  },
  field: {
    title: 'One field can’t be kept as it is',
    text: 'Nothing was changed. Go back: what you typed is still there.',
  },
  'too-large': {
    title: 'That is more than fits',
    text: 'Nothing was changed. What you typed is still on the page before this one; make it shorter, or send it in parts.',
  },
  'too-many': {
    title: 'That was a lot at once',
    text: 'Nothing was lost. Wait a little, then go on.',
  },
  'not-so': {
    title: 'That can’t be done here',
    text: 'The address is one of ours, but not for this. Go back and try again from the page.',
  },
  away: {
    title: 'One moment, please',
    text: 'Ysodos can’t get at its records just now, or has more to do than it can. What you typed is still on the page before this one; try again in a few seconds.',
  },
  broken: {
    title: 'Something broke on our side',
    text: 'What you typed is still on the page before this one. Go back and try again.',
  },
} as const satisfies Record<string, { title: string; text: string }>;

export type StatusKind = keyof typeof STATUS_WORDS;

export const isStatusKind = (kind: unknown): kind is StatusKind =>
  typeof kind === 'string' && Object.hasOwn(STATUS_WORDS, kind);

/** The kind that a bare status number speaks of. */
export function statusKind(status: number): StatusKind {
  switch (status) {
    case 404:
    case 410:
      return 'missing';
    case 403:
      return 'origin';
    case 405:
      return 'not-so';
    case 413:
      return 'too-large';
    case 429:
      return 'too-many';
    case 503:
      return 'away';
    default:
      return status >= 500 ? 'broken' : 'unreadable';
  }
}
