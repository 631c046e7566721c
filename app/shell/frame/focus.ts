/** Puts the focus on a heading, which takes it by script alone, or on the page's content. */
export function focusHeading(): void {
  const target = document.querySelector<HTMLElement>('main h1') ?? document.querySelector<HTMLElement>('main');
  if (!target) return;
  if (!target.hasAttribute('tabindex')) target.tabIndex = -1;
  target.focus({ preventScroll: true });
}

/** So long after a focus was given back, what has it may still be taken away by an answer that comes. */
const SETTLES_MS = 2_000;

/** The focus goes back to what had it; where that is gone, or goes with the answer, to where one goes on reading. */
export function focusAgain(element: Element | null): void {
  const until = performance.now() + SETTLES_MS;
  const look = () => {
    const isNowhere = document.activeElement === null || document.activeElement === document.body;
    if (isNowhere && !element?.isConnected) focusHeading();
    else if (performance.now() < until) requestAnimationFrame(look);
  };
  // Once what follows has been drawn: the element may be gone by then.
  requestAnimationFrame(() => {
    const now = document.activeElement;
    if (now && now !== document.body) return;
    if (!(element instanceof HTMLElement) || !element.isConnected || element === document.body) return focusHeading();
    element.focus();
    requestAnimationFrame(look);
  });
}
