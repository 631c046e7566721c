import { useCallback, useEffect, useRef, useState } from 'react';

const SAVE_AFTER_MS = 700;
const RETRY_MS = 4000;

export type DraftState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'typing' }
  | { readonly kind: 'offline' }
  | { readonly kind: 'refused'; readonly message: string }
  /** Someone else, or another tab, stored a newer text. */
  | { readonly kind: 'stale'; readonly theirs: string; readonly revision: number };

interface DraftAnswer { revision?: number; message?: string; stale?: { text: string; revision: number } }

/** Saves a text as it is typed. What couldn't be saved stays and is tried again; leaving with it asks first. */
export function useDraft(url: string, initial: { text: string; revision: number }, onSaved: () => void) {
  const [state, setState] = useState<DraftState>({ kind: 'saved' });
  const live = useRef({ text: initial.text, savedText: initial.text, revision: initial.revision, busy: false, stale: false });
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const saved = useRef(onSaved);
  useEffect(() => { saved.current = onSaved; }, [onSaved]);

  const save = useCallback(async (): Promise<boolean> => {
    clearTimeout(timer.current);
    const l = live.current;
    if (l.busy || l.stale) return false;
    if (l.text === l.savedText) {
      setState({ kind: 'saved' });
      return true;
    }
    l.busy = true;
    const text = l.text;
    let answer: DraftAnswer | undefined;
    try {
      const response = await fetch(url, { method: 'POST', keepalive: text.length < 50_000, headers: { 'content-type': 'application/json' }, body: JSON.stringify({ text, revision: l.revision }) });
      answer = (await response.json()) as DraftAnswer;
    } catch {
      answer = undefined; // No network, or no answer that can be read: tried again below.
    }
    l.busy = false;
    if (!answer) {
      setState({ kind: 'offline' });
      timer.current = setTimeout(() => void save(), RETRY_MS);
      return false;
    }
    if (answer.stale) {
      l.stale = true;
      setState({ kind: 'stale', theirs: answer.stale.text, revision: answer.stale.revision });
      return false;
    }
    if (answer.revision === undefined) {
      setState({ kind: 'refused', message: answer.message ?? 'The text could not be saved.' });
      return false;
    }
    l.savedText = text;
    l.revision = answer.revision;
    saved.current();
    if (l.text !== text) return save();
    setState({ kind: 'saved' });
    return true;
  }, [url]);

  const change = useCallback((text: string) => {
    const l = live.current;
    l.text = text;
    if (l.stale) return;
    setState(text === l.savedText ? { kind: 'saved' } : { kind: 'typing' });
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void save(), SAVE_AFTER_MS);
  }, [save]);

  /** Ends a conflict: what is typed here (or what is given) goes on from the newer revision. */
  const settle = useCallback((newRevision: number, theirs?: string) => {
    Object.assign(live.current, { stale: false, revision: newRevision }, theirs === undefined ? {} : { text: theirs, savedText: theirs });
    void save();
  }, [save]);

  useEffect(() => {
    const onLeave = (event: BeforeUnloadEvent) => {
      if (live.current.text !== live.current.savedText) event.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => {
      window.removeEventListener('beforeunload', onLeave);
      void save();
    };
  }, [save]);

  /** The revision that the server holds of what is typed here. */
  const latest = useCallback(() => live.current.revision, []);

  return { state, change, save, settle, latest };
}
