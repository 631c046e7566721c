/** Puts the focus on a heading, which takes it by script alone, or on the page's content. */
export function focusHeading(): void {
  const target = document.querySelector<HTMLElement>('main h1') ?? document.querySelector<HTMLElement>('main');
  if (!target) return;
  if (!target.hasAttribute('tabindex')) target.tabIndex = -1;
  target.focus({ preventScroll: true });
}

/** The focus goes back to what had it; where that is gone, to where one goes on reading. */
export function focusAgain(element: Element | null): void {
  // Once what follows has been drawn: the element may be gone by then.
  requestAnimationFrame(() => {
    const now = document.activeElement;
    if (now && now !== document.body && !(now instanceof HTMLDialogElement)) return;
    if (element instanceof HTMLElement && element.isConnected && element !== document.body) element.focus();
    else focusHeading();
  });
}
