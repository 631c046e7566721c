import { useDraggable } from '@dnd-kit/core';
import { useInBrowser } from '../../parts/fields/use-in-browser.ts';

/** A card that can be dragged; how that is done by keyboard is told once the words for it are on the page. */
export function useCardDrag(id: string) {
  const { attributes, ...drag } = useDraggable({ id });
  const isInBrowser = useInBrowser();
  const { 'aria-describedby': told, ...others } = attributes;
  return { ...drag, attributes: { ...others, ...(isInBrowser && { 'aria-describedby': told }) } };
}
