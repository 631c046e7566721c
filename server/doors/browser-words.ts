import Bowser from 'bowser';

/** A browser as its owner would call it, from what it says of itself: `Firefox on Linux`. At most 80 letters. */
export function browserWords(userAgent: string | null): string {
  if (!userAgent) return 'An unknown browser';
  const { browser, os } = Bowser.parse(userAgent.slice(0, 400));
  const words = [browser.name || 'An unknown browser', ...(os.name ? [`on ${os.name}`] : [])].join(' ');
  return words.replace(/[^\p{L}\p{N} .()+-]/gu, '').slice(0, 80);
}
