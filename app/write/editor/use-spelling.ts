import { useEffect, useRef, useSyncExternalStore } from 'react';
import type { Finding, FindingChange } from '../../../core/session/findings/finding.ts';

const KEY = 'write-usual-spelling';

const listeners = new Set<() => void>();
/** Where a browser keeps nothing, the wish holds until the page is left. */
let kept: boolean | undefined;

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

function isWished(): boolean {
  try {
    return kept ?? localStorage.getItem(KEY) === 'on';
  } catch {
    return false;
  }
}

function wish(isOn: boolean): void {
  kept = isOn;
  try {
    localStorage.setItem(KEY, isOn ? 'on' : 'off');
  } catch {
    // It holds until the page is left.
  }
  for (const listener of listeners) listener();
}

/**
 * Writes a line in natural words in the usual spelling once the caret has left it, where the coach wishes that; the wish stays on
 * this device. A spelling that was taken back by Undo is not written again.
 */
export function useSpelling(
  text: string,
  findings: readonly Finding[],
  caretLine: number,
  onTake: (change: FindingChange) => void,
): { readonly isOn: boolean; readonly setOn: (isOn: boolean) => void } {
  const isOn = useSyncExternalStore(subscribe, isWished, () => false);
  const lastText = useRef(text);
  /** Lines that were typed on here: passing over a line changes nothing. */
  const typed = useRef(new Set<string>());
  const written = useRef(new Set<string>());
  useEffect(() => {
    const lines = findings.filter((f) => f.code === 'natural-words');
    if (text !== lastText.current) {
      lastText.current = text;
      for (const f of lines) if (f.line === caretLine) typed.current.add(f.usual.join('\n'));
    }
    if (!isOn) return;
    const left = lines.find((f) => f.line !== caretLine && typed.current.has(f.usual.join('\n')) && f.changes[0]);
    const key = left?.usual.join('\n') ?? '';
    if (!left || written.current.has(key)) return;
    written.current.add(key);
    onTake(left.changes[0]!);
  }, [isOn, text, findings, caretLine, onTake]);
  return { isOn, setOn: wish };
}
